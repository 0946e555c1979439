/** What the watched folder says to the page: its files over server-sent events, in pages, and their bytes. */
import { Router, type Request, type Response } from 'express';
import { z } from 'zod';
import { openEvents } from './events.ts';
import { openFile } from './folderFiles.ts';
import { MOST_FILES, type WatchedFolder } from './watchedFolder.ts';

const pageAsked = z.object({ from: z.coerce.number().int().min(0).max(1e9).default(0) });

/** By the descriptor that was checked: what is put in the file's place meanwhile is not sent. */
async function sendBytes(folder: string, name: string, response: Response, next: () => void): Promise<void> {
  const found = await openFile(folder, name);
  if (!found) {
    next();
    return;
  }
  const { handle, sizeBytes } = found;
  response.setHeader('Cache-Control', 'no-store');
  response.setHeader('Content-Length', sizeBytes);
  response.type('application/octet-stream');
  if (sizeBytes === 0) {
    await handle.close();
    response.end();
    return;
  }
  // A log that grows meanwhile is sent as long as it was.
  const bytes = handle.createReadStream({ start: 0, end: sizeBytes - 1 });
  bytes.on('error', () => response.destroy());
  response.on('close', () => bytes.destroy());
  bytes.pipe(response);
}

export function folderRoutes(folder: WatchedFolder): Router {
  const routes = Router();
  routes.get('/events', (_request, response) => {
    const send = openEvents(response);
    if (!send) return;
    send('files', folder.state());
    response.on(
      'close',
      folder.subscribe((state) => send('files', state)),
    );
  });
  routes.get('/files', (request, response) => {
    const wish = pageAsked.safeParse(request.query);
    if (!wish.success) {
      response.status(400).json({ error: `Ask with a whole number: from=${MOST_FILES}.` });
      return;
    }
    response.setHeader('Cache-Control', 'no-store');
    response.json({ count: folder.state().count, files: folder.page(wish.data.from) });
  });
  routes.get('/files/:name', (request: Request<{ name: string }>, response, next) => {
    void sendBytes(folder.path, request.params.name, response, next).catch(next);
  });
  return routes;
}

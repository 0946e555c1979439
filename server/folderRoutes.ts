/** What the watched folder says to the page: its files over server-sent events, and their bytes. */
import { lstatSync, realpathSync } from 'node:fs';
import { basename, join } from 'node:path';
import { Router, type Request, type Response } from 'express';
import type { WatchedFolder } from './watchedFolder.ts';

/** A line now and then keeps the connection open. */
const BEAT_MS = 20_000;

/** Opens a stream of events; what it returns sends one. Ended by the other side or the server's closing. */
export function openEvents(response: Response): (event: string, data: unknown) => void {
  response.setHeader('Content-Type', 'text/event-stream');
  response.setHeader('Cache-Control', 'no-cache, no-transform');
  response.flushHeaders();
  const beat = setInterval(() => response.write(': still here\n\n'), BEAT_MS);
  response.on('close', () => clearInterval(beat));
  return (event, data) => response.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
}

/** The file of that name, or null: what is elsewhere, a folder or a link is none of this folder's. */
function fileIn(folder: string, name: string): string | null {
  const path = join(folder, name);
  if (basename(path) !== name) return null;
  try {
    if (!lstatSync(path).isFile()) return null;
    const real = realpathSync(path);
    return real === join(realpathSync(folder), name) ? real : null;
  } catch {
    return null;
  }
}

export function folderRoutes(folder: WatchedFolder): Router {
  const routes = Router();
  routes.get('/events', (_request, response) => {
    const send = openEvents(response);
    send('files', folder.state());
    response.on(
      'close',
      folder.subscribe((state) => send('files', state)),
    );
  });
  routes.get('/files/:name', (request: Request<{ name: string }>, response, next) => {
    const path = fileIn(folder.path, request.params.name);
    if (path === null) {
      next();
      return;
    }
    response.setHeader('Cache-Control', 'no-store');
    response.type('application/octet-stream');
    response.sendFile(path, { dotfiles: 'allow', cacheControl: false });
  });
  return routes;
}

/** The local server: the static build, and a word about itself. It answers this machine only, also when another page
 *  points its own name at this address. */
import { readFileSync, realpathSync } from 'node:fs';
import { join, sep } from 'node:path';
import { folderRoutes } from './folderRoutes.ts';
import { standInRoutes } from './standInRoutes.ts';
import type { WatchedFolder } from './watchedFolder.ts';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';

const POLICY = [
  "default-src 'self'",
  "script-src 'self'",
  "style-src 'self'",
  "img-src 'self' data: blob:",
  "font-src 'self' data:",
  "worker-src 'self' blob:",
  "connect-src 'self'",
  "base-uri 'self'",
  "form-action 'none'",
  "frame-ancestors 'none'",
].join('; ');

export type ServerOptions = {
  /** Folder of the build; null serves the API alone. */
  dist: string | null;
  demo: boolean;
  /** Whose files are announced to the page; null = none. */
  folder?: WatchedFolder | null;
};

/** What went wrong, and what to do, by the status of the answer. */
const ERROR_WORDS: Record<number, string> = {
  400: 'This address cannot be read. Correct it, or open the start page.',
  403: 'This server only answers to its own pages.',
  404: 'Nothing is here under this address. Open the start page.',
  405: 'This address only answers to reading.',
  416: 'This file is shorter than the part that was asked for. Ask for the whole file.',
  421: 'This server only answers to this machine: open it as http://127.0.0.1 with its port.',
  500: 'The server failed. Your records are in the browser and untouched. Reload the page.',
};

/** For people as a page, for programs as JSON; with the policy of every other answer. */
function sendError(request: Request, response: Response, status: number, words = ERROR_WORDS[status]): void {
  const error = words ?? ERROR_WORDS[500] ?? '';
  response.status(status);
  response.setHeader('Cache-Control', 'no-store');
  if (request.originalUrl.startsWith('/api') || request.accepts(['json', 'html']) !== 'html') {
    response.json({ error });
    return;
  }
  response
    .type('html')
    .send(
      `<!doctype html><html lang="en"><head><title>Tidy Owl</title></head><body><main><h1>Tidy Owl</h1><p>${error}</p><p><a href="/">Start page</a></p></main></body></html>`,
    );
}

const NAMES = ['127.0.0.1', 'localhost', '[::1]'];

/** A page elsewhere can give its own name this address; its requests still carry that name. */
function onlyThisMachine(request: Request, response: Response, next: NextFunction): void {
  const port = request.socket.localPort ?? 0;
  const own = NAMES.flatMap((name) => [`${name}:${port}`, ...(port === 80 ? [name] : [])]);
  if (own.includes((request.headers.host ?? '').toLowerCase())) next();
  else sendError(request, response, 421);
}

/** What is asked for by a page from elsewhere names where it comes from. */
function onlyOwnPages(request: Request, response: Response, next: NextFunction): void {
  const { origin, host } = request.headers;
  const isOwn = origin === undefined || origin === `http://${host ?? ''}`;
  // A browser names pages from elsewhere also where it names no origin. `none`: typed into the address bar.
  const site = request.headers['sec-fetch-site'] ?? 'none';
  response.setHeader('Cross-Origin-Resource-Policy', 'same-origin');
  if (isOwn && (site === 'same-origin' || site === 'none')) next();
  else sendError(request, response, 403);
}

/** Files that are links to something outside of the build are not served. */
function insideOf(dist: string) {
  const root = realpathSync(dist);
  return (request: Request, response: Response, next: NextFunction): void => {
    let real: string;
    try {
      real = realpathSync(join(root, decodeURIComponent(request.path)));
    } catch (error) {
      // A path that is no file is left to whoever comes next; one that cannot be read is refused.
      if (error instanceof URIError) sendError(request, response, 400);
      else next();
      return;
    }
    if (real === root || real.startsWith(root + sep)) next();
    else sendError(request, response, 404);
  };
}

function servePages(app: Express, dist: string): void {
  app.use(insideOf(dist));
  app.use('/assets', express.static(join(dist, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(dist, { index: false, maxAge: 0, redirect: false }));
  app.get('/{*path}', (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    // Deep addresses must find the scripts from the root.
    const html = readFileSync(join(dist, 'index.html'), 'utf8').replace('<head>', '<head><base href="/">');
    response.type('html').send(html);
  });
  app.use((request, response) => sendError(request, response, 405));
}

const statusOf = (error: unknown): number => {
  const status = typeof error === 'object' && error !== null && 'status' in error ? Number(error.status) : 500;
  return Object.hasOwn(ERROR_WORDS, status) ? status : status >= 400 && status < 500 ? 400 : 500;
};

export function createApp({ dist, demo, folder = null }: ServerOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((_request, response, next) => {
    response.setHeader('Content-Security-Policy', POLICY);
    response.setHeader('X-Content-Type-Options', 'nosniff');
    response.setHeader('Referrer-Policy', 'no-referrer');
    next();
  });
  app.use(onlyThisMachine);
  app.use('/api', onlyOwnPages);
  app.get('/api/hello', (_request, response) => {
    response.setHeader('Cache-Control', 'no-store');
    response.json({ demo, standIn: true, folder: folder?.state().name ?? null });
  });
  app.use('/api/standin', standInRoutes());
  if (folder) app.use('/api/folder', folderRoutes(folder));
  app.use('/api', (request, response) => sendError(request, response, 404, 'There is no such address under /api.'));
  if (dist !== null) servePages(app, dist);
  app.use((error: unknown, request: Request, response: Response, next: NextFunction) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    response.removeHeader('Content-Range');
    sendError(request, response, statusOf(error));
  });
  return app;
}

/** The local server: the static build, and a word about itself. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
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
};

function servePages(app: Express, dist: string): void {
  app.use('/assets', express.static(join(dist, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(dist, { index: false, maxAge: 0 }));
  app.get('/{*path}', (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    // Deep addresses must find the scripts from the root.
    const html = readFileSync(join(dist, 'index.html'), 'utf8').replace('<head>', '<head><base href="/">');
    response.type('html').send(html);
  });
}

export function createApp({ dist, demo }: ServerOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((_request, response, next) => {
    response.setHeader('Content-Security-Policy', POLICY);
    response.setHeader('X-Content-Type-Options', 'nosniff');
    response.setHeader('Referrer-Policy', 'no-referrer');
    next();
  });
  app.get('/api/hello', (_request, response) => {
    response.setHeader('Cache-Control', 'no-store');
    response.json({ demo });
  });
  app.use('/api', (_request, response) => {
    response.status(404).json({ error: 'There is no such address under /api.' });
  });
  if (dist !== null) servePages(app, dist);
  app.use((error: unknown, _request: Request, response: Response, next: NextFunction) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const status = typeof error === 'object' && error !== null && 'status' in error ? Number(error.status) : 500;
    response.status(status).json({ error: status === 404 ? 'Not found.' : 'The server failed. Reload the page.' });
  });
  return app;
}

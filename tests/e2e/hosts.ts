/** Servers that a test starts and stops by itself. */
import express from 'express';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';

export const dist = join(import.meta.dirname, '..', '..', 'dist');

/** A plain host: files under a sub-path, a 404 page, and nothing else. */
export function plainHost(): express.Express {
  const app = express();
  app.use('/fields/owl', express.static(dist));
  app.use((_request, response) => response.status(404).sendFile(join(dist, '404.html')));
  return app;
}

export async function listen(app: express.Express): Promise<{ server: Server; address: string }> {
  const server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return { server, address: `http://127.0.0.1:${(server.address() as AddressInfo).port}` };
}

export async function stop(server: Server): Promise<void> {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
}

/** node --import tsx server/main.ts [--demo] [--port N] [--api-only] [--watch DIR]: serves the built app on this machine
 *  only, and tells it of new and growing files in a folder. */
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { createApp } from './app.ts';
import { portOf } from './port.ts';
import { folderProblem, watchFolder } from './watchedFolder.ts';

const { values } = parseArgs({
  options: {
    demo: { type: 'boolean', default: false },
    port: { type: 'string' },
    'api-only': { type: 'boolean', default: false },
    watch: { type: 'string' },
  },
});

const DEFAULT_PORT = 4180;
const wanted = portOf(values.port ?? process.env['PORT'], DEFAULT_PORT);
const dist = values['api-only'] ? null : join(import.meta.dirname, '..', 'dist');
const noFolder = values.watch === undefined ? null : folderProblem(values.watch);
const folder = values.watch === undefined || noFolder !== null ? null : watchFolder(values.watch);
const app = createApp({ dist, demo: values.demo, folder });

/** Takes the wanted port; when it is in use and was not asked for, the next free one. */
function listen(port: number, triesLeft: number): void {
  const server = app.listen(port, '127.0.0.1', (error) => {
    if (!error) {
      console.log(`Tidy Owl is ready: http://127.0.0.1:${port}/`);
      return;
    }
    const busy = 'code' in error && error.code === 'EADDRINUSE';
    if (busy && values.port === undefined && triesLeft > 0) {
      listen(port + 1, triesLeft - 1);
      return;
    }
    console.error(busy ? `Port ${port} is in use. Choose another one: npm start -- --port 4200` : error.message);
    process.exitCode = 1;
  });
  for (const signal of ['SIGINT', 'SIGTERM'] as const) {
    process.once(signal, () => {
      void folder?.close();
      server.closeAllConnections();
      server.close();
    });
  }
}

if (typeof wanted === 'number' && noFolder === null) listen(wanted, 20);
else {
  console.error(noFolder ?? (typeof wanted === 'number' ? '' : wanted.words));
  process.exitCode = 1;
}

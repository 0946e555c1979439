/** Real worker threads in the shape of a browser's workers. */
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { Worker } from 'node:worker_threads';
import type { JobWorker } from '../../../src/workers/client.ts';

export type Threads = { make: () => JobWorker; made: () => number; living: () => number; endAll: () => Promise<void> };

export function threads(): Threads {
  const all: Worker[] = [];
  let living = 0;
  const make = (): JobWorker => {
    const thread = new Worker(new URL('./start.mjs', import.meta.url));
    all.push(thread);
    living += 1;
    const endpoint = nodeEndpoint(thread);
    const died: ((event: Event) => void)[] = [];
    const die = (message: string): void => died.forEach((tell) => tell(Object.assign(new Event('error'), { message })));
    let isWanted = true;
    thread.on('error', (error) => die(error.message));
    thread.on('exit', () => {
      living -= 1;
      if (isWanted) die('exit');
    });
    const worker = {
      postMessage: endpoint.postMessage.bind(endpoint),
      addEventListener: (type: string, listener: (event: Event) => void) => {
        if (type === 'message') endpoint.addEventListener(type, listener);
        else if (type === 'error') died.push(listener);
      },
      removeEventListener: endpoint.removeEventListener.bind(endpoint),
      terminate: () => {
        isWanted = false;
        void thread.terminate();
      },
    };
    return worker as unknown as JobWorker;
  };
  return {
    make,
    made: () => all.length,
    living: () => living,
    endAll: async () => {
      await Promise.all(all.map((thread) => thread.terminate()));
    },
  };
}

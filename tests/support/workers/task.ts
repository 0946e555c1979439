/** A task for tests of jobs, in a real thread of its own. */
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { parentPort } from 'node:worker_threads';
import { collectGarbage } from '../garbage.ts';
import type { Task } from '../../../src/workers/protocol.ts';
import { serve } from '../../../src/workers/serve.ts';

export type Asked =
  | { do: 'double'; value: number }
  | { do: 'invert'; pixels: ArrayBuffer }
  /** Answers how long the table is that it was given before; 0 = none. */
  | { do: 'table'; table: ArrayBuffer }
  | { do: 'lookUp' }
  /** From now on the garbage of its thread is collected all the time. */
  | { do: 'collect' }
  | { do: 'countTo'; count: number }
  | { do: 'deaf' }
  | { do: 'die' }
  | { do: 'fail' };
export type TestTask = Task<Asked, number | ArrayBuffer>;

let table: Uint8Array | null = null;
let began = 0;

const task: TestTask = async (asked, { report, pause, handOver }) => {
  began += 1;
  switch (asked.do) {
    case 'double':
      await pause();
      return 2 * asked.value;
    case 'invert': {
      const pixels = new Uint16Array(asked.pixels);
      pixels.forEach((value, i) => (pixels[i] = 65_535 - value));
      handOver(asked.pixels);
      return asked.pixels;
    }
    case 'table':
      table = new Uint8Array(asked.table);
      return table.length;
    case 'lookUp':
      return table?.length ?? 0;
    case 'collect':
      setInterval(collectGarbage, 1).unref();
      return 0;
    case 'countTo':
      for (let i = 0; i < asked.count; i += 1) {
        report('counting', i);
        await pause();
      }
      return began;
    case 'deaf':
      report('deaf', 0);
      for (;;) began += 1;
    case 'die':
      return process.exit(1);
    case 'fail':
      throw Object.assign(new Error('curve too short'), { name: 'TooShort', code: 'tooShort' });
  }
};

if (parentPort) serve(task, nodeEndpoint(parentPort));

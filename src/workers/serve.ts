/** The worker's side: runs a task, one job after the other, and answers in the protocol's form. */
import { expose, transfer, type Endpoint } from 'comlink';
import { Cancelled } from '../core/work.ts';
import type { Answer, Context, Served, Task } from './protocol.ts';

function failed(error: unknown): Answer<never> {
  if (error instanceof Cancelled) return { end: 'cancelled' };
  if (!(error instanceof Error)) return { end: 'failed', name: 'Error', message: String(error), code: null };
  const code = 'code' in error && typeof error.code === 'string' ? error.code : null;
  return { end: 'failed', name: error.name, message: error.message, code };
}

/** Waits for the next turn of the worker's own loop: what came in meanwhile is heard first. */
const nextTurn = (): Promise<void> =>
  new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });

export function served<Input, Output>(task: Task<Input, Output>): Served {
  let isCancelled = false;
  return {
    run: async (input, tell) => {
      isCancelled = false;
      const buffers: ArrayBuffer[] = [];
      const check = (): void => {
        if (isCancelled) throw new Cancelled();
      };
      const context: Context = {
        report: (doing, share) => tell({ doing, share }),
        check,
        pause: async () => {
          await nextTurn();
          check();
        },
        handOver: (...more) => void buffers.push(...more),
      };
      try {
        // The page sends what the task is typed for: both name the same task.
        const output = await task(input as Input, context);
        return transfer<Answer<unknown>>({ end: 'done', output }, buffers);
      } catch (error) {
        return failed(error);
      }
    },
    cancel: () => {
      isCancelled = true;
    },
  };
}

/** @param endpoint the worker itself when left out. */
export function serve<Input, Output>(task: Task<Input, Output>, endpoint?: Endpoint): void {
  expose(served(task), endpoint);
}

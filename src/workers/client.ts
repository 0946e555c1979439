/** The one way to run heavy work: a worker per job, with progress, cancel, and an answer also when the worker dies. */
import { proxy, wrap } from 'comlink';

export type Progress = { doing: string; share: number };
/** What a worker file exposes. */
export type Task<Input, Output> = { run: (input: Input, onProgress: (progress: Progress) => void) => Promise<Output> };
export type JobOptions = { onProgress?: (progress: Progress) => void; signal?: AbortSignal };

export class JobCancelled extends Error {
  override name = 'JobCancelled';
}
/** The worker could not start, ran out of memory, or threw what cannot be carried over. */
export class WorkerDied extends Error {
  override name = 'WorkerDied';
}

/** The parts of a worker that a job needs; a test can stand in for the browser's. */
export type JobWorker = Pick<Worker, 'postMessage' | 'addEventListener' | 'removeEventListener' | 'terminate'>;

/** Rejects when the worker fails or the user cancels; the worker is ended at once in every case. */
function ending(worker: JobWorker, signal: AbortSignal | undefined): Promise<never> {
  return new Promise((_resolve, reject) => {
    worker.addEventListener('error', (event) => {
      const message = 'message' in event && typeof event.message === 'string' ? event.message : '';
      reject(new WorkerDied(message));
    });
    worker.addEventListener('messageerror', () => reject(new WorkerDied('an answer could not be read')));
    const cancel = (): void => reject(new JobCancelled('cancelled'));
    if (signal?.aborted) cancel();
    signal?.addEventListener('abort', cancel, { once: true });
  });
}

/** Runs a task to its end. @throws JobCancelled, WorkerDied, or what the task itself threw. */
export async function runJob<Output>(
  makeWorker: () => JobWorker,
  input: unknown,
  { onProgress, signal }: JobOptions = {},
): Promise<Output> {
  const worker = makeWorker();
  let over = false;
  // A last report can overtake the answer on its own channel; it must not come after it.
  const report = (progress: Progress): void => {
    if (!over) onProgress?.(progress);
  };
  try {
    // The wrapped task has the task's own shape: its methods already return promises.
    const task = wrap(worker) as unknown as Task<unknown, Output>;
    return await Promise.race([task.run(input, proxy(report)), ending(worker, signal)]);
  } finally {
    over = true;
    worker.terminate();
  }
}

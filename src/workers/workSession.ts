/** A worker that keeps what it was once given, as a large table, over many jobs, and ends when nothing was asked for a
 *  while. After that, or after its death, the next job begins with giving it the table again. */
import { hold, inASlot, runOn, type Held, type JobOptions, type JobWorker } from './client.ts';
import type { InputOf, OutputOf } from './protocol.ts';

export type WorkSession<T> = {
  /** One after the other. @throws JobCancelled, WorkerDied, TaskFailed. */
  run: (input: InputOf<T>, options?: JobOptions) => Promise<OutputOf<T>>;
  /** Ends the worker; a job that runs dies with it. */
  end: () => void;
};

export type SessionOptions<T> = {
  /** What is given first to each new worker, as a job of its own; buffers in `handOver` are not copied. */
  first?: () => { input: InputOf<T>; handOver?: ArrayBuffer[] };
  idleMs?: number;
};

const USUAL_IDLE_MS = 60_000;

export function openWorkSession<T>(
  makeWorker: () => JobWorker,
  { first, idleMs = USUAL_IDLE_MS }: SessionOptions<T> = {},
): WorkSession<T> {
  let held: Held | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let last: Promise<unknown> = Promise.resolve();
  const end = (): void => {
    clearTimeout(timer);
    held?.end();
    held = null;
  };
  const ready = async (): Promise<Held> => {
    if (held && !held.dead) return held;
    held = hold(makeWorker());
    const fresh = held;
    if (first) {
      const { input, handOver = [] } = first();
      await runOn(fresh, input, { handOver });
    }
    return fresh;
  };
  const job = async (input: InputOf<T>, options: JobOptions): Promise<OutputOf<T>> => {
    clearTimeout(timer);
    try {
      return await runOn<OutputOf<T>>(await ready(), input, options);
    } finally {
      timer = setTimeout(end, idleMs);
    }
  };
  return {
    run: (input, options = {}) => {
      const turn = last.then(() => inASlot(options.signal, () => job(input, options)));
      last = turn.catch(() => undefined);
      return turn;
    },
    end,
  };
}

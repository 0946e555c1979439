/** A worker that keeps what it was once given, as a large table, over many jobs, and ends when nothing was asked for a
 *  while. After that, or after its death, the next job begins with giving it the table again. */
import { hold, inASlot, runOn, type Held, type JobOptions, type JobWorker } from './client.ts';
import type { InputOf, OutputOf } from './protocol.ts';
import { createSlots } from './slots.ts';

export type WorkSession<T> = {
  /** One after the other. @throws Cancelled, WorkerDied, TaskFailed. */
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
  // One after the other; who waits may go away.
  const turn = createSlots(1);
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
      await runOn(fresh, input, { handOver }).catch((error: unknown) => {
        // A worker without its table is none.
        fresh.end();
        throw error;
      });
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
    run: (input, options = {}) =>
      inASlot(options.signal, () => inASlot(options.signal, () => job(input, options)), turn),
    end,
  };
}

/** The one way to run heavy work: at most two jobs at once, the others wait their turn; progress, cancel, and an answer also
 *  when the worker dies. */
import { proxy, transfer, wrap } from 'comlink';
import { Cancelled } from '../core/work.ts';
import { createSlots, type Slots } from './slots.ts';
import { TaskFailed, type Answer, type InputOf, type OutputOf, type Progress, type Served } from './protocol.ts';

export type JobOptions = {
  onProgress?: (progress: Progress) => void;
  signal?: AbortSignal;
  /** Handed over with the input and not copied; the page has them no more. */
  handOver?: ArrayBuffer[];
  /** How long a cancelled job may take to stop by itself; then its worker is ended. */
  graceMs?: number;
};

/** The worker could not start, ran out of memory, or was ended in the middle. */
export class WorkerDied extends Error {
  override name = 'WorkerDied';
}

/** The parts of a worker that a job needs; a test can stand in for the browser's. */
export type JobWorker = Pick<Worker, 'postMessage' | 'addEventListener' | 'removeEventListener' | 'terminate'>;

const AT_ONCE = 2;
const slots = createSlots(AT_ONCE);
const USUAL_GRACE_MS = 1500;

/** A worker with what is known of it. */
export type Held = {
  /** Its one proxy, as old as the worker: when the last proxy is collected as garbage, the worker is told to listen no more. */
  task: Served;
  /** It died, or was ended. */
  dead: boolean;
  /** Ends it; a job that runs on it dies. */
  end: () => void;
  /** Rejects when it dies. */
  death: Promise<never>;
};

export function hold(worker: JobWorker): Held {
  let fail: (error: WorkerDied) => void = () => undefined;
  const death = new Promise<never>((_resolve, reject) => {
    fail = reject;
  });
  // Looked at when a job runs; between jobs nobody waits for it.
  death.catch(() => undefined);
  const die = (message: string): void => {
    held.dead = true;
    fail(new WorkerDied(message));
  };
  const end = (): void => {
    worker.terminate();
    die('ended');
  };
  // The wrapped object has the served one's own shape: its methods already return promises.
  const held: Held = { task: wrap(worker) as unknown as Served, dead: false, end, death };
  worker.addEventListener('error', (event) => {
    die('message' in event && typeof event.message === 'string' ? event.message : '');
  });
  worker.addEventListener('messageerror', () => die('an answer could not be read'));
  return held;
}

/** Asks a job to stop when it is cancelled; who does not stop is ended. */
function whenCancelled(held: Held, { signal, graceMs = USUAL_GRACE_MS }: JobOptions, ask: () => void) {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let stop: () => void = () => undefined;
  const outOfPatience = new Promise<never>((_resolve, reject) => {
    stop = () => {
      ask();
      timer = setTimeout(() => {
        reject(new Cancelled());
        held.end();
      }, graceMs);
    };
  });
  signal?.addEventListener('abort', stop, { once: true });
  const done = (): void => {
    clearTimeout(timer);
    signal?.removeEventListener('abort', stop);
  };
  return { outOfPatience, done };
}

function outcome(answer: Answer<unknown>): unknown {
  switch (answer.end) {
    case 'done':
      return answer.output;
    case 'cancelled':
      throw new Cancelled();
    case 'failed':
      throw new TaskFailed(answer.name, answer.message, answer.code);
  }
}

/** @throws Cancelled */
const heard = (signal: AbortSignal | undefined): void => {
  if (signal?.aborted) throw new Cancelled();
};

/** One job on a worker that is there. @throws Cancelled, WorkerDied, TaskFailed. */
export async function runOn<Output>(held: Held, input: unknown, options: JobOptions): Promise<Output> {
  const { onProgress, signal, handOver = [] } = options;
  // It may have been cancelled while its worker was made ready.
  heard(signal);
  let over = false;
  // A last report can overtake the answer on its own channel; it must not come after it.
  const report = (progress: Progress): void => {
    if (!over) onProgress?.(progress);
  };
  const { task } = held;
  const { outOfPatience, done } = whenCancelled(held, options, () => task.cancel());
  const given = handOver.length > 0 ? transfer(input as object, handOver) : input;
  try {
    // The worker's task and the job name the same types.
    return outcome(await Promise.race([task.run(given, proxy(report)), held.death, outOfPatience])) as Output;
  } finally {
    over = true;
    done();
  }
}

/** Waits for one of the places at which jobs run. @throws Cancelled while it waits. */
export async function inASlot<T>(
  signal: AbortSignal | undefined,
  work: () => Promise<T>,
  places: Slots = slots,
): Promise<T> {
  heard(signal);
  const leave = await places.take(signal);
  try {
    heard(signal);
    return await work();
  } finally {
    leave();
  }
}

/** Runs a task of a worker of its own to its end. @throws Cancelled, WorkerDied, TaskFailed. */
export function runJob<T>(
  makeWorker: () => JobWorker,
  input: InputOf<T>,
  options: JobOptions = {},
): Promise<OutputOf<T>> {
  return inASlot(options.signal, async () => {
    const held = hold(makeWorker());
    try {
      return await runOn<OutputOf<T>>(held, input, options);
    } finally {
      held.end();
    }
  });
}

/** What goes between a page and a worker: a task's input and answer by their own types, buffers handed over and not copied,
 *  reports on the way, and errors that keep their code. */
import type { Work } from '../core/work.ts';

export type Progress = { doing: string; share: number };

/** What a task is given beside its input. */
export type Context = Work & {
  /** Lets messages in between two parts of the work: a cancel is noticed here. @throws Cancelled */
  pause: () => Promise<void>;
  /** Goes with the answer without being copied; the worker has it no more. */
  handOver: (...buffers: ArrayBuffer[]) => void;
};

/** The algorithm: it does not know that it runs in a worker. */
export type Task<Input, Output> = (input: Input, context: Context) => Promise<Output>;
export type InputOf<T> = T extends (input: infer Input, context: Context) => Promise<unknown> ? Input : never;
export type OutputOf<T> = T extends (...given: never[]) => Promise<infer Output> ? Output : never;

export type Answer<Output> =
  | { end: 'done'; output: Output }
  | { end: 'cancelled' }
  | { end: 'failed'; name: string; message: string; code: string | null };

/** What a worker exposes. */
export type Served = {
  run: (input: unknown, report: (progress: Progress) => void) => Promise<Answer<unknown>>;
  cancel: () => void;
};

/** A task's own error as it comes out on the other side. */
export class TaskFailed extends Error {
  readonly code: string | null;
  constructor(name: string, message: string, code: string | null) {
    super(message);
    this.name = name;
    this.code = code;
  }
}

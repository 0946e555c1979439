/** Presses of this tab: the same press, made again while what it does is being kept or a moment after, is the same press
 *  and gets the same answer. Every write goes through here. */
import { canonicalJson } from '../formats/canonicalJson.ts';
import { createListeners } from '../core/listeners.ts';
import { pressedBy, type Writer } from '../storage/writer.ts';

export type Presses = {
  /** @param what tells one press from another: what would be written, in any form. */
  run: <T>(what: unknown, work: (w: Writer) => Promise<T>) => Promise<T>;
  /** True while something is being kept, and the moment after in which the same press would be the same one. */
  busy: () => boolean;
  subscribe: (listener: () => void) => () => void;
};

/** The second click of a double click comes within this. */
const SAME_PRESS_MS = 500;

/** @param later calls back after so many ms. */
export function createPresses(
  writer: Writer,
  elapsedMs: () => number,
  later: (callback: () => void, ms: number) => void,
): Presses {
  const known = new Map<string, { answer: Promise<unknown>; keptMs: number | null }>();
  const { tell, subscribe } = createListeners();
  const forgetOld = (): void => {
    for (const [key, { keptMs }] of known) {
      if (keptMs !== null && elapsedMs() - keptMs > SAME_PRESS_MS) known.delete(key);
    }
  };
  return {
    run: <T>(what: unknown, work: (w: Writer) => Promise<T>): Promise<T> => {
      forgetOld();
      const key = canonicalJson(what);
      const before = known.get(key);
      // A key holds what one press does, so its answer is of that press's type.
      if (before) return before.answer as Promise<T>;
      const answer = work(pressedBy(writer, writer.newId()));
      const entry = { answer: answer as Promise<unknown>, keptMs: null as number | null };
      known.set(key, entry);
      tell();
      const over = (): void => {
        entry.keptMs = elapsedMs();
        later(tell, SAME_PRESS_MS + 1);
      };
      answer.then(over, over);
      return answer;
    },
    busy: () => {
      forgetOld();
      return known.size > 0;
    },
    subscribe,
  };
}

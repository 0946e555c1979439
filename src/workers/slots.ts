/** Places for so many at once; who comes later waits in line. */
import { Cancelled } from '../core/work.ts';

export type Slots = {
  /** @returns what gives the place back. @throws Cancelled while it waits. */
  take: (signal?: AbortSignal) => Promise<() => void>;
};

export function createSlots(count: number): Slots {
  let free = count;
  const line: (() => void)[] = [];
  const give = (): (() => void) => {
    let left = false;
    return () => {
      if (left) return;
      left = true;
      const next = line.shift();
      if (next) next();
      else free += 1;
    };
  };
  return {
    take: (signal) =>
      new Promise((resolve, reject) => {
        if (free > 0) {
          free -= 1;
          resolve(give());
          return;
        }
        const turn = (): void => {
          signal?.removeEventListener('abort', goAway);
          resolve(give());
        };
        const goAway = (): void => {
          line.splice(line.indexOf(turn), 1);
          reject(new Cancelled());
        };
        line.push(turn);
        signal?.addEventListener('abort', goAway, { once: true });
      }),
  };
}

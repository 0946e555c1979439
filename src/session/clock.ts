/** The only clock. `?now=ISO` fixes it for tests and pictures; it then stays fixed for this tab. */

export type Clock = {
  nowMs: () => number;
  /** Counts up steadily, for stopwatches; runs on while the time of day is fixed. */
  elapsedMs: () => number;
  fixed: boolean;
  /** Calls back once a second while it runs; returns the way to stop. */
  subscribe: (listener: () => void) => () => void;
};

const KEY = 'tidy-owl-now';

function fixedTime(search: string, storage: Storage): number | null {
  const asked = new URLSearchParams(search).get('now');
  if (asked !== null) storage.setItem(KEY, asked);
  const text = asked ?? storage.getItem(KEY);
  const parsed = text === null ? Number.NaN : Date.parse(text);
  return Number.isNaN(parsed) ? null : parsed;
}

export function createClock(search: string, storage: Storage): Clock {
  const fixedMs = fixedTime(search, storage);
  return {
    nowMs: () => fixedMs ?? Date.now(),
    elapsedMs: () => performance.now(),
    fixed: fixedMs !== null,
    subscribe: (listener) => {
      if (fixedMs !== null) return () => undefined;
      const timer = setInterval(listener, 1000);
      return () => clearInterval(timer);
    },
  };
}

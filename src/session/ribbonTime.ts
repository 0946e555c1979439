/** The ribbon's time, outside React: live, or scrubbed to a moment. One notification per animation frame. */
import { toUtcText } from '../core/time/utc.ts';
import type { Clock } from './clock.ts';
import { createListeners } from '../core/listeners.ts';

export type RibbonTime = {
  /** The shown moment: the scrubbed one, else now to the second. */
  timeMs: () => number;
  /** The moment that the next frame will show: steps build on it, so that none is lost within a frame. */
  aimMs: () => number;
  isLive: () => boolean;
  scrubTo: (timeMs: number) => void;
  goLive: () => void;
  subscribe: (listener: () => void) => () => void;
  /** The time as an address text to the second, remembered as this tab's own. */
  toAddress: () => string;
  wroteAddress: (text: string) => boolean;
};

/** Asked any number of times within a frame, does the work once. */
function oncePerFrame(frame: (callback: () => void) => void, work: () => void): () => void {
  let pending = false;
  return () => {
    if (pending) return;
    pending = true;
    frame(() => {
      pending = false;
      work();
    });
  };
}

export function createRibbonTime(clock: Clock, frame: (callback: () => void) => void): RibbonTime {
  let scrubbedMs: number | null = null;
  let shownMs = clock.nowMs();
  const { subscribe, tell } = createListeners();
  const written = new Set<string>();
  const schedule = oncePerFrame(frame, () => {
    shownMs = scrubbedMs ?? clock.nowMs();
    tell();
  });
  clock.subscribe(() => {
    if (scrubbedMs === null) schedule();
  });
  return {
    timeMs: () => shownMs,
    aimMs: () => scrubbedMs ?? clock.nowMs(),
    isLive: () => scrubbedMs === null,
    scrubTo: (timeMs) => {
      scrubbedMs = timeMs;
      schedule();
    },
    goLive: () => {
      scrubbedMs = null;
      schedule();
    },
    toAddress: () => {
      const text = toUtcText(Math.round((scrubbedMs ?? clock.nowMs()) / 1000) * 1000);
      written.add(text);
      return text;
    },
    wroteAddress: (text) => written.has(text),
    subscribe,
  };
}

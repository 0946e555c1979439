/** Subs that follow each other on one side of the mount, with breaks after every so many: to refocus, to dither, to set
 *  a platform back. */
export type Break = { every: number; ms: number };
export type Cadence = {
  subMs: number;
  /** From a sub's start to the next one's. */
  stepMs: number;
  /** What is added to the pause after every so many subs. */
  refocus: Break | null;
  dither: Break | null;
  reset: Break | null;
};
/** In which somebody, or the camera, has something to do. */
export type SubBreak = { startMs: number; endMs: number; why: 'refocus' | 'reset' };

const breaksBefore = (one: Break | null, index: number): number =>
  one === null ? 0 : Math.floor(index / one.every) * one.ms;

/** When the sub of an index starts, from 0 on. */
export function subStartMs({ stepMs, refocus, dither, reset }: Cadence, fromMs: number, index: number): number {
  const breaksMs = breaksBefore(refocus, index) + breaksBefore(dither, index) + breaksBefore(reset, index);
  return fromMs + index * stepMs + breaksMs;
}

/** How many subs fit between two moments, the first starting at once: none needs its pause behind it. */
export function subsThatFit(cadence: Cadence, fromMs: number, toMs: number, most = Number.POSITIVE_INFINITY): number {
  const spareMs = toMs - fromMs - cadence.subMs;
  if (!(spareMs >= 0) || most < 1) return 0;
  // The last index whose start leaves room; without breaks as many as the steps allow.
  let [low, high] = [0, Math.floor(spareMs / cadence.stepMs)];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (subStartMs(cadence, 0, middle) <= spareMs) low = middle;
    else high = middle - 1;
  }
  return Math.min(most, low + 1);
}

/** The breaks that are seen, among the first so many subs, in order of time; where both fall together the platform names it. */
export function breaksAmong(cadence: Cadence, fromMs: number, count: number): SubBreak[] {
  const { refocus, reset, subMs } = cadence;
  const due = (one: Break | null, index: number): boolean => one !== null && index % one.every === 0;
  const breaks: SubBreak[] = [];
  for (let next = 1; next < count; next++) {
    const why = due(reset, next) ? 'reset' : due(refocus, next) ? 'refocus' : null;
    if (why === null) continue;
    breaks.push({
      startMs: subStartMs(cadence, fromMs, next - 1) + subMs,
      endMs: subStartMs(cadence, fromMs, next),
      why,
    });
  }
  return breaks;
}

/** After so many subs all breaks fall as they did before. */
export function roundOf({ refocus, dither, reset }: Cadence): number {
  const common = (x: number, y: number): number => (y === 0 ? x : common(y, x % y));
  const together = (a: number, b: number): number => (a * b) / common(a, b);
  return [refocus, dither, reset].reduce((round, one) => together(round, one?.every ?? 1), 1);
}

/** Subs that follow each other on one side of the mount, with breaks after every so many: to refocus, to dither. */
export type Break = { every: number; ms: number };
export type Cadence = {
  subMs: number;
  /** From a sub's start to the next one's. */
  stepMs: number;
  /** What is added to the pause after every so many subs. */
  refocus: Break | null;
  dither: Break | null;
};

const breaksBefore = (one: Break | null, index: number): number =>
  one === null ? 0 : Math.floor(index / one.every) * one.ms;

/** When the sub of an index starts, from 0 on. */
export function subStartMs({ stepMs, refocus, dither }: Cadence, fromMs: number, index: number): number {
  return fromMs + index * stepMs + breaksBefore(refocus, index) + breaksBefore(dither, index);
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

/** The refocus breaks among the first so many subs. */
export function refocusBreaks(cadence: Cadence, fromMs: number, count: number): { startMs: number; endMs: number }[] {
  const { refocus, subMs } = cadence;
  if (refocus === null || count < 1) return [];
  return Array.from({ length: Math.floor((count - 1) / refocus.every) }, (_, i) => {
    const next = (i + 1) * refocus.every;
    return { startMs: subStartMs(cadence, fromMs, next - 1) + subMs, endMs: subStartMs(cadence, fromMs, next) };
  });
}

/** After so many subs all breaks fall as they did before. */
export function roundOf({ refocus, dither }: Cadence): number {
  const [a, b] = [refocus?.every ?? 1, dither?.every ?? 1];
  const common = (x: number, y: number): number => (y === 0 ? x : common(y, x % y));
  return (a * b) / common(a, b);
}

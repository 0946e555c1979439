/** Subs that follow each other on one side of the mount, with a break to refocus after every so many. */
export type Cadence = {
  subMs: number;
  /** From a sub's start to the next one's. */
  stepMs: number;
  /** Subs between two refocus breaks; Infinity = none. */
  subsPerFocus: number;
  /** What a refocus adds to the pause. */
  focusMs: number;
};

/** How many subs fit between two moments, the first starting at once: none needs its pause behind it. */
export function subsThatFit(
  { subMs, stepMs, subsPerFocus, focusMs }: Cadence,
  fromMs: number,
  toMs: number,
  most = Number.POSITIVE_INFINITY,
): number {
  const spareMs = toMs - fromMs - subMs;
  if (!(spareMs >= 0) || most < 1) return 0;
  if (!Number.isFinite(subsPerFocus)) return Math.min(most, 1 + Math.floor(spareMs / stepMs));
  const periodMs = subsPerFocus * stepMs + focusMs;
  const periods = Math.floor(spareMs / periodMs);
  const inLast = Math.min(subsPerFocus - 1, Math.floor((spareMs - periods * periodMs) / stepMs));
  return Math.min(most, 1 + periods * subsPerFocus + inLast);
}

/** When the sub of an index starts, from 0 on. */
export function subStartMs({ stepMs, subsPerFocus, focusMs }: Cadence, fromMs: number, index: number): number {
  const breaks = Number.isFinite(subsPerFocus) ? Math.floor(index / subsPerFocus) : 0;
  return fromMs + index * stepMs + breaks * focusMs;
}

/** The breaks among the first so many subs. */
export function focusBreaks(cadence: Cadence, fromMs: number, count: number): { startMs: number; endMs: number }[] {
  const { subsPerFocus, subMs } = cadence;
  if (!Number.isFinite(subsPerFocus) || count < 1) return [];
  return Array.from({ length: Math.floor((count - 1) / subsPerFocus) }, (_, i) => {
    const next = (i + 1) * subsPerFocus;
    return { startMs: subStartMs(cadence, fromMs, next - 1) + subMs, endMs: subStartMs(cadence, fromMs, next) };
  });
}

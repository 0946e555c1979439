/** How long something took, by a time of day that may have been set in between. */

/** The time of day jumped: where it would have stood, and where it stood. A jump forward may be a sleep of the device. */
export type ClockMove = { fromMs: number; toMs: number };
/** `moved`: nobody can tell how long; by how much the clock stands otherwise. */
export type Elapsed = { code: 'known'; ms: number } | { code: 'moved'; byMs: number };

/** Differences up to here are a clock that is kept right by a network. */
const SLIGHT_MS = 5000;

/** What is timed here takes no longer: so long after a move what may have begun before it is taken to have. */
const LONGEST_MS = 30 * 60_000;

/** A clock that went back shows the same times twice: what was noted at one of them may have been before or after. */
function wasBefore({ fromMs, toMs }: ClockMove, agoMs: number, sinceMs: number, nowMs: number): boolean {
  if (sinceMs > fromMs + SLIGHT_MS) return false;
  const isSure = sinceMs > nowMs + SLIGHT_MS || sinceMs < toMs - SLIGHT_MS;
  return isSure || agoMs < LONGEST_MS;
}

/** Of what takes half an hour at most.  @param moves those that this device saw, in their order. */
export function elapsedSince(sinceMs: number, nowMs: number, moves: readonly ClockMove[]): Elapsed {
  const setMs = (some: readonly ClockMove[]): number => some.reduce((sum, m) => sum + m.toMs - m.fromMs, 0);
  /** How long ago a move was, whatever was set after it. */
  const agoMs = (k: number): number => nowMs - (moves[k]?.toMs ?? nowMs) - setMs(moves.slice(k + 1));
  const since = moves.filter((m, k) => wasBefore(m, agoMs(k), sinceMs, nowMs));
  if (since.length > 0) return { code: 'moved', byMs: setMs(since) };
  const ms = nowMs - sinceMs;
  // Set back while no page was open: nobody saw it.
  return ms < -SLIGHT_MS ? { code: 'moved', byMs: ms } : { code: 'known', ms: Math.max(0, ms) };
}

/** A look at both clocks: the time of day and one that counts steadily. */
export type ClockLook = { wallMs: number; steadyMs: number };

/** What happened to the time of day between two looks of one page; null = it went on. */
export function moveBetween(before: ClockLook, now: ClockLook): ClockMove | null {
  const fromMs = before.wallMs + now.steadyMs - before.steadyMs;
  return Math.abs(now.wallMs - fromMs) > SLIGHT_MS ? { fromMs, toMs: now.wallMs } : null;
}

/** Over a reload time passes unseen: only a step back is told. */
export const moveOverReload = (lastMs: number, nowMs: number): ClockMove | null =>
  nowMs < lastMs - SLIGHT_MS ? { fromMs: lastMs, toMs: nowMs } : null;

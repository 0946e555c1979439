/** How long something took, by a time of day that may have been set in between. */

/** The time of day jumped: where it would have stood, and where it stood. A jump forward may be a sleep of the device. */
export type ClockMove = { fromMs: number; toMs: number };
/** `moved`: nobody can tell how long; by how much the clock stands otherwise. */
export type Elapsed = { code: 'known'; ms: number } | { code: 'moved'; byMs: number };

/** Differences up to here are a clock that is kept right by a network. */
const SLIGHT_MS = 5000;

/** A time that was noted before a move can lie on either side of where the clock was set to: where it may have been noted
 *  before, it is taken to have been.
 *  @param moves those that this device saw. */
export function elapsedSince(sinceMs: number, nowMs: number, moves: readonly ClockMove[]): Elapsed {
  const since = moves.filter((m) => sinceMs <= m.fromMs + SLIGHT_MS);
  if (since.length > 0) return { code: 'moved', byMs: since.reduce((sum, m) => sum + m.toMs - m.fromMs, 0) };
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

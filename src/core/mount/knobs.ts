/** Turns of a mount's own altitude bolt and azimuth knobs: what a turn does, by geometry or learned, and what to turn.
 *  Errors are signed like the axis error: altitude + too high, azimuth + too far east, as an angle in azimuth. */
import { DEG_PER_RAD } from '../math/angles.ts';
import { median, SIGMA_PER_MEDIAN_DISTANCE } from '../math/statistics.ts';
import { requirePositive } from '../result.ts';

/** What one turn of a screw does, arcmin: atan(pitch / lever). 1 mm on 60 mm: 57.3'. */
export function arcminPerTurn(pitchMm: number, leverMm: number): number {
  requirePositive('pitchMm', pitchMm);
  requirePositive('leverMm', leverMm);
  return Math.atan(pitchMm / leverMm) * DEG_PER_RAD * 60;
}

export type ClockwiseMoves = 'up' | 'down' | 'east' | 'west';

/** +1 when a clockwise turn lets the error grow, -1 when it lets it fall. */
export function senseOf(clockwiseMoves: ClockwiseMoves): 1 | -1 {
  return clockwiseMoves === 'up' || clockwiseMoves === 'east' ? 1 : -1;
}

/** Turn needed to change an error by so much: turns = fraction * |change| / |gain| + dead band, none for no change.
 *  @param gainArcminPerTurn signed, per clockwise turn. */
export function turnsFor(
  changeArcmin: number,
  { gainArcminPerTurn, deadTurns }: { gainArcminPerTurn: number; deadTurns: number },
  fraction = 1,
): { turns: number; clockwise: boolean } {
  const turns = (fraction * Math.abs(changeArcmin)) / Math.abs(gainArcminPerTurn);
  return { turns: turns === 0 ? 0 : turns + deadTurns, clockwise: changeArcmin * gainArcminPerTurn >= 0 };
}

/** One turn that was logged: signed, clockwise +; the error before and after. */
export type LoggedTurn = {
  turns: number;
  beforeArcmin: number;
  afterArcmin: number;
  /** The adjuster was locked, or turned the other way, since the turn before: then the whole dead band is lost. */
  afterLockOrReversal: boolean;
};

export type LearnedKnob = {
  /** Arcmin of error per clockwise turn. */
  gainArcminPerTurn: number;
  deadTurns: number;
  records: number;
  /** Middle distance of single records from the fit, as a share of the gain. */
  spread: number;
  /** Places in the log, from 0, of records that do not fit the others: a false count, side or measurement. */
  outliers: number[];
};

/** Records from which a fit counts as learned, and its largest spread. */
const ENOUGH_RECORDS = 4;
const LARGEST_SPREAD = 0.15;
/** A record this many robust standard deviations off the fit is false; none counts that lies as near as two
 *  measurements of an error agree. */
const FALSE_DEVIATIONS = 5;
const AGREEMENT_ARCMIN = 1.5;
/** Two turns must differ by this to tell the gain between them. */
const TELLING_TURNS = 0.02;

export function isLearned(knob: LearnedKnob | null): boolean {
  return knob !== null && knob.records >= ENOUGH_RECORDS && knob.spread <= LARGEST_SPREAD;
}

type Point = { at: number; size: number; change: number; locked: boolean };

/** Slopes between all pairs of one kind, and from the origin for turns that lose no dead band. */
function slopesOf(points: readonly Point[]): number[] {
  const slopes = points.filter((p) => !p.locked && p.size >= TELLING_TURNS).map((p) => p.change / p.size);
  points.forEach((a, i) => {
    for (const b of points.slice(i + 1)) {
      const apart = b.size - a.size;
      if (a.locked && b.locked && Math.abs(apart) >= TELLING_TURNS) slopes.push((b.change - a.change) / apart);
    }
  });
  return slopes;
}

/** Told only where enough records show what is usual. */
function falseRecords(points: readonly Point[], missesArcmin: readonly number[]): number[] {
  if (points.length < ENOUGH_RECORDS) return [];
  const sigma = SIGMA_PER_MEDIAN_DISTANCE * (median(missesArcmin) ?? 0);
  const limit = Math.max(FALSE_DEVIATIONS * sigma, AGREEMENT_ARCMIN);
  return points.filter((_, i) => (missesArcmin[i] ?? 0) > limit).map((p) => p.at);
}

/** Gain and dead band from logged turns, robust against single false records. Model: after - before = gain * sign(turns)
 *  * max(0, |turns| - dead), the dead band lost only after a lock or a reversal. Median of the slopes between pairs
 *  (Theil 1950, Sen 1968), then the median of the intercepts; false records by their distance from the fit over the
 *  median distance. Null when no two records tell a slope. */
export function learnKnob(log: readonly LoggedTurn[]): LearnedKnob | null {
  const points = log
    .map((r, at) => ({
      at,
      size: Math.abs(r.turns),
      change: Math.sign(r.turns) * (r.afterArcmin - r.beforeArcmin),
      locked: r.afterLockOrReversal,
    }))
    .filter((p) => p.size >= TELLING_TURNS);
  const gain = median(slopesOf(points));
  if (gain === null || gain === 0) return null;
  const deads = points.filter((p) => p.locked).map((p) => p.size - p.change / gain);
  const deadTurns = Math.max(0, median(deads) ?? 0);
  const effective = (p: Point): number => Math.max(0, p.size - (p.locked ? deadTurns : 0));
  const shares = points.map((p) => Math.abs(p.change / Math.max(TELLING_TURNS, effective(p)) / gain - 1));
  const missesArcmin = points.map((p) => Math.abs(p.change - gain * effective(p)));
  return {
    gainArcminPerTurn: gain,
    deadTurns,
    records: points.length,
    spread: median(shares) ?? 0,
    outliers: falseRecords(points, missesArcmin),
  };
}

export type LockShift = { altArcmin: number; azArcmin: number };
export type LearnedLockShift = LockShift & { records: number; learned: boolean };

/** Shifts further apart than this do not repeat. */
const LARGEST_SHIFT_SPREAD_ARCMIN = 0.7;

/** What tightening does to this mount: the middle of its records; "learned" from four on that lie close together. */
export function learnLockShift(shifts: readonly LockShift[]): LearnedLockShift | null {
  const alt = median(shifts.map((s) => s.altArcmin));
  const az = median(shifts.map((s) => s.azArcmin));
  if (alt === null || az === null) return null;
  const spread = Math.max(
    median(shifts.map((s) => Math.abs(s.altArcmin - alt))) ?? 0,
    median(shifts.map((s) => Math.abs(s.azArcmin - az))) ?? 0,
  );
  const learned = shifts.length >= ENOUGH_RECORDS && spread <= LARGEST_SHIFT_SPREAD_ARCMIN;
  return { altArcmin: alt, azArcmin: az, records: shifts.length, learned };
}

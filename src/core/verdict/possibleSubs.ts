/** The subs that may come of one length under one drive: where in its turn the drive stands and which way the axis is off
 *  are drawn evenly over all that is possible. Nothing here depends on the hour, so it is made once per night. */
import { MOST_DIMENSIONS, spreadPoints } from '../math/lowDiscrepancy.ts';
import { oncePerKey } from '../once.ts';
import { requirePositive, requireRange } from '../result.ts';
import { curveWindows } from '../tracking/curveWindows.ts';
import { wavePaths, type Sinusoid } from '../tracking/periodicError.ts';
import type { Drive } from './plannedSub.ts';

/** Fewer miss the tails where three phases are free. */
const MEMBERS = 2048;

export type PossibleSubs = {
  readonly count: number;
  /** How much of the drive is left to chance: phases, or one start of all of them, and the window of a curve. */
  readonly free: number;
  readonly exposureS: number;
  /** Variance of time within the exposure, s^2. */
  readonly timeVariance: number;
  /** Per member: variance of the drive's wobble at the axis (arcsec^2) and its covariance with time (arcsec s). */
  readonly wobbleVariance: Float64Array;
  readonly wobbleWithTime: Float64Array;
  /** Per member: which way an axis and a sag lie whose direction nobody knows, and how far off each is where it is doubted, both
   *  ways in its own sigmas. */
  readonly axis: Drawn;
  readonly flexure: Drawn;
};
type Pairs = { readonly x: Float64Array; readonly y: Float64Array };
export type Drawn = { readonly direction: Pairs; readonly normal: Pairs };

const TURN = 2 * Math.PI;

/** Known phases of all waves hold them together: one random start moves them all. */
function isLocked(sinusoids: readonly Sinusoid[]): boolean {
  return sinusoids.length > 0 && sinusoids.every((s) => s.phaseDeg !== null);
}

/** Phase of a wave of a member at mid-exposure, radians. @param starts coordinates in [0, 1): of one start when the waves
 *  are locked, else of each phase. */
function phasesOf(sinusoids: readonly Sinusoid[], exposureS: number, starts: readonly Float64Array[]) {
  const longestS = Math.max(...sinusoids.map((s) => s.periodS));
  const locked = isLocked(sinusoids);
  return (member: number, wave: number): number => {
    const { periodS, phaseDeg } = sinusoids[wave] as Sinusoid;
    const at = starts[locked ? 0 : wave]?.[member] ?? 0;
    return TURN * (locked ? (phaseDeg ?? 0) / 360 + (at * longestS + exposureS / 2) / periodS : at);
  };
}

const NO_POINTS = new Float64Array();
const directions = (turns: Float64Array): Pairs => ({
  x: turns.map((at) => Math.cos(TURN * at)),
  y: turns.map((at) => Math.sin(TURN * at)),
});

/** Two independent normal deviates of each point. Source: Box and Muller 1958. */
function normals(sizes: Float64Array, turns: Float64Array): Pairs {
  const { x, y } = directions(turns);
  const far = sizes.map((at) => Math.sqrt(-2 * Math.log(1 - at)));
  return { x: x.map((v, i) => v * (far[i] ?? 0)), y: y.map((v, i) => v * (far[i] ?? 0)) };
}

const POINTS = spreadPoints(MOST_DIMENSIONS, MEMBERS);
const [AXIS = NO_POINTS, FLEXURE = NO_POINTS, WINDOWS = NO_POINTS] = POINTS;
const STARTS = POINTS.slice(3, -2);
const [DOUBT_SIZE = NO_POINTS, DOUBT_TURN = NO_POINTS] = POINTS.slice(-2);
const NORMAL = normals(DOUBT_SIZE, DOUBT_TURN);
const AXIS_DRAWN: Drawn = { direction: directions(AXIS), normal: NORMAL };
/** A sag counts only where a guider is at work, which leaves the drive nothing to chance. */
const [SAG_SIZE = NO_POINTS, SAG_TURN = NO_POINTS] = STARTS;
const FLEXURE_DRAWN: Drawn = { direction: directions(FLEXURE), normal: normals(SAG_SIZE, SAG_TURN) };
/** So many waves may have phases of their own. */
export const MOST_FREE_WAVES = STARTS.length;

/** Shared by all drives that stand still: slid over lengths, a store of zeros for each would grow. */
const NO_WOBBLE = new Float64Array(MEMBERS);

/** Every member's variance and covariance with time. */
function wobbleOf({ sinusoids, curve }: Drive, exposureS: number): [Float64Array, Float64Array] {
  const pathOf = wavePaths(sinusoids, exposureS);
  const windows = curve && curveWindows(curve, sinusoids, exposureS);
  const phaseRad = phasesOf(sinusoids, exposureS, STARTS);
  const [variance, withTime] = [new Float64Array(MEMBERS), new Float64Array(MEMBERS)];
  for (let member = 0; member < MEMBERS; member += 1) {
    const phases = (wave: number): number => phaseRad(member, wave);
    const waves = pathOf(phases);
    const path = windows ? windows.momentsAt(WINDOWS[member] ?? 0, phases, waves) : waves;
    variance[member] = path.variance;
    withTime[member] = path.withTime;
  }
  return [variance, withTime];
}

/** The same drive and length give the same subs.
 *  @param exposureS length of every sub, > 0.
 *  @throws RangeError for more waves without known phases than can be drawn. */
export const possibleSubs = oncePerKey((drive: Drive, exposureS: number): PossibleSubs => {
  requirePositive('exposureS', exposureS);
  const { sinusoids, curve } = drive;
  if (!isLocked(sinusoids)) requireRange('sinusoids.length', sinusoids.length, 0, MOST_FREE_WAVES);
  const [wobbleVariance, wobbleWithTime] =
    curve || sinusoids.length > 0 ? wobbleOf(drive, exposureS) : [NO_WOBBLE, NO_WOBBLE];
  return {
    count: MEMBERS,
    free: (isLocked(sinusoids) ? 1 : sinusoids.length) + (curve ? 1 : 0),
    exposureS,
    timeVariance: exposureS ** 2 / 12,
    wobbleVariance,
    wobbleWithTime,
    axis: AXIS_DRAWN,
    flexure: FLEXURE_DRAWN,
  };
});

/** How good is good enough: the polar error that still keeps stars round, with everything else that moves them left out.
 *  What widens them evenly stays: a star that the air makes wide forgives more. */
import { quantileInPlace } from '../math/quantile.ts';
import { ASSUMED, DEFAULT_STRETCH_LIMITS, type StretchLimits } from './assumptions.ts';
import { possibleSubsOf, WANTED_SHARE } from './budget.ts';
import { lengthsOf } from './ensemble.ts';
import { evenVariance } from './evenWidth.ts';
import { motionsOf, STRETCH_ITEMS, without } from './motions.ts';
import type { PlannedSub } from './plannedSub.ts';

/** The scale ends here: any error. */
export const ANY_ERROR_ARCMIN = 60;
/** With a camera no more than this is left, whatever the stars say: a guider would chase, or the framing wander, more than
 *  2.6 arcsec a minute. */
const MOST_LEFT_ARCMIN = 10;
/** For looking only: what drifts by 15 degrees an hour about an axis off by this leaves the middle of the view by 12 arcmin an
 *  hour at most. The north pole's star itself stands nearer to the pole until 2100. */
const VISUAL_ARCMIN = 45;
/** Finer than this no knob is turned by hand. */
const FINEST_GOAL_ARCMIN = 0.5;

export type PolarGoal = {
  /** Largest errors that keep the star round at the centre and in the worst corner, at most 60. */
  centreArcmin: number;
  cornerArcmin: number;
  /** What is aimed at: the smaller of both, between half an arcmin and ten. */
  goalArcmin: number;
  /** Setting the pole by eye is enough. */
  byEyeIsEnough: boolean;
};

/** By the error alone the star's added spread grows with its square, so the error that fills the limit follows from that
 *  of one arcmin. */
function errorFilling(limitArcsec2: number, spreadOfOneArcmin: number): number {
  return Math.min(ANY_ERROR_ARCMIN, Math.sqrt(limitArcsec2 / spreadOfOneArcmin));
}

/** The error at which nine in ten subs are just round by the pole alone, in whatever direction it lies. */
export function polarGoal(sub: PlannedSub, limits: StretchLimits = DEFAULT_STRETCH_LIMITS): PolarGoal {
  const others = STRETCH_ITEMS.filter((item) => item !== 'polar');
  const one = without(motionsOf({ ...sub, polar: { known: 'size', errorArcmin: 1 } }), others);
  const { worst, centre } = lengthsOf(one, possibleSubsOf(sub));
  const room = evenVariance(sub) * (limits.round ** 2 - 1);
  const centreArcmin = errorFilling(room, quantileInPlace(centre, WANTED_SHARE));
  const cornerArcmin = errorFilling(room, quantileInPlace(worst, WANTED_SHARE));
  const goalArcmin = Math.min(MOST_LEFT_ARCMIN, Math.max(FINEST_GOAL_ARCMIN, cornerArcmin));
  return { centreArcmin, cornerArcmin, goalArcmin, byEyeIsEnough: goalArcmin >= ASSUMED.polarErrorByEyeArcmin };
}

/** Without a camera only the target has to stay in the eyepiece. */
export const VISUAL_GOAL: PolarGoal = {
  centreArcmin: ANY_ERROR_ARCMIN,
  cornerArcmin: ANY_ERROR_ARCMIN,
  goalArcmin: VISUAL_ARCMIN,
  byEyeIsEnough: true,
};

/** How good is good enough: the polar error that still keeps stars round, with everything else that stretches them left
 *  out. What widens them evenly stays: a star that the air makes wide forgives more. */
import { ASSUMED, DEFAULT_RATIO_LIMITS, type RatioLimits } from './assumptions.ts';
import { roundnessBudget, type Budget } from './budget.ts';
import type { BudgetInput, Tracking } from './contributions.ts';

/** The search ends here: any error. */
export const ANY_ERROR_ARCMIN = 60;
/** With a camera no more than this is left, whatever the stars say: a guider would chase, or the framing wander, more than
 *  2.6 arcsec a minute. For looking only, half a degree keeps the object in the eyepiece. */
const MOST_LEFT_ARCMIN = 10;
const VISUAL_ARCMIN = 30;
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

function onlyPolar(tracking: Tracking): Tracking {
  return tracking.guided
    ? { ...tracking, rmsRaArcsec: 0, rmsDecArcsec: 0, flexureArcsecPerMin: 0 }
    : { ...tracking, sinusoids: [], curve: null, raRateAxisArcsecPerMin: 0, refraction: null };
}

/** Bisection: the ratio grows with the error. */
function largestError(isRound: (errorArcmin: number) => boolean): number {
  if (isRound(ANY_ERROR_ARCMIN)) return ANY_ERROR_ARCMIN;
  let [good, bad] = [0, ANY_ERROR_ARCMIN];
  for (let i = 0; i < 16; i += 1) {
    const middle = (good + bad) / 2;
    if (isRound(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

export function polarGoal(input: BudgetInput, limits: RatioLimits = DEFAULT_RATIO_LIMITS): PolarGoal {
  const alone = { ...input, spacing: null, tracking: onlyPolar(input.tracking) };
  const within = (ratioOf: (b: Budget) => number) =>
    largestError(
      (errorArcmin) => ratioOf(roundnessBudget({ ...alone, polar: { known: 'size', errorArcmin } })) < limits.round,
    );
  const centreArcmin = within((b) => b.centreRatio);
  const cornerArcmin = within((b) => b.worstRatio);
  const round = Math.min(centreArcmin, cornerArcmin);
  const goalArcmin = Math.min(MOST_LEFT_ARCMIN, Math.max(FINEST_GOAL_ARCMIN, round));
  return { centreArcmin, cornerArcmin, goalArcmin, byEyeIsEnough: goalArcmin >= ASSUMED.polarErrorByEyeArcmin };
}

/** Without a camera only the target has to stay in the eyepiece. */
export const VISUAL_GOAL: PolarGoal = {
  centreArcmin: ANY_ERROR_ARCMIN,
  cornerArcmin: ANY_ERROR_ARCMIN,
  goalArcmin: VISUAL_ARCMIN,
  byEyeIsEnough: true,
};

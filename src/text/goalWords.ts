/** How near the pole is near enough tonight, and why. */
import { ASSUMED } from '../core/verdict/assumptions.ts';
import type { Format } from './format.ts';

export type GoalSaying = {
  goalArcmin: number;
  centreArcmin: number;
  cornerArcmin: number;
  byEyeIsEnough: boolean;
  visual: boolean;
  guided: boolean;
  reference: 'true' | 'refracted';
};

/** Errors at the end of the scale are any error. */
const ANY_ARCMIN = 59;
const size = (arcmin: number, f: Format): string =>
  arcmin >= ANY_ARCMIN ? 'any error' : f.quantity(arcmin, 'arcmin', arcmin < 10 ? 1 : 0);

const byEye = (f: Format): string => f.quantity(ASSUMED.polarErrorByEyeArcmin, 'arcmin', 0);

/** @param isEnough an eye looks, and the pole's star is plain to see. */
export const withStarEnough = (reason: string, isEnough: boolean): string =>
  isEnough ? `${reason} For looking, the axis at the star itself is enough.` : reason;

/** `Goal: 4.2′ from the refracted pole.` */
export function goalName(goal: GoalSaying, f: Format): string {
  return `${f.quantity(goal.goalArcmin, 'arcmin', goal.goalArcmin < 10 ? 1 : 0)} from the ${goal.reference} pole`;
}

/** Centre and corner, and whether to stop early. */
export function goalWords(goal: GoalSaying, f: Format): string {
  if (goal.visual)
    return `For looking only, an axis within ${size(goal.goalArcmin, f)} keeps the object in the eyepiece for an hour: stop early.`;
  const places = `Round at the centre up to ${size(goal.centreArcmin, f)}, in the corners up to ${size(goal.cornerArcmin, f)}, by the pole alone.`;
  if (!goal.byEyeIsEnough) return places;
  const why = goal.guided ? 'the guider chases' : 'the framing wanders';
  return `${places} Setting by eye (about ${byEye(f)}) is enough: stop early. Beyond ${f.quantity(goal.goalArcmin, 'arcmin', 0)} ${why} more than it should.`;
}

/** One sentence on why it is this pole. */
export function referenceWords({ reference, guided }: GoalSaying): string {
  if (guided) return `Guided, either pole will do; all ways here aim at the ${reference} one.`;
  return reference === 'refracted'
    ? 'Unguided, stars drift least about the pole as the air lifts it: all ways here aim at it.'
    : 'By your choice all ways here aim at the true pole; unguided, stars drift a little less about the refracted one.';
}

export function setByEyeSaid(isFinal: boolean, goal: GoalSaying, f: Format): string {
  if (isFinal) return 'Checked with everything on: recorded.';
  const left = `About ${byEye(f)} is assumed from now on`;
  return goal.byEyeIsEnough
    ? `Set by eye: recorded. ${left}, enough for tonight.`
    : `Set by eye: recorded. ${left}; the goal is ${f.quantity(goal.goalArcmin, 'arcmin')}.`;
}

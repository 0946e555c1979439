/** The one goal of all methods tonight: how near, and against which pole. */
import { oncePer } from '../../once.ts';
import { polarGoal, VISUAL_GOAL, type PolarGoal } from '../../verdict/polarGoal.ts';
import type { NightStatic } from '../nightStatic.ts';
import { polarStarsStand } from '../../pole/polarStars.ts';
import type { Reference } from '../../pole/poleReference.ts';

export type GoalOfNight = PolarGoal & { reference: Reference; guided: boolean; visual: boolean };

export const goalOfNight = oncePer(({ records, budget }: NightStatic): GoalOfNight => {
  const goal = budget ? polarGoal(budget.sub, records.limits) : VISUAL_GOAL;
  const guided = records.rig.guiding !== 'none';
  return { ...goal, reference: records.schools.poleGoal, guided, visual: budget === null };
});

/** Fainter than this nobody brings a star into the middle by the bare eye. */
const PLAIN_MAGNITUDE = 4;

type PoleStar = { magnitude: number; polarDistanceArcmin: number };

/** For looking the axis may point at the pole's own star: that leaves less than the goal. */
export function starIsEnough(night: NightStatic, { magnitude, polarDistanceArcmin }: PoleStar): boolean {
  const { visual, goalArcmin } = goalOfNight(night);
  return (
    visual &&
    polarStarsStand(night.records.site.latDeg) &&
    magnitude <= PLAIN_MAGNITUDE &&
    polarDistanceArcmin <= goalArcmin
  );
}

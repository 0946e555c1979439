/** The one goal of all methods tonight: how near, and against which pole. */
import { oncePer } from '../../once.ts';
import { polarGoal, VISUAL_GOAL, type PolarGoal } from '../../verdict/polarGoal.ts';
import type { NightStatic } from '../nightStatic.ts';
import type { Reference } from '../../pole/poleReference.ts';

export type GoalOfNight = PolarGoal & { reference: Reference; guided: boolean; visual: boolean };

export const goalOfNight = oncePer(({ records, budget }: NightStatic): GoalOfNight => {
  const goal = budget ? polarGoal(budget.sub, records.limits) : VISUAL_GOAL;
  const guided = records.rig.guiding !== 'none';
  return { ...goal, reference: records.schools.poleGoal, guided, visual: budget === null };
});

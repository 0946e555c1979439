/** The one goal of all methods tonight: how near, and against which pole. */
import { polarGoal, VISUAL_GOAL, type PolarGoal } from '../verdict/polarGoal.ts';
import type { NightStatic } from './nightStatic.ts';
import type { Reference } from './poleOfNight.ts';

export type GoalOfNight = PolarGoal & { reference: Reference; guided: boolean; visual: boolean };

const known = new WeakMap<NightStatic, GoalOfNight>();

export function goalOfNight(night: NightStatic): GoalOfNight {
  const found = known.get(night);
  if (found) return found;
  const { records, budget } = night;
  const goal = budget ? polarGoal(budget.input, records.limits) : VISUAL_GOAL;
  const guided = records.rig.guiding !== 'none';
  const made = { ...goal, reference: records.schools.poleGoal, guided, visual: budget === null };
  known.set(night, made);
  return made;
}

/** Is a better pole worth its minutes, counted in usable subs of what is left of tonight's plan? */
import { median } from '../../math/statistics.ts';
import { firstOf } from '../../firstOf.ts';
import type { PlannedSub } from '../../verdict/plannedSub.ts';
import { ASSUMED } from '../../verdict/assumptions.ts';
import { stretchesOf } from '../../verdict/budget.ts';
import type { NightRecords } from '../nightRecords.ts';
import type { NightStatic } from '../nightStatic.ts';
import { goalOfNight } from '../pole/goalOfNight.ts';
import { poleOfNight } from '../pole/poleOfNight.ts';

export type WorthTheTurn = {
  fromArcmin: number;
  /** The goal. */
  toArcmin: number;
  minutes: number;
  /** Subs that the minutes cost, and usable ones that the better pole brings among the rest. */
  lost: number;
  won: number;
  worth: boolean;
};

const KEPT = 20;

/** What aligning took this user so far, the middle of the last; assumed before that. */
function alignMinutes({ known }: NightRecords): number {
  const polar = firstOf(known.latest('timing'), KEPT).filter((r) => r.values.step === 'polar');
  return median(polar.map((r) => r.values.minutes)) ?? ASSUMED.alignMinutes;
}

/** Subs of which one share is usable now and another after minutes of work. */
export function countWorth(
  left: number,
  subMinutes: number,
  minutes: number,
  shares: { now: number; then: number },
): { lost: number; won: number; worth: boolean } {
  const lost = Math.min(left, Math.ceil(minutes / subMinutes));
  const rest = left - lost;
  return {
    lost,
    won: Math.round(rest * (shares.then - shares.now)),
    worth: rest * shares.then > left * shares.now,
  };
}

/** Null when the pole is within the goal, or nobody measured how far off it is, or nothing is left to take. */
export function worthTheTurn(night: NightStatic, sub: PlannedSub, timeMs: number): WorthTheTurn | null {
  const { records, plan, entry } = night;
  const goal = goalOfNight(night);
  const fromArcmin = poleOfNight(records, goal.reference).totalArcmin;
  if (fromArcmin === null || fromArcmin <= goal.goalArcmin || !plan || !entry) return null;
  const left = plan.subs.filter((s) => s.startMs >= timeMs).length;
  if (left === 0) return null;
  const { limits } = records;
  const shareAt = (one: PlannedSub): number => stretchesOf(one, limits).shareAcceptable;
  const shares = {
    now: shareAt(sub),
    then: shareAt({ ...sub, polar: { known: 'size', errorArcmin: goal.goalArcmin } }),
  };
  const minutes = alignMinutes(records);
  const counted = countWorth(left, (entry.subS + entry.gapS) / 60, minutes, shares);
  return { fromArcmin, toArcmin: goal.goalArcmin, minutes, ...counted };
}

/** The ways of going about the meridian side by side: what each gathers, what it costs, and how near it comes. */
import { oncePer } from '../../once.ts';
import { nearestOfPlan } from './worstPose.ts';
import type { NightStatic } from '../nightStatic.ts';
import { laidOf } from '../life/laid.ts';
import { legsOf, lightOf } from '../life/legs.ts';
import type { FlipStrategy, Plan } from '../plan/plan.ts';

export const STRATEGIES: readonly FlipStrategy[] = [
  'endOfCrossingSub',
  'asLateAsAllowed',
  'asSoonAsAllowed',
  'startAfter',
  'stopAtLimit',
];

export type Choice = {
  strategy: FlipStrategy;
  plan: Plan;
  /** Of the target's hours, what is neither sub nor pause. */
  lostS: number;
  /** The shortest time in hand from a planned flip to the latest moment for it; null without a flip. */
  spareMs: number | null;
  /** The smallest gap of all its subs, with what measured gaps say; null where nothing is known of it. */
  clearanceM: number | null;
};

/** One per strategy; none for mounts that never flip and targets without hours. */
export const strategyChoices = oncePer((night: NightStatic): Choice[] => {
  const { planInput, slot, entry, life, legIndex } = night;
  if (!planInput?.windows || !slot || !entry) return [];
  return STRATEGIES.flatMap((strategy): Choice[] => {
    const plan = laidOf(life, legIndex, { input: { ...planInput, strategy }, subS: entry.subS }, null)?.plan;
    if (!plan) return [];
    const busyS = plan.subs.length * (entry.subS + entry.gapS);
    const spare = plan.flips.filter((f) => !f.done).map((f) => f.latestMs - f.startMs);
    const choice = {
      strategy,
      plan,
      lostS: Math.max(0, (slot.toMs - slot.fromMs) / 1000 - busyS),
      spareMs: spare.length > 0 ? Math.min(...spare) : null,
      clearanceM: nearestOfPlan(night, plan)?.clearance.value ?? null,
    };
    return [choice];
  });
});

export type OtherFirst = {
  target: string;
  nowS: number;
  thenS: number;
  entries: NightStatic['records']['night']['plan'];
};

/** The shown target and its neighbour in the other order: the starts keep their places. Null with one target. */
export const otherFirst = oncePer((night: NightStatic): OtherFirst | null => {
  const { records, legs, legIndex } = night;
  const at = legIndex + 1 < legs.length ? legIndex : legIndex - 1;
  const [a, b] = [records.night.plan[at], records.night.plan[at + 1]];
  const target = legs[at + 1]?.target;
  if (!a || !b || !target) return null;
  const entries = records.night.plan.map((entry, i) => {
    if (i === at) return { ...b, startUtc: a.startUtc };
    return i === at + 1 ? { ...a, startUtc: b.startUtc } : entry;
  });
  return { target: target.name, nowS: lightOf(legs), thenS: lightOf(legsOf(night, entries).legs), entries };
});

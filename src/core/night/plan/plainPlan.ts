/** A plan's entry before anybody chose more than target and length. */
import type { PlanEntry } from '../../records/night.ts';

export const PLAIN_PLAN: Omit<PlanEntry, 'targetId' | 'subS'> = {
  gapS: 5,
  count: null,
  startUtc: null,
  ditherEvery: 0,
  refocusEveryMin: null,
  strategy: 'endOfCrossingSub',
  limitH: null,
};

/** No sub of its rig stays round on it: it is only looked at. */
export const isLookedAt = ({ entry }: { entry: PlanEntry | null }): boolean => entry?.count === 0;

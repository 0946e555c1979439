/** Which share of subs stays usable, against their length: the account of every length, at one hour. */
import { motorsOf } from '../../../mount/motors.ts';
import { oncePer } from '../../../once.ts';
import { stretchesOf, WANTED_SHARE } from '../../../verdict/budget.ts';
import type { PlannedSub } from '../../../verdict/plannedSub.ts';
import type { NightStatic } from '../../nightStatic.ts';
import { budgetBase, plannedSubAt } from '../../account/budgetSources.ts';

/** Subs kept of an hour's. @param share usable ones. @param gapS between two. */
export const keptPerHour = (share: number, exposureS: number, gapS: number): number =>
  (share * 3600) / (exposureS + gapS);

export type UsablePoint = { exposureS: number; share: number };

export type UsableNight = {
  curve: UsablePoint[];
  /** The longest sub of which nine in ten stay usable; null = not even the shortest. */
  longestS: number | null;
  shortestS: number;
};

const POINTS = 40;
const SHORTEST_S = 2;
/** The curve goes on past the planned sub, so that both sides of it can be seen. */
const LEAST_END_S = 60;
const BEYOND_PLAN = 3;

/** Where nothing follows the stars, lengths of a shutter: from a hundredth of a second, each an eighth longer. */
const STILL_S = Array.from({ length: 60 }, (_, i) => 0.01 * 1.125 ** i);

function lengthsTried({ numbers }: NightStatic, plannedS: number): readonly number[] {
  if (motorsOf(numbers.mount) === 'none') return STILL_S;
  const longestS = Math.max(LEAST_END_S, BEYOND_PLAN * plannedS);
  return Array.from({ length: POINTS }, (_, i) => SHORTEST_S + ((longestS - SHORTEST_S) * i) / (POINTS - 1));
}

/** Share of usable subs of a length under the circumstances of a planned one. */
export function shareOfLength(sub: PlannedSub, exposureS: number, { records }: NightStatic): number {
  return stretchesOf({ ...sub, exposureS }, records.limits).shareAcceptable;
}

/** The longest exposure up to which the share never fell below what is wanted; null when even the shortest one is
 *  worse, the curve's end when all are good. */
function longestUsableS(curve: readonly UsablePoint[]): number | null {
  const failing = curve.findIndex((p) => p.share < WANTED_SHARE);
  if (failing === -1) return curve.at(-1)?.exposureS ?? null;
  return failing === 0 ? null : (curve[failing - 1]?.exposureS ?? null);
}

/** @param sub the planned one at the hour that is asked about. */
export function usableOfNight(night: NightStatic, sub: PlannedSub): UsableNight {
  const lengths = lengthsTried(night, sub.exposureS);
  const curve = lengths.map((exposureS) => ({ exposureS, share: shareOfLength(sub, exposureS, night) }));
  return { curve, longestS: longestUsableS(curve), shortestS: lengths[0] ?? SHORTEST_S };
}

/** The same rig and night as if nothing guided. */
const unguidedBase = oncePer(({ records, numbers, targetSky, budget }: NightStatic) =>
  budget
    ? budgetBase(
        { ...records, rig: { ...records.rig, guiding: 'none' } },
        numbers,
        targetSky?.ofDate.decDeg ?? 0,
        budget.sub.exposureS,
      )
    : null,
);

export type Unguided = { sub: PlannedSub; measured: boolean };

/** The planned sub without guiding, and whether the drive was measured; null when the light path is incomplete. */
export function unguidedSub(night: NightStatic, at: { haH: number; altDeg: number }): Unguided | null {
  const base = unguidedBase(night);
  if (!base) return null;
  const sub = plannedSubAt(base, night.records.site.latDeg, at.haH, at.altDeg);
  const measured = base.sources.periodicError?.basis === 'measured';
  return { sub, measured };
}

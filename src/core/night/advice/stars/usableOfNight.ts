/** Which share of subs stays usable, against their length: the account of every length, at one hour. */
import { motorsOf } from '../../../mount/motors.ts';
import { oncePer } from '../../../once.ts';
import { stretchesOf, WANTED_SHARE } from '../../../verdict/budget.ts';
import type { PlannedSub } from '../../../verdict/plannedSub.ts';
import type { NightStatic } from '../../nightStatic.ts';
import { isKnown } from '../../account/sources.ts';
import { budgetBase, plannedSubAt } from '../../account/budgetBase.ts';

/** Subs kept of an hour's. @param share usable ones. @param gapS between two. */
export const keptPerHour = (share: number, exposureS: number, gapS: number): number =>
  (share * 3600) / (exposureS + gapS);

export type UsablePoint = { exposureS: number; share: number };

export type UsableNight = {
  /** The longest sub of which nine in ten stay usable; null = not even the shortest. */
  longestS: number | null;
  shortestS: number;
  /** All lengths that were tried are usable: longer ones may be too. */
  orMore: boolean;
  /** Of all lengths, made when it is drawn. */
  curve: () => UsablePoint[];
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

/** The longest is the last length up to which the share never fell below what is wanted.
 *  @param sub the planned one at the hour that is asked about. */
export function usableOfNight(night: NightStatic, sub: PlannedSub): UsableNight {
  const lengths = lengthsTried(night, sub.exposureS);
  const shares = new Map<number, number>();
  const shareAt = (exposureS: number): number => {
    const share = shares.get(exposureS) ?? shareOfLength(sub, exposureS, night);
    shares.set(exposureS, share);
    return share;
  };
  const failing = lengths.findIndex((exposureS) => shareAt(exposureS) < WANTED_SHARE);
  return {
    longestS: failing === 0 ? null : (lengths.at(failing === -1 ? -1 : failing - 1) ?? null),
    shortestS: lengths[0] ?? SHORTEST_S,
    orMore: failing === -1,
    curve: () => lengths.map((exposureS) => ({ exposureS, share: shareAt(exposureS) })),
  };
}

/** The same rig and night as if nothing guided. */
const unguidedBase = oncePer(({ records, numbers, targetSky, budget }: NightStatic) =>
  budget
    ? budgetBase(
        { ...records, rig: { ...records.rig, guiding: 'none' } },
        numbers,
        targetSky?.ofDate ?? null,
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
  const measured = isKnown(base.sources.periodicError);
  return { sub, measured };
}

/** What the tracking bench shows, as codes and figures. */
import { FIRST_SUB_LIST, firstSubChecks, isTicked, type FirstSubCheck } from '../../core/night/plan/checklists.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { StarsAt } from '../../core/night/nightAt.ts';
import {
  shareOfLength,
  unguidedSub,
  usableOfNight,
  type Unguided,
  type UsableNight,
} from '../../core/night/advice/stars/usableOfNight.ts';
import { latestPer } from '../../core/once.ts';
import { WANTED_SHARE } from '../../core/verdict/budget.ts';
import type { TrackingBasis, TrackingSaying } from '../../text/trackingWords.ts';

export type TrackingModel = {
  saying: TrackingSaying;
  usable: UsableNight | null;
  subS: number;
  basis: TrackingBasis;
};

/** A length is told in steps that people set: whole seconds under a minute, then five. */
export function settable(exposureS: number): number {
  return exposureS < 60 ? Math.floor(exposureS) : Math.floor(exposureS / 5) * 5;
}

const usableAt = latestPer(usableOfNight);
/** Where the target stands is one object for as long as the hour is the same. */
const unguidedAt = latestPer(unguidedSub);

/** The curve without guiding; null for a rig that does not guide. */
export const unguidedUsable = latestPer((night: NightStatic, at: Parameters<typeof unguidedSub>[1]) => {
  const unguided = night.budget?.sub.tracking.guided ? unguidedAt(night, at) : null;
  return unguided && usableOfNight(night, unguided.sub);
});

/** The share at the planned length is the one that the margin tells. */
export function trackingModel(
  night: NightStatic,
  stars: StarsAt | null,
  at: { haH: number; altDeg: number },
): TrackingModel {
  if (!stars || !night.budget) return INCOMPLETE;
  const { sub, budget } = stars;
  const usable = usableAt(night, sub);
  const { guided } = sub.tracking;
  const share = budget.shareAcceptable;
  const saying = (): TrackingSaying => {
    if (share >= WANTED_SHARE) return { code: 'keep', subS: sub.exposureS, share };
    if (usable.longestS === null) return { code: 'none', shortestS: usable.shortestS, guided };
    return { code: 'shorten', subS: sub.exposureS, longestS: settable(usable.longestS) };
  };
  const unguided = guided ? unguidedAt(night, at) : null;
  const basis: TrackingBasis = {
    drive: guided ? driveFrom(unguided) : driveFrom({ sub, measured: isMeasured(night) }),
    share,
    unguidedShare: unguided ? shareOfLength(unguided.sub, sub.exposureS, night) : null,
  };
  return { saying: saying(), usable, subS: sub.exposureS, basis };
}

const isMeasured = ({ budget }: NightStatic): boolean => budget?.sources.periodicError?.basis === 'measured';

function driveFrom(unguided: Unguided | null): TrackingBasis['drive'] {
  if (!unguided?.measured) return 'assumed';
  const { tracking } = unguided.sub;
  return !tracking.guided && tracking.drive.curve ? 'curve' : 'turn';
}

const INCOMPLETE: TrackingModel = {
  saying: { code: 'incomplete' },
  usable: null,
  subS: 0,
  basis: { drive: 'assumed', share: 0, unguidedShare: null },
};

export type CheckModel = { id: FirstSubCheck; done: boolean };

export function checksModel({ records, numbers }: NightStatic): CheckModel[] {
  return firstSubChecks(numbers.mount).map((id) => ({ id, done: isTicked(records.readings, FIRST_SUB_LIST, id) }));
}

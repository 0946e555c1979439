/** What the tracking bench shows, as codes and figures. */
import { FIRST_SUB_LIST, firstSubChecks, isTicked, type FirstSubCheck } from '../../core/night/plan/checklists.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { usableOfNight, WANTED_SHARE, type UsableNight } from '../../core/night/plan/usableOfNight.ts';
import { oncePer } from '../../core/once.ts';
import { shareAt } from '../../core/tracking/usableSubs.ts';
import type { TrackingSaying } from '../../text/trackingWords.ts';

export type TrackingModel = { saying: TrackingSaying; usable: UsableNight | null; share: number; subS: number };

const SUB_WITHOUT_PLAN_S = 60;
/** A length is told in steps that people set: whole seconds under a minute, then five. */
function settable(exposureS: number): number {
  return exposureS < 60 ? Math.floor(exposureS) : Math.floor(exposureS / 5) * 5;
}

const usable = oncePer(usableOfNight);

export function trackingModel(night: NightStatic): TrackingModel {
  const subS = night.entry?.subS ?? SUB_WITHOUT_PLAN_S;
  const found = usable(night);
  if (!found) return { saying: { code: 'incomplete' }, usable: null, share: 0, subS };
  const share = shareAt(found.curve, subS);
  const saying = (): TrackingSaying => {
    if (night.records.rig.guiding !== 'none') return { code: 'guided', subS };
    if (share >= WANTED_SHARE) return { code: 'keep', subS, share };
    if (found.longestS === null) return { code: 'none', shortestS: found.shortestS };
    return { code: 'shorten', subS, longestS: settable(found.longestS) };
  };
  return { saying: saying(), usable: found, share, subS };
}

export type CheckModel = { id: FirstSubCheck; done: boolean };

export function checksModel({ records, numbers }: NightStatic): CheckModel[] {
  return firstSubChecks(numbers.mount).map((id) => ({ id, done: isTicked(records.readings, FIRST_SUB_LIST, id) }));
}

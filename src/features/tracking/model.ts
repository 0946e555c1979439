/** What the tracking bench shows, as codes and figures. */
import { FIRST_SUB_LIST, firstSubChecks, isTicked } from '../../core/night/plan/checklists.ts';
import type { FirstSubCheck } from '../../core/records/checks.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { StarsAt } from '../../core/night/nightAt.ts';
import {
  shareOfLength,
  unguidedSub,
  usableOfNight,
  type Unguided,
} from '../../core/night/advice/stars/usableOfNight.ts';
import { latestPer } from '../../core/once.ts';
import { isKnown } from '../../core/night/account/sources.ts';
import { subAnswer, type SubAnswer } from '../../core/night/advice/stars/subAnswer.ts';
import type { TrackingBasis } from '../../text/trackingWords.ts';

export type TrackingModel = { answer: SubAnswer; basis: TrackingBasis };

/** Where the target stands is one object for as long as the hour is the same. */
const unguidedAt = latestPer(unguidedSub);

/** The curve without guiding; null for a rig that does not guide. */
export const unguidedUsable = latestPer((night: NightStatic, at: Parameters<typeof unguidedSub>[1]) => {
  const unguided = night.budget?.sub.tracking.guided ? unguidedAt(night, at) : null;
  return unguided && usableOfNight(night, unguided.sub);
});

/** Null while the light path is incomplete. */
export function trackingModel(
  night: NightStatic,
  stars: StarsAt | null,
  at: { haH: number; altDeg: number },
): TrackingModel | null {
  if (!stars || !night.budget) return null;
  const { sub } = stars;
  const { guided } = sub.tracking;
  const unguided = guided ? unguidedAt(night, at) : null;
  const basis: TrackingBasis = {
    drive: guided ? driveFrom(unguided) : driveFrom({ sub, measured: isMeasured(night) }),
    unguidedShare: unguided ? shareOfLength(unguided.sub, sub.exposureS, night) : null,
  };
  return { answer: subAnswer(night, sub), basis };
}

const isMeasured = ({ budget }: NightStatic): boolean => isKnown(budget?.sources.periodicError);

function driveFrom(unguided: Unguided | null): TrackingBasis['drive'] {
  if (!unguided?.measured) return 'assumed';
  const { tracking } = unguided.sub;
  return !tracking.guided && tracking.drive.curve ? 'curve' : 'turn';
}

export type CheckModel = { id: FirstSubCheck; done: boolean };

export function checksModel({ records, numbers }: NightStatic): CheckModel[] {
  return firstSubChecks(numbers).map((id) => ({ id, done: isTicked(records.readings, FIRST_SUB_LIST, id) }));
}

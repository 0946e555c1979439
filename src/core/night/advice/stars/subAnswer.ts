/** How long may a sub be: the one answer of every page, as things are, and what the best free movement of the hand would make
 *  of it. Nobody is told to shorten before that is done. */
import { mountTraits } from '../../../mount/mountKinds.ts';
import { motorsOf } from '../../../mount/motors.ts';
import { latestPer } from '../../../once.ts';
import { ASSUMED } from '../../../verdict/assumptions.ts';
import type { PlannedSub } from '../../../verdict/plannedSub.ts';
import { polarSizeArcmin } from '../../../verdict/motions.ts';
import { WANTED_SHARE } from '../../../verdict/budget.ts';
import type { Basis } from '../../../known.ts';
import { isKnown } from '../../account/sources.ts';
import { goalOfNight } from '../../ledger/goalOfNight.ts';
import { lostOf } from '../../ledger/ledger.ts';
import type { NightStatic } from '../../nightStatic.ts';
import { shareOfLength, usableOfNight, type UsableNight } from './usableOfNight.ts';
import { betterGuided, GOOD_GUIDING_ARCSEC, worstRmsArcsec } from './whatIf.ts';

/** `lookPole`: set by eye, to so many arcmin. `mendPole`: brought to the goal, arcmin. `mendGuiding`: to so many arcsec. */
export type Lever = {
  code: 'lookPole' | 'mendPole' | 'mendGuiding';
  value: number;
  /** Usable of the planned length once it is done. */
  share: number;
};

/** A length in steps that people set: whole seconds under a minute, then five; never above it. */
export function settableS(exposureS: number): number {
  if (exposureS < 1) return exposureS;
  return exposureS < 60 ? Math.floor(exposureS) : Math.floor(exposureS / 5) * 5;
}

export type SubAnswer = UsableNight & {
  plannedS: number;
  /** Usable of the planned length as things are. */
  share: number;
  /** What helps most and costs no light; null where nothing does, or nothing needs it. */
  lever: Lever | null;
  /** The longest once the pole was looked for; as it is where somebody looked. */
  onceLooked: UsableNight;
  motion: 'guided' | 'guidedRa' | 'ownDrive' | 'usualDrive' | 'still';
  /** How the pole came to be known; null for mounts without an axis to aim. */
  pole: Basis | null;
};

/** A smaller gain is not worth a movement. */
const LEAST_GAIN = 0.05;

type Mended = Pick<Lever, 'code' | 'value'> & { sub: PlannedSub };

/** Never, or not since some movement lost it. */
const nobodyLooked = (night: NightStatic): boolean =>
  poleBasisOf(night) === 'notLooked' || (poleBasisOf(night) !== null && lostOf(night, 'alignment') !== null);

const withPole = (sub: PlannedSub, errorArcmin: number): PlannedSub => ({
  ...sub,
  polar: { known: 'size', errorArcmin },
});

function poleMended(night: NightStatic, sub: PlannedSub): Mended[] {
  if (poleBasisOf(night) === null) return [];
  const look = nobodyLooked(night);
  const value = look ? ASSUMED.polarErrorByEyeArcmin : goalOfNight(night).goalArcmin;
  if (polarSizeArcmin(sub.polar) <= value) return [];
  return [{ code: look ? 'lookPole' : 'mendPole', value, sub: withPole(sub, value) }];
}

/** With the pole as it is set by eye where nobody looked for it. */
export function usableOnceLooked(night: NightStatic, sub: PlannedSub): UsableNight {
  const looked = nobodyLooked(night) ? withPole(sub, ASSUMED.polarErrorByEyeArcmin) : sub;
  return usableOfNight(night, looked);
}

function guidingMended({ budget, numbers }: NightStatic, sub: PlannedSub): Mended[] {
  const { tracking } = sub;
  if (!tracking.guided || !isKnown(budget?.sources.guiding)) return [];
  if (worstRmsArcsec(tracking) <= GOOD_GUIDING_ARCSEC) return [];
  const better = { ...sub, tracking: betterGuided(tracking, numbers.mount) };
  return [{ code: 'mendGuiding', value: GOOD_GUIDING_ARCSEC, sub: better }];
}

function leverOf(night: NightStatic, sub: PlannedSub, share: number): Lever | null {
  if (share >= WANTED_SHARE) return null;
  const [best] = [...poleMended(night, sub), ...guidingMended(night, sub)]
    .map((one) => ({ ...one, share: shareOfLength(one.sub, sub.exposureS, night) }))
    .filter((one) => one.share >= share + LEAST_GAIN)
    .sort((a, b) => b.share - a.share);
  if (!best) return null;
  const { code, value } = best;
  return { code, value, share: best.share };
}

const poleBasisOf = ({ budget, numbers: { mount } }: NightStatic): Basis | null =>
  motorsOf(mount) === 'none' || !mountTraits(mount).hasPolarAxis ? null : (budget?.sources.polar?.basis ?? null);

function motionOf({ numbers, budget }: NightStatic, { tracking }: PlannedSub): SubAnswer['motion'] {
  if (motorsOf(numbers.mount) === 'none') return 'still';
  if (tracking.guided) return tracking.axes === 'ra' ? 'guidedRa' : 'guided';
  return isKnown(budget?.sources.periodicError) ? 'ownDrive' : 'usualDrive';
}

/** @param sub the planned one at the hour that is asked about; the same one gives the same answer. */
export const subAnswer = latestPer((night: NightStatic, sub: PlannedSub): SubAnswer => {
  const usable = usableOfNight(night, sub);
  const share = shareOfLength(sub, sub.exposureS, night);
  return {
    ...usable,
    plannedS: sub.exposureS,
    share,
    lever: leverOf(night, sub, share),
    onceLooked: nobodyLooked(night) ? usableOnceLooked(night, sub) : usable,
    motion: motionOf(night, sub),
    pole: poleBasisOf(night),
  };
});

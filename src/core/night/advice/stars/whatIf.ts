/** The account of tonight's sub with one thing other than it is: what would help, and what would not. */
import { polarSizeArcmin } from '../../../verdict/motions.ts';
import type { PlannedSub, Tracking } from '../../../verdict/plannedSub.ts';
import { motorsOf } from '../../../mount/motors.ts';
import type { NightStatic } from '../../nightStatic.ts';
import { shareOfLength } from './usableOfNight.ts';

/** `value`: arcmin of the pole, arcsec of guiding or seeing, seconds of a sub. */
export type WhatIf = {
  code: 'pole' | 'guided' | 'seeing' | 'shorter' | 'longer';
  value: number;
  /** Share of subs that would be usable. */
  share: number;
};

const GOOD_POLE_ARCMIN = 1;
export const GOOD_GUIDING_ARCSEC = 0.7;
const GOOD_SEEING_ARCSEC = 2;

const GUIDED: Tracking = {
  guided: true,
  rmsRaArcsec: GOOD_GUIDING_ARCSEC,
  rmsDecArcsec: GOOD_GUIDING_ARCSEC,
  guideStarArcsec: [0, 0],
  flexureArcsecPerMin: 0,
  flexureDirectionDeg: null,
};

/** A guider keeps the flexure that it has; without one an off-axis guider is meant. */
export function betterGuided(tracking: Tracking): Tracking {
  if (!tracking.guided) return GUIDED;
  const atMost = (rmsArcsec: number): number => Math.min(rmsArcsec, GOOD_GUIDING_ARCSEC);
  return { ...tracking, rmsRaArcsec: atMost(tracking.rmsRaArcsec), rmsDecArcsec: atMost(tracking.rmsDecArcsec) };
}

const guidingWorse = (tracking: Tracking): boolean =>
  !tracking.guided || Math.max(tracking.rmsRaArcsec, tracking.rmsDecArcsec) > GOOD_GUIDING_ARCSEC;

type Variant = Pick<WhatIf, 'code' | 'value'> & { sub: PlannedSub };

/** Only what would be another thing than it is. */
function variantsOf(sub: PlannedSub): Variant[] {
  const { exposureS } = sub;
  const pole: Variant = {
    code: 'pole',
    value: GOOD_POLE_ARCMIN,
    sub: { ...sub, polar: { known: 'size', errorArcmin: GOOD_POLE_ARCMIN } },
  };
  const guided: Variant = {
    code: 'guided',
    value: GOOD_GUIDING_ARCSEC,
    sub: { ...sub, tracking: betterGuided(sub.tracking) },
  };
  const seeing: Variant = {
    code: 'seeing',
    value: GOOD_SEEING_ARCSEC,
    sub: { ...sub, seeingFwhmArcsec: GOOD_SEEING_ARCSEC },
  };
  return [
    ...(polarSizeArcmin(sub.polar) > GOOD_POLE_ARCMIN ? [pole] : []),
    ...(guidingWorse(sub.tracking) ? [guided] : []),
    ...(sub.seeingFwhmArcsec > GOOD_SEEING_ARCSEC ? [seeing] : []),
    { code: 'shorter', value: exposureS / 2, sub: { ...sub, exposureS: exposureS / 2 } },
    { code: 'longer', value: exposureS * 2, sub: { ...sub, exposureS: exposureS * 2 } },
  ];
}

/** Best first. Empty for a mount that nothing drives: there only the shutter counts.
 *  @param sub the planned one at the hour that is asked about. */
export function whatIf(night: NightStatic, sub: PlannedSub): WhatIf[] {
  if (motorsOf(night.numbers.mount) === 'none') return [];
  return variantsOf(sub)
    .map(({ code, value, sub: variant }): WhatIf => ({
      code,
      value,
      share: shareOfLength(variant, variant.exposureS, night),
    }))
    .sort((a, b) => b.share - a.share);
}

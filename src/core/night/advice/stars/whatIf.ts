/** The account of tonight's sub with one thing other than it is: what would help, and what would not. */
import { polarSizeArcmin } from '../../../verdict/motions.ts';
import type { GuidedTracking, PlannedSub, Tracking } from '../../../verdict/plannedSub.ts';
import type { MountPart } from '../../../records/part.ts';
import { assumedGuided, guideAxesOf } from '../../../rig/assumedTracking.ts';
import { motorsOf } from '../../../mount/motors.ts';
import type { NightStatic } from '../../nightStatic.ts';
import { shareOfLength } from './usableOfNight.ts';

/** `value`: arcmin of the pole, arcsec of guiding or seeing, seconds of a sub. */
export type WhatIf = {
  code: 'pole' | 'guided' | 'guidedRa' | 'seeing' | 'shorter' | 'longer';
  value: number;
  /** Share of subs that would be usable. */
  share: number;
};

const GOOD_POLE_ARCMIN = 1;
export const GOOD_GUIDING_ARCSEC = 0.7;
const GOOD_SEEING_ARCSEC = 2;

/** A guider keeps the flexure that it has; without one an off-axis guider is meant. Only what a motor turns is guided. */
export function betterGuided(tracking: Tracking, mount: MountPart | null): Tracking {
  if (!tracking.guided)
    return {
      ...assumedGuided(mount),
      rmsRaArcsec: GOOD_GUIDING_ARCSEC,
      rmsDecArcsec: GOOD_GUIDING_ARCSEC,
      refraction: tracking.refraction,
      flexureArcsecPerMin: 0,
    };
  const atMost = (rmsArcsec: number): number => Math.min(rmsArcsec, GOOD_GUIDING_ARCSEC);
  return { ...tracking, rmsRaArcsec: atMost(tracking.rmsRaArcsec), rmsDecArcsec: atMost(tracking.rmsDecArcsec) };
}

/** Of the axes that are guided the worse one. */
export const worstRmsArcsec = ({ axes, rmsRaArcsec, rmsDecArcsec }: GuidedTracking): number =>
  axes === 'ra' ? rmsRaArcsec : Math.max(rmsRaArcsec, rmsDecArcsec);

const guidingWorse = (tracking: Tracking): boolean =>
  !tracking.guided || worstRmsArcsec(tracking) > GOOD_GUIDING_ARCSEC;

type Variant = Pick<WhatIf, 'code' | 'value'> & { sub: PlannedSub };

/** Only what would be another thing than it is. */
function variantsOf(sub: PlannedSub, mount: MountPart | null): Variant[] {
  const { exposureS } = sub;
  const pole: Variant = {
    code: 'pole',
    value: GOOD_POLE_ARCMIN,
    sub: { ...sub, polar: { known: 'size', errorArcmin: GOOD_POLE_ARCMIN } },
  };
  const guided: Variant = {
    code: guideAxesOf(mount) === 'ra' ? 'guidedRa' : 'guided',
    value: GOOD_GUIDING_ARCSEC,
    sub: { ...sub, tracking: betterGuided(sub.tracking, mount) },
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
  return variantsOf(sub, night.numbers.mount)
    .map(({ code, value, sub: variant }): WhatIf => ({
      code,
      value,
      share: shareOfLength(variant, variant.exposureS, night),
    }))
    .sort((a, b) => b.share - a.share);
}

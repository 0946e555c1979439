/** Planned subs for tests of the account: one that nothing moves, and any. */
import fc from 'fast-check';
import {
  STEADY_DRIVE,
  type GuidedTracking,
  type PlannedSub,
  type Tracking,
  type UnguidedTracking,
} from '../../src/core/verdict/plannedSub.ts';
import { finite } from './properties.ts';

export const STILL: UnguidedTracking = {
  guided: false,
  drive: STEADY_DRIVE,
  raRateAxisArcsecPerMin: 0,
  refraction: null,
};
export const swing = (amplitudeArcsec: number, periodS = 480): UnguidedTracking => ({
  ...STILL,
  drive: { sinusoids: [{ amplitudeArcsec, periodS, phaseDeg: null }], curve: null },
});
export const GUIDED: GuidedTracking = {
  guided: true,
  axes: 'both',
  refraction: null,
  rmsRaArcsec: 0,
  rmsDecArcsec: 0,
  guideStarArcsec: [0, 0],
  flexureArcsecPerMin: 0,
  flexureDirectionDeg: null,
  flexureSigmaArcsecPerMin: 0,
};
export const size = (errorArcmin: number): PlannedSub['polar'] => ({ known: 'size', errorArcmin });

export const base: PlannedSub = {
  scaleArcsecPerPx: 2,
  widthPx: 6000,
  heightPx: 4000,
  cameraAngleDeg: 0,
  apertureMm: 80,
  declinationDeg: 40,
  exposureS: 120,
  seeingFwhmArcsec: 2.5,
  opticsFwhmArcsec: 0,
  defocusDiscArcsec: 0,
  balanceWindArcsec: 0.3,
  polar: size(0),
  fieldTurnArcsecPerS: 0,
  tracking: STILL,
  spacing: null,
};

/** Even spread of `base`: seeing, diffraction, pixel, balance and wind. */
export const EVEN = (2.5 / 2.3548) ** 2 + ((1.03 * 0.55e-6 * 206264.80624709636) / 0.08 / 2.3548) ** 2 + 4 / 12 + 0.09;
/** Stretch by a spread along one line. */
export const along = (variance: number): number => Math.sqrt(1 + variance / EVEN);

const anyTracking = fc.oneof(
  fc
    .record({ amplitude: finite(2, 40), periodS: finite(60, 900), rate: finite(-0.5, 0.5) })
    .map(({ amplitude, periodS, rate }): Tracking => ({ ...swing(amplitude, periodS), raRateAxisArcsecPerMin: rate })),
  fc
    .record({ ra: finite(0, 1.5), dec: finite(0, 1.5), flexure: finite(0, 0.5) })
    .map(({ ra, dec, flexure }): Tracking => ({
      ...GUIDED,
      rmsRaArcsec: ra,
      rmsDecArcsec: dec,
      flexureArcsecPerMin: flexure,
    })),
);
export const planned = fc
  .record({
    tracking: anyTracking,
    declinationDeg: finite(-70, 70),
    exposureS: finite(5, 600),
    scaleArcsecPerPx: finite(0.5, 6),
    seeingFwhmArcsec: finite(1.5, 5),
  })
  .map((some): PlannedSub => ({ ...base, ...some }));

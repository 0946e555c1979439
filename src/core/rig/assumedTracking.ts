/** How a mount follows the stars before anybody measured it: its class's drive, or a usual guider on the axes that it has. */
import { motorsOf } from '../mount/motors.ts';
import type { MountPart } from '../records/part.ts';
import { ASSUMED } from '../verdict/assumptions.ts';
import type { GuidedTracking, UnguidedTracking } from '../verdict/plannedSub.ts';
import { assumedSinusoids } from './assumedDrive.ts';

type Driven = Pick<MountPart, 'mountKind' | 'drive' | 'belt' | 'wormTeeth' | 'drivePeriodS'>;

/** A guider holds what a motor turns, and no more. */
export const guideAxesOf = (mount: Driven | null): GuidedTracking['axes'] =>
  motorsOf(mount) === 'raOnly' ? 'ra' : 'both';

export const assumedGuided = (mount: Driven | null): GuidedTracking => ({
  guided: true,
  axes: guideAxesOf(mount),
  rmsRaArcsec: ASSUMED.guidingRmsArcsec,
  rmsDecArcsec: ASSUMED.guidingRmsArcsec,
  refraction: null,
  guideStarArcsec: [0, 0],
  flexureArcsecPerMin: ASSUMED.flexureArcsecPerMin,
  flexureDirectionDeg: null,
  flexureSigmaArcsecPerMin: 0,
});

export const assumedUnguided = (mount: Driven | null): UnguidedTracking => ({
  guided: false,
  drive: { sinusoids: assumedSinusoids(mount), curve: null },
  raRateAxisArcsecPerMin: ASSUMED.raRateAxisArcsecPerMin,
  refraction: null,
});

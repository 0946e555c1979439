/** How tonight's mount follows the stars, each number with how it came to be known. */
import { motorsOf } from '../../mount/motors.ts';
import { SIDEREAL_ARCSEC_PER_S } from '../../sky/fieldRotation.ts';
import { basisOf } from '../../known.ts';
import type { MountPart } from '../../records/part.ts';
import type { ReadingOf } from '../../records/reading.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { assumedGuided, assumedUnguided } from '../../rig/assumedTracking.ts';
import { STEADY_DRIVE, type Tracking } from '../../verdict/plannedSub.ts';
import { driveCounted } from './driveCounted.ts';
import { learnedOf } from '../learned/learned.ts';
import { ASSUMED_SOURCE, TOLD_SOURCE, type BudgetSources, type Source } from './sources.ts';

export type TrackingKnown = { tracking: Tracking; sources: BudgetSources };

const sourceOf = (
  reading: { nightId: string | null; takenAtUtc: string } | null | undefined,
  { night }: NightRecords,
): Source => (reading ? { basis: basisOf(reading, night.id), asOf: reading.takenAtUtc } : ASSUMED_SOURCE);

/** A spread that is not exactly known is, over all that it may be, the root of its mean square. */
const withDoubt = ({ values, sigma }: ReadingOf<'guiding'>, axis: 'rmsRaArcsec' | 'rmsDecArcsec'): number =>
  Math.hypot(values[axis], sigma[axis] ?? 0);

/** None with an off-axis guider; measured on any night of this rig; assumed before that. */
function guidedTracking(records: NightRecords, mount: MountPart | null): TrackingKnown {
  const guiding = records.tonight.last('guiding');
  const { flexure } = learnedOf(records);
  const usual = assumedGuided(mount);
  const offAxis = records.rig.guiding === 'offAxis';
  return {
    tracking: {
      ...usual,
      ...(guiding && {
        rmsRaArcsec: withDoubt(guiding, 'rmsRaArcsec'),
        rmsDecArcsec: withDoubt(guiding, 'rmsDecArcsec'),
      }),
      ...(flexure && {
        flexureArcsecPerMin: flexure.values.arcsecPerMin,
        flexureDirectionDeg: flexure.values.directionDeg,
        flexureSigmaArcsecPerMin: flexure.sigma['arcsecPerMin'] ?? 0,
      }),
      ...(offAxis && { flexureArcsecPerMin: 0, flexureDirectionDeg: null, flexureSigmaArcsecPerMin: 0 }),
    },
    sources: {
      guiding: sourceOf(guiding, records),
      flexure: offAxis ? TOLD_SOURCE : sourceOf(flexure, records),
      refraction: TOLD_SOURCE,
    },
  };
}

function unguidedTracking(records: NightRecords, mount: MountPart | null): TrackingKnown {
  const { rate } = learnedOf(records);
  const { drive, reading } = driveCounted(records, mount);
  const usual = assumedUnguided(mount);
  return {
    tracking: {
      ...usual,
      drive,
      raRateAxisArcsecPerMin: rate?.arcsecPerMin ?? usual.raRateAxisArcsecPerMin,
    },
    sources: {
      periodicError: sourceOf(reading ?? undefined, records),
      raRate: sourceOf(rate?.reading, records),
      refraction: TOLD_SOURCE,
    },
  };
}

/** Nothing follows the stars: they cross the frame westward as the sky turns. */
const STILL: TrackingKnown = {
  tracking: {
    guided: false,
    drive: STEADY_DRIVE,
    raRateAxisArcsecPerMin: -60 * SIDEREAL_ARCSEC_PER_S,
    refraction: null,
  },
  sources: { raRate: TOLD_SOURCE, refraction: TOLD_SOURCE },
};

export function trackingKnown(records: NightRecords, mount: MountPart | null): TrackingKnown {
  if (motorsOf(mount) === 'none') return STILL;
  return records.rig.guiding === 'none' ? unguidedTracking(records, mount) : guidedTracking(records, mount);
}

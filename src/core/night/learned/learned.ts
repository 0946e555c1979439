/** What the nights so far have taught of mount, rig and site: each asked of the one function that answers it, once per
 *  records, and never of what came after the night. */
import { firstOf } from '../../firstOf.ts';
import { oncePer } from '../../once.ts';
import { median } from '../../math/statistics.ts';
import type { ReadingOf } from '../../records/reading.ts';
import { gapShift, type GapShift } from './gapShift.ts';
import { goodInertiaKgM2 } from './goodInertia.ts';
import { groundMarks, type GroundMarks } from '../../pole/groundMarks.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { knobsOf, lockShiftOfMount, type Knobs } from '../../pole/knobsOfMount.ts';
import { plateOfFinder, type PlateOfFinder } from '../../pole/plateOfFinder.ts';
import { scaleBias, type ScaleBias } from '../../pole/scaleBias.ts';
import type { LearnedLockShift } from '../../mount/knobs.ts';
import { opticsBlurLearned, type LearnedBlur } from './opticsBlur.ts';
import { spacingTried, type SpacingTried } from './spacingTried.ts';
import { mountOf } from '../../rig/rigState.ts';
import type { Drive } from '../../verdict/plannedSub.ts';
import { measuredDrive } from './measuredDrive.ts';
import { learnedRaKgM } from './tipOfNight.ts';

/** How far is looked back: what was long ago says little of the rig as it is. */
const KEPT_FOCUS = 200;
const KEPT_FLIPS = 50;

export type Learned = {
  readonly knobs: Knobs;
  readonly lockShift: LearnedLockShift | null;
  readonly scaleBias: ScaleBias | null;
  readonly marks: GroundMarks | null;
  readonly plate: PlateOfFinder;
  /** Moment about the polar axis beyond the stated masses. */
  readonly raMomentKgM: number;
  /** The last of each of this rig, mount or camera on any night. */
  readonly flexure: ReadingOf<'flexure'> | undefined;
  /** The last log that tells what the drive does, and the last one that tells its rate. */
  readonly drive: { drive: Drive; reading: ReadingOf<'track'> } | undefined;
  readonly rate: { arcsecPerMin: number; reading: ReadingOf<'track'> } | undefined;
  readonly decPlay: ReadingOf<'backlash'> | undefined;
  readonly steadiness: ReadingOf<'steadiness'> | undefined;
  readonly corners: ReadingOf<'corners'> | undefined;
  /** The distances that were tried behind this corrector, and where its best one lies. */
  readonly spacing: SpacingTried;
  /** Focus of this rig on earlier nights, oldest first. */
  readonly focus: readonly ReadingOf<'focus'>[];
  /** What a flip of this rig took on earlier nights, the middle of all; null before the first. */
  readonly flipMinutes: number | null;
  /** How wide this tube, corrector and camera make a star by themselves; null before a width was measured. */
  readonly opticsBlur: LearnedBlur | null;
  /** What measured gaps of this rig say of its clearance; null before the first. */
  readonly gapShift: GapShift | null;
  /** The largest inertia about the declination axis that this mount carried with good stars; null before that. */
  readonly goodInertiaKgM2: number | null;
};

/** Values that are worked out when they are first asked for. */
function whenAsked<T extends object>(makers: { [K in keyof T]: () => T[K] }): T {
  const made: Partial<T> = {};
  const result = {} as T;
  for (const key of Object.keys(makers) as (keyof T)[]) {
    Object.defineProperty(result, key, {
      enumerable: true,
      get: () => {
        if (!(key in made)) made[key] = makers[key]();
        return made[key];
      },
    });
  }
  return result;
}

function driveOf(records: NightRecords): Learned['drive'] {
  const mount = mountOf(records);
  for (const reading of records.known.latest('track', { subjectId: records.rig.mountId })) {
    const drive = measuredDrive(reading, mount);
    if (drive) return { drive, reading };
  }
  return undefined;
}

function rateOf({ known, rig }: NightRecords): Learned['rate'] {
  for (const reading of known.latest('track', { subjectId: rig.mountId })) {
    const arcsecPerMin = reading.values.raDriftArcsecPerMin;
    if (arcsecPerMin !== null) return { arcsecPerMin, reading };
  }
  return undefined;
}

export const learnedOf = oncePer((records: NightRecords): Learned => {
  const { known, earlier, rig, snapshots } = records;
  return whenAsked<Learned>({
    knobs: () => knobsOf(records),
    lockShift: () => lockShiftOfMount(records),
    scaleBias: () => scaleBias(records),
    marks: () => groundMarks(records),
    plate: () => plateOfFinder(records),
    raMomentKgM: () => learnedRaKgM(records),
    flexure: () => known.last('flexure', rig.id),
    drive: () => driveOf(records),
    rate: () => rateOf(records),
    decPlay: () => firstOf(known.latest('backlash', { subjectId: rig.mountId }), 1, (r) => r.values.axis === 'dec')[0],
    steadiness: () => known.last('steadiness', rig.id),
    corners: () => known.last('corners', rig.cameraId),
    spacing: () => spacingTried(records),
    focus: () => firstOf(earlier.latest('focus', { subjectId: rig.id }), KEPT_FOCUS).reverse(),
    flipMinutes: () =>
      median(firstOf(earlier.latest('flip', { subjectId: rig.id }), KEPT_FLIPS).map((r) => r.values.minutes)),
    opticsBlur: () => opticsBlurLearned(records),
    gapShift: () => gapShift(records),
    goodInertiaKgM2: () => goodInertiaKgM2(known.goodSnapshotIds(), snapshots, rig.mountId),
  });
});

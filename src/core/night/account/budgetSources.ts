/** Puts the budget's input together from readings, and says for each item whether it was measured or is assumed. */
import { motorsOf } from '../../mount/motors.ts';
import { RAD_PER_DEG } from '../../math/angles.ts';
import { seeingAtArcsec } from '../../sky/airmass.ts';
import { fieldRotationRateArcsecPerS, SIDEREAL_ARCSEC_PER_S } from '../../sky/fieldRotation.ts';
import { toHorizontal } from '../../sky/horizontal.ts';
import { judgeSteadiness } from '../../mount/steadiness.ts';
import type { MountPart } from '../../records/part.ts';
import { ASSUMED } from '../../verdict/assumptions.ts';
import { evenVariance } from '../../verdict/evenWidth.ts';
import {
  STEADY_DRIVE,
  type BudgetItemName,
  type PlannedSub,
  type PolarError,
  type Tracking,
} from '../../verdict/plannedSub.ts';
import { assumedSinusoids } from '../../rig/assumedDrive.ts';
import { focusNow } from '../learned/focusNow.ts';
import { learnedOf } from '../learned/learned.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { measuredDrive } from './measuredDrive.ts';
import { presentLook, seenSpread } from './seenSpread.ts';
import { untouchedPole } from '../../pole/untouchedPole.ts';
import { poleOfNight, type PoleOfNight } from '../../pole/poleOfNight.ts';
import type { LightPath } from '../../rig/lightPathOfRig.ts';
import type { RigNumbers } from '../../rig/rigNumbers.ts';

export type Source = { basis: 'measured' | 'assumed' | 'given' | 'notChecked'; atUtc: string | null };
export type BudgetSources = Partial<Record<BudgetItemName, Source>>;

/** The planned sub without what changes with the hour, which `plannedSubAt` fills in. Its seeing is that at the zenith. */
export type BudgetBase = { sub: PlannedSub; sources: BudgetSources; turnsField: 'altAzimuth' | 'still' | null };

const assumed: Source = { basis: 'assumed', atUtc: null };
const given: Source = { basis: 'given', atUtc: null };
const notChecked: Source = { basis: 'notChecked', atUtc: null };
const measured = (reading: { takenAtUtc: string }): Source => ({ basis: 'measured', atUtc: reading.takenAtUtc });
const measuredOr = (reading: { takenAtUtc: string } | undefined, otherwise: Source): Source =>
  reading ? measured(reading) : otherwise;

/** What is assumed of a part that was never measured, on the sky: what an axis set by eye usually has, or what bearing and
 *  scale leave. */
function assumedParts(byEye: boolean, records: NightRecords): { altArcmin: number; azOnSkyArcmin: number } {
  if (!byEye) return untouchedPole(records);
  const each = ASSUMED.polarErrorByEyeArcmin * Math.SQRT1_2;
  return { altArcmin: each, azOnSkyArcmin: each };
}

/** The size of the error on the sky where a part was never measured. */
function assumedSizeArcmin({ altitude, azimuth, byEye }: PoleOfNight, records: NightRecords): number {
  const parts = assumedParts(byEye, records);
  const cosLat = Math.cos(records.site.latDeg * RAD_PER_DEG);
  return Math.hypot(
    altitude.measured ? altitude.errorArcmin : parts.altArcmin,
    azimuth.measured ? azimuth.errorArcmin * cosLat : parts.azOnSkyArcmin,
  );
}

/** The night's pole as the account wants it, against the true pole: refraction is an item of its own. */
function polarOf(records: NightRecords, mount: MountPart | null): { polar: PolarError; source: Source } {
  if (mount?.mountKind === 'altAzimuth' || motorsOf(mount) === 'none')
    return { polar: { known: 'size', errorArcmin: 0 }, source: given };
  const { latDeg } = records.site;
  const pole = poleOfNight(records, 'true');
  const source = pole.basis === 'measured' ? { basis: 'measured' as const, atUtc: pole.takenAtUtc } : assumed;
  if (pole.totalArcmin === null) {
    return { polar: { known: 'size', errorArcmin: assumedSizeArcmin(pole, records) }, source };
  }
  const { altitude, azimuth } = pole;
  const components = { altErrorArcmin: altitude.errorArcmin, azErrorArcmin: azimuth.errorArcmin };
  return { polar: { known: 'components', ...components, latDeg, haH: 0 }, source };
}

type FlexureTerm = { flexureArcsecPerMin: number; flexureDirectionDeg: number | null; source: Source };

/** None with an off-axis guider; learned from any night of this rig; assumed before that. */
function flexureOf(records: NightRecords): FlexureTerm {
  if (records.rig.guiding === 'offAxis') return { flexureArcsecPerMin: 0, flexureDirectionDeg: null, source: given };
  const reading = learnedOf(records).flexure;
  if (!reading) return { flexureArcsecPerMin: ASSUMED.flexureArcsecPerMin, flexureDirectionDeg: null, source: assumed };
  const { arcsecPerMin, directionDeg } = reading.values;
  return { flexureArcsecPerMin: arcsecPerMin, flexureDirectionDeg: directionDeg, source: measured(reading) };
}

function guidedTracking(records: NightRecords): { tracking: Tracking; sources: BudgetSources } {
  const guiding = records.tonight.last('guiding');
  const { source, ...flexure } = flexureOf(records);
  return {
    tracking: {
      guided: true,
      rmsRaArcsec: guiding?.values.rmsRaArcsec ?? ASSUMED.guidingRmsArcsec,
      rmsDecArcsec: guiding?.values.rmsDecArcsec ?? ASSUMED.guidingRmsArcsec,
      guideStarArcsec: [0, 0],
      ...flexure,
    },
    sources: { guiding: measuredOr(guiding, assumed), flexure: source },
  };
}

function unguidedTracking(
  records: NightRecords,
  mount: MountPart | null,
): { tracking: Tracking; sources: BudgetSources } {
  const { track } = learnedOf(records);
  const raDriftArcsecPerMin = track?.values.raDriftArcsecPerMin ?? null;
  const drive = track ? measuredDrive(track, mount) : null;
  return {
    tracking: {
      guided: false,
      drive: drive ?? { sinusoids: assumedSinusoids(mount), curve: null },
      raRateAxisArcsecPerMin: raDriftArcsecPerMin ?? ASSUMED.raRateAxisArcsecPerMin,
      refraction: null,
    },
    sources: {
      periodicError: measuredOr(drive ? track : undefined, assumed),
      raRate: measuredOr(raDriftArcsecPerMin === null ? undefined : track, assumed),
      refraction: given,
    },
  };
}

/** Nothing follows the stars: they cross the frame westward as the sky turns. */
const STILL: { tracking: Tracking; sources: BudgetSources } = {
  tracking: {
    guided: false,
    drive: STEADY_DRIVE,
    raRateAxisArcsecPerMin: -60 * SIDEREAL_ARCSEC_PER_S,
    refraction: null,
  },
  sources: { raRate: given, refraction: given },
};

function trackingOf(records: NightRecords, mount: MountPart | null): { tracking: Tracking; sources: BudgetSources } {
  if (motorsOf(mount) === 'none') return STILL;
  return records.rig.guiding === 'none' ? unguidedTracking(records, mount) : guidedTracking(records);
}

function turnsFieldOf(mount: MountPart | null): BudgetBase['turnsField'] {
  if (motorsOf(mount) === 'none') return 'still';
  return mount?.mountKind === 'altAzimuth' ? 'altAzimuth' : null;
}

/** Declinations are kept this far from the pole, where right ascension loses its meaning. */
const HIGHEST_DEC_DEG = 89.9;

/** Null when the light path is incomplete: without focal length and pixel there is no scale to judge by. */
export function budgetBase(
  records: NightRecords,
  numbers: RigNumbers,
  decDeg: number,
  exposureS: number,
): BudgetBase | null {
  const { train, tube, camera, mount, lightPath } = numbers;
  if (!train || !tube || !camera) return null;
  const { polar, source } = polarOf(records, mount);
  const { tracking, sources } = trackingOf(records, mount);
  const seeing = records.tonight.last('seeing');
  const { steadiness: tap } = learnedOf(records);
  const sub: PlannedSub = {
    scaleArcsecPerPx: train.scaleArcsecPerPx,
    widthPx: camera.widthPx,
    heightPx: camera.heightPx,
    cameraAngleDeg: records.rig.cameraAngleDeg,
    apertureMm: tube.apertureMm,
    declinationDeg: Math.max(-HIGHEST_DEC_DEG, Math.min(HIGHEST_DEC_DEG, decDeg)),
    exposureS,
    seeingFwhmArcsec: seeing?.values.fwhmArcsec ?? ASSUMED.seeingFwhmArcsec,
    defocusDiscArcsec: 0,
    balanceWindArcsec: tap
      ? judgeSteadiness(tap.values.settleS, train.focalEffectiveMm).sigmaArcsec
      : ASSUMED.balanceWindArcsec,
    polar,
    fieldTurnArcsecPerS: 0,
    tracking,
    spacing: null,
  };
  const all = { ...sources, ...fixedSources(source), ...sourcesTonight(records, numbers) };
  return {
    sub: { ...sub, spacing: cornersOf(records, lightPath, sub) },
    sources: all,
    turnsField: turnsFieldOf(mount),
  };
}

/** Corners that were measured, or seen by eye with the stack as it stands: the later of the two. */
function cornersLooked(records: NightRecords, { spacing }: LightPath) {
  const { corners: measured, spacing: tried } = learnedOf(records);
  const seen = presentLook(tried, spacing);
  const seenIsLater = seen && (!measured || seen.reading.takenAtUtc > measured.takenAtUtc);
  return seenIsLater ? { seen, measured: undefined } : { seen: null, measured };
}

function cornersOf(records: NightRecords, lightPath: LightPath, sub: PlannedSub): PlannedSub['spacing'] {
  const { seen, measured } = cornersLooked(records, lightPath);
  if (seen) return seenSpread(seen, Math.sqrt(evenVariance(sub)));
  return measured ? { sigmaArcsec: measured.values.sigmaArcsec, direction: measured.values.direction } : null;
}

/** Sources of what may have been looked at, tonight or on any night of this rig. */
function sourcesTonight(records: NightRecords, numbers: RigNumbers): BudgetSources {
  const { lightPath } = numbers;
  const { tonight, rig } = records;
  const { steadiness } = learnedOf(records);
  const moved = focusNow(records, numbers);
  const { seen, measured: corners } = cornersLooked(records, lightPath);
  return {
    spacing: measuredOr(seen?.reading ?? corners, spacingSource(lightPath)),
    seeing: measuredOr(tonight.last('seeing'), assumed),
    // A focus that has gone with the air was looked at by nobody since.
    defocus: measuredOr(moved?.stands === false ? undefined : tonight.last('focus', rig.id), notChecked),
    balanceWind: measuredOr(steadiness, assumed),
  };
}

/** A lens has no distance to check; a stack that is drawn piece by piece and fits has been. */
function spacingSource({ spacing, misfits }: LightPath): Source {
  const fits = spacing === null || (spacing.withinTolerance && misfits.length === 0);
  return fits ? given : notChecked;
}

/** Sources of the items that every rig has. */
function fixedSources(polar: Source): BudgetSources {
  return {
    polar,
    diffraction: given,
    pixel: given,
  };
}

/** Refraction's formula holds down to about this altitude. */
const LOWEST_REFRACTION_ALT_DEG = 10;

/** Nearer to the zenith an alt-azimuth mount cannot follow. */
const HIGHEST_ALT_AZ_DEG = 89.5;

/** The field turns clockwise as the mount turns it; about a mount that stands still all stars circle the pole. */
function fieldTurnAt(
  turnsField: BudgetBase['turnsField'],
  { decDeg, latDeg, haH }: Record<'decDeg' | 'latDeg' | 'haH', number>,
): number {
  if (turnsField === null) return 0;
  if (turnsField === 'still') return -SIDEREAL_ARCSEC_PER_S * Math.sin(decDeg * RAD_PER_DEG);
  const { altDeg, azDeg } = toHorizontal(haH, decDeg, latDeg);
  return fieldRotationRateArcsecPerS(latDeg, Math.min(HIGHEST_ALT_AZ_DEG, altDeg), azDeg);
}

/** The sub at one hour angle: the direction of the axis as seen there, refraction when the target stands high enough, and
 *  the air that it is seen through. */
export function plannedSubAt({ sub, turnsField }: BudgetBase, latDeg: number, haH: number, altDeg: number): PlannedSub {
  const polar: PolarError = sub.polar.known === 'components' ? { ...sub.polar, haH } : sub.polar;
  const refraction = altDeg >= LOWEST_REFRACTION_ALT_DEG ? { latDeg, haH } : null;
  const tracking: Tracking = sub.tracking.guided ? sub.tracking : { ...sub.tracking, refraction };
  const fieldTurnArcsecPerS = fieldTurnAt(turnsField, { decDeg: sub.declinationDeg, latDeg, haH });
  return {
    ...sub,
    polar,
    fieldTurnArcsecPerS,
    tracking,
    seeingFwhmArcsec: seeingAtArcsec(sub.seeingFwhmArcsec, altDeg),
  };
}

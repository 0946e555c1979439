/** Puts the budget's input together from readings, and says for each item whether it was measured or is assumed. */
import { RAD_PER_DEG } from '../math/angles.ts';
import { judgeSteadiness } from '../mount/steadiness.ts';
import type { MountPart } from '../records/part.ts';
import { ASSUMED } from '../verdict/assumptions.ts';
import type { BudgetInput, BudgetItemName, PolarError, Tracking } from '../verdict/contributions.ts';
import { assumedSinusoids } from '../rig/assumedDrive.ts';
import { learnedOf } from './learned.ts';
import type { NightRecords } from './nightRecords.ts';
import { poleOfNight, type PoleOfNight } from './pole/poleOfNight.ts';
import type { RigNumbers } from '../rig/rigNumbers.ts';

export type Source = { basis: 'measured' | 'assumed' | 'given' | 'notChecked'; atUtc: string | null };
export type BudgetSources = Partial<Record<BudgetItemName, Source>>;

/** The part of the input that does not change during the night; hour-angle terms are filled in by `budgetAt`. */
export type BudgetBase = { input: BudgetInput; sources: BudgetSources };

const assumed: Source = { basis: 'assumed', atUtc: null };
const given: Source = { basis: 'given', atUtc: null };
const notChecked: Source = { basis: 'notChecked', atUtc: null };
const measured = (reading: { takenAtUtc: string }): Source => ({ basis: 'measured', atUtc: reading.takenAtUtc });
const measuredOr = (reading: { takenAtUtc: string } | undefined, otherwise: Source): Source =>
  reading ? measured(reading) : otherwise;

/** Each part's share of an error that is only known by its size. */
const SHARE_OF_PART = Math.SQRT1_2;

/** The size of the error on the sky where a part was never measured: what is known of the other, and for the rest what
 *  an axis set by eye, or not set at all, usually has. */
function assumedSizeArcmin({ altitude, azimuth, byEye }: PoleOfNight, latDeg: number): number {
  const whole = byEye ? ASSUMED.polarErrorByEyeArcmin : ASSUMED.polarErrorUnsetArcmin;
  if (!altitude.measured && !azimuth.measured) return whole;
  const alt = altitude.measured ? altitude.errorArcmin : whole * SHARE_OF_PART;
  const onSky = azimuth.measured ? azimuth.errorArcmin * Math.cos(latDeg * RAD_PER_DEG) : whole * SHARE_OF_PART;
  return Math.hypot(alt, onSky);
}

/** The night's pole as the account wants it, against the true pole: refraction is an item of its own. */
function polarOf(records: NightRecords): { polar: PolarError; source: Source } {
  const { latDeg } = records.site;
  const pole = poleOfNight(records, 'true');
  const source = pole.basis === 'measured' ? { basis: 'measured' as const, atUtc: pole.takenAtUtc } : assumed;
  if (pole.totalArcmin === null) {
    return { polar: { known: 'size', errorArcmin: assumedSizeArcmin(pole, latDeg) }, source };
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
  const { periodS = null, harmonics = [], raDriftArcsecPerMin = null } = track?.values ?? {};
  const known = track !== undefined && periodS !== null;
  const sinusoids = known
    ? harmonics.map((h) => ({ amplitudeArcsec: h.amplitudeArcsec, periodS: periodS / h.k }))
    : assumedSinusoids(mount);
  return {
    tracking: {
      guided: false,
      sinusoids,
      curve: null,
      raRateAxisArcsecPerMin: raDriftArcsecPerMin ?? ASSUMED.raRateAxisArcsecPerMin,
      refraction: null,
    },
    sources: {
      periodicError: known ? measured(track) : assumed,
      raRate: measuredOr(raDriftArcsecPerMin === null ? undefined : track, assumed),
      refraction: given,
    },
  };
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
  const { train, tube, camera, mount } = numbers;
  if (!train || !tube || !camera) return null;
  const { polar, source } = polarOf(records);
  const guided = records.rig.guiding !== 'none';
  const { tracking, sources } = guided ? guidedTracking(records) : unguidedTracking(records, mount);
  const seeing = records.tonight.last('seeing');
  const { steadiness: tap, corners } = learnedOf(records);
  const input: BudgetInput = {
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
    tracking,
    spacing: corners ? { sigmaArcsec: corners.values.sigmaArcsec, direction: corners.values.direction } : null,
  };
  const measuredItems = { spacing: measuredOr(corners, notChecked), seeing: measuredOr(seeing, assumed) };
  return {
    input,
    sources: { ...sources, ...fixedSources(source), ...measuredItems, balanceWind: measuredOr(tap, assumed) },
  };
}

/** Sources of the items that every rig has. */
function fixedSources(polar: Source): BudgetSources {
  return {
    polarDrift: polar,
    fieldRotation: polar,
    defocus: notChecked,
    diffraction: given,
    pixel: given,
  };
}

/** Refraction's formula holds down to about this altitude. */
const LOWEST_REFRACTION_ALT_DEG = 10;

/** The input at one hour angle: the actual polar drift there, and refraction when the target stands high enough. */
export function budgetInputAt(base: BudgetBase, latDeg: number, haH: number, altDeg: number): BudgetInput {
  const { input } = base;
  const polar: PolarError = input.polar.known === 'components' ? { ...input.polar, haH } : input.polar;
  const refraction = altDeg >= LOWEST_REFRACTION_ALT_DEG ? { latDeg, haH } : null;
  const tracking: Tracking = input.tracking.guided ? input.tracking : { ...input.tracking, refraction };
  return { ...input, polar, tracking };
}

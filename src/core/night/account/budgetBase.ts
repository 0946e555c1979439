/** Puts the budget's input together from what is known tonight, and says for each item how it came to be known. */
import { mountTraits } from '../../mount/mountKinds.ts';
import { motorsOf } from '../../mount/motors.ts';
import { RAD_PER_DEG } from '../../math/angles.ts';
import { basisOf } from '../../known.ts';
import { seeingAtArcsec } from '../../sky/airmass.ts';
import type { Equatorial } from '../../sky/ephemeris.ts';
import { fieldRotationRateArcsecPerS, SIDEREAL_ARCSEC_PER_S } from '../../sky/fieldRotation.ts';
import { toHorizontal } from '../../sky/horizontal.ts';
import { judgeSteadiness } from '../../mount/steadiness.ts';
import type { MountPart } from '../../records/part.ts';
import { ASSUMED } from '../../verdict/assumptions.ts';
import type { PlannedSub, PolarError, Tracking } from '../../verdict/plannedSub.ts';
import { learnedOf } from '../learned/learned.ts';
import { focusKnown } from '../learned/focusKnown.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import type { RigNumbers } from '../../rig/rigNumbers.ts';
import { cornersKnown, type CornersKnown } from './cornersKnown.ts';
import { evenKnown } from './evenKnown.ts';
import { poleKnown } from './poleKnown.ts';
import { ASSUMED_SOURCE, NOT_LOOKED_SOURCE, TOLD_SOURCE, type BudgetSources, type Source } from './sources.ts';
import { trackingKnown } from './trackingKnown.ts';

/** The planned sub without what changes with the hour, which `plannedSubAt` fills in. Its seeing is that at the zenith. */
export type BudgetBase = {
  sub: PlannedSub;
  sources: BudgetSources;
  /** The pole's doubt on the sky, arcmin. */
  poleDoubtArcmin: number;
  corners: CornersKnown;
  turnsField: 'altAzimuth' | 'still' | null;
};

function turnsFieldOf(mount: MountPart | null): BudgetBase['turnsField'] {
  if (motorsOf(mount) === 'none') return 'still';
  return mountTraits(mount).hasPolarAxis ? null : 'altAzimuth';
}

/** Declinations are kept this far from the pole, where right ascension loses its meaning. */
const HIGHEST_DEC_DEG = 89.9;

function balanceWindOf(records: NightRecords, focalMm: number): { arcsec: number; source: Source } {
  const { steadiness: tap } = learnedOf(records);
  if (!tap) return { arcsec: ASSUMED.balanceWindArcsec, source: ASSUMED_SOURCE };
  return {
    arcsec: judgeSteadiness(tap.values.settleS, focalMm).sigmaArcsec,
    source: { basis: basisOf(tap, records.night.id), asOf: tap.takenAtUtc },
  };
}

/** Declinations are kept from the pole. @param place of the target; null where none is chosen. */
const declinationOf = (place: Equatorial | null): number =>
  Math.max(-HIGHEST_DEC_DEG, Math.min(HIGHEST_DEC_DEG, place?.decDeg ?? 0));

type Seen = { scaleArcsecPerPx: number; widthPx: number; heightPx: number; apertureMm: number; focalMm: number };

/** What the rig's own numbers say of a frame; null while they are incomplete. */
function seenBy({ train, tube, camera }: RigNumbers): Seen | null {
  if (!train || !tube || !camera) return null;
  const { widthPx, heightPx } = camera;
  const { scaleArcsecPerPx, focalEffectiveMm } = train;
  return { scaleArcsecPerPx, widthPx, heightPx, apertureMm: tube.apertureMm, focalMm: focalEffectiveMm };
}

/** Null when the light path is incomplete: without focal length and pixel there is no scale to judge by.
 *  @param place of the target; null where none is chosen. */
export function budgetBase(
  records: NightRecords,
  numbers: RigNumbers,
  place: Equatorial | null,
  exposureS: number,
): BudgetBase | null {
  const seen = seenBy(numbers);
  if (!seen) return null;
  const { mount } = numbers;
  const { focalMm, ...frame } = seen;
  const pole = poleKnown(records, mount);
  const { tracking, sources } = trackingKnown(records, mount);
  const { sources: evenSources, ...even } = evenKnown(records, numbers, place);
  const balanceWind = balanceWindOf(records, focalMm);
  const sub: PlannedSub = {
    ...frame,
    ...even,
    cameraAngleDeg: records.rig.cameraAngleDeg,
    declinationDeg: declinationOf(place),
    exposureS,
    defocusDiscArcsec: 0,
    balanceWindArcsec: balanceWind.arcsec,
    polar: pole.value,
    fieldTurnArcsecPerS: 0,
    tracking,
    spacing: null,
  };
  const corners = cornersKnown(records, numbers, sub);
  const seenTonight = { balanceWind: balanceWind.source, spacing: corners.source, polar: pick(pole) };
  return {
    sub,
    sources: { ...sources, ...evenSources, ...seenTonight, ...sourcesOfAll(records, numbers) },
    poleDoubtArcmin: pole.doubt,
    corners,
    turnsField: turnsFieldOf(mount),
  };
}

const pick = ({ basis, asOf }: Source): Source => ({ basis, asOf });

/** Of what every rig has. */
function sourcesOfAll(records: NightRecords, numbers: RigNumbers): BudgetSources {
  const focus = focusKnown(records, numbers);
  return {
    defocus: focus ? pick(focus) : NOT_LOOKED_SOURCE,
    diffraction: TOLD_SOURCE,
    pixel: TOLD_SOURCE,
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
export function plannedSubAt(
  { sub, turnsField }: Pick<BudgetBase, 'sub' | 'turnsField'>,
  latDeg: number,
  haH: number,
  altDeg: number,
): PlannedSub {
  const polar: PolarError = sub.polar.known === 'components' ? { ...sub.polar, haH } : sub.polar;
  const refraction = altDeg >= LOWEST_REFRACTION_ALT_DEG ? { latDeg, haH } : null;
  const tracking: Tracking = { ...sub.tracking, refraction };
  const fieldTurnArcsecPerS = fieldTurnAt(turnsField, { decDeg: sub.declinationDeg, latDeg, haH });
  return {
    ...sub,
    polar,
    fieldTurnArcsecPerS,
    tracking,
    seeingFwhmArcsec: seeingAtArcsec(sub.seeingFwhmArcsec, altDeg),
  };
}

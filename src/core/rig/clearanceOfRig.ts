/** A rig's own measures as the clearance wants them, and which of them nobody has measured. */
import { mountTraits } from '../mount/mountKinds.ts';
import { requirePositive } from '../result.ts';
import type { SizeBasis } from '../records/part.ts';
import type { ClearanceGeometry } from '../mount/clearance.ts';
import type { LengthDoubts } from '../mount/clearanceDoubt.ts';
import { TUBE_LENGTHS, type TubeLength } from '../mount/clearanceSlopes.ts';
import { looksFromSide, tubeKindOf } from './lookerPlace.ts';
import { usualFirstFootDeg } from './feetOfRig.ts';
import { pivotHeightM } from './pivot.ts';
import { mountFlips, type RigNumbers } from './rigNumbers.ts';

/** What a tape has to tell: where the axes cross, legs and column, the tube, the camera behind it, and where they lie. */
export type Unmeasured = 'axes' | 'tripod' | 'tube' | 'camera' | 'place';
export type RigClearance = {
  geometry: ClearanceGeometry;
  /** Guesses, as nobody held a tape to it or read a sheet. */
  unmeasured: readonly Unmeasured[];
  doubts: LengthDoubts;
};

/** One sigma of a length by how it came to be known, m. */
export const LENGTH_SIGMA_M: Record<SizeBasis, number> = { measured: 0.005, stated: 0.015, assumed: 0.04 };
/** Which group's basis a length has. */
const OF_GROUP: Record<TubeLength, Unmeasured> = {
  pivotHeightM: 'axes',
  axisForwardM: 'axes',
  columnTopDropM: 'axes',
  hubHeightM: 'tripod',
  columnRadiusM: 'tripod',
  footRadiusM: 'tripod',
  legRadiusM: 'tripod',
  tubeOffsetM: 'place',
  tubeFrontM: 'tube',
  tubeBackM: 'tube',
  tubeRadiusM: 'tube',
  cameraLengthM: 'camera',
  cameraRadiusM: 'camera',
};
const GROUPS: readonly Unmeasured[] = ['axes', 'tripod', 'tube', 'camera', 'place'];

/** How wide a weight of iron is: 5 kg have a radius of 65 mm. Its thickness stands in its record. */
export function weightRadiusM(massKg: number): number {
  requirePositive('massKg', massKg);
  return 0.025 + 0.018 * Math.sqrt(massKg);
}

/** The tube's middle line and its ends from the declination axis; null without a tube in its place. */
function tubeSide({ tube, camera, masses }: RigNumbers) {
  const placed = masses.tubeSide.find((p) => p.partId === tube?.id);
  if (!tube || !placed) return null;
  const seen = camera ? masses.tubeSide.find((p) => p.partId === camera.id) : undefined;
  const tubeBackM = Math.max(0, tube.backM - placed.alongTubeM);
  // What screws in between counts with the camera, which is as long as it reaches behind the tube.
  const endM = camera && seen ? -seen.alongTubeM + camera.lengthM / 2 : tubeBackM;
  return {
    tubeOffsetM: placed.fromRaAxisM,
    tubeFrontM: Math.max(0, tube.frontM + placed.alongTubeM),
    tubeBackM,
    tubeRadiusM: tube.radiusM,
    cameraLengthM: Math.max(0, endM - tubeBackM),
    cameraRadiusM: camera?.radiusM ?? 0,
    placeBasis: placed.placeBasis,
  };
}

/** The bar as far as it or the outermost weight reaches, as wide as the widest weight. */
function barSide({ masses }: RigNumbers): Pick<ClearanceGeometry, 'barLengthM' | 'barRadiusM'> {
  const { weights, barLengthM } = masses;
  const reachM = weights.map((w) => w.setM + w.thicknessM / 2);
  return {
    barLengthM: Math.max(barLengthM, 0, ...reachM),
    barRadiusM: Math.max(0, ...weights.filter((w) => w.massKg > 0).map((w) => weightRadiusM(w.massKg))),
  };
}

/** How each group of lengths came to be known; what a weighing said says nothing of it. */
function basesOf(
  { mount, support, tube, camera }: RigNumbers,
  placeBasis: 'measured' | 'assumed',
): Record<Unmeasured, SizeBasis> {
  const isAtSide = tube !== null && looksFromSide(tubeKindOf(tube));
  return {
    axes: mount?.geometry == null ? 'assumed' : (mount.sizeBasis ?? 'stated'),
    tripod: support?.sizeBasis ?? 'stated',
    tube: tube?.sizeBasis ?? 'stated',
    // Without a camera nothing stands behind the tube, nor with one at its side.
    camera: camera && !isAtSide ? (camera.sizeBasis ?? 'stated') : 'measured',
    place: placeBasis,
  };
}

const doubtsOf = (bases: Record<Unmeasured, SizeBasis>): LengthDoubts =>
  Object.fromEntries(
    TUBE_LENGTHS.map((name) => {
      const basis = bases[OF_GROUP[name]];
      return [name, { sigmaM: LENGTH_SIGMA_M[basis], guessed: basis === 'assumed' }];
    }),
  ) as LengthDoubts;

/** Null for mounts that never flip, while mount, support or tube are missing, and where the axes would lie on the ground. */
export function clearanceOfRig(numbers: RigNumbers, latDeg: number): RigClearance | null {
  const { mount, support } = numbers;
  const found = tubeSide(numbers);
  if (!mount || !support || !found || !mountFlips(mount)) return null;
  const heightM = pivotHeightM(mount, support);
  // Axes on the ground turn nowhere: what is written of the tripod is not so.
  if (heightM <= 0) return null;
  const { placeBasis, ...beside } = found;
  const usual = mountTraits(mount).usualAxes;
  const bases = basesOf(numbers, placeBasis);
  return {
    geometry: {
      pivotHeightM: heightM,
      axisForwardM: mount.geometry?.axisForwardM ?? usual.axisForwardM,
      columnTopDropM: mount.geometry?.columnTopDropM ?? usual.columnTopDropM,
      pier: support.supportKind === 'pier',
      hubHeightM: support.hubHeightM,
      columnRadiusM: support.columnRadiusM,
      footRadiusM: support.footRadiusM,
      legRadiusM: support.legRadiusM,
      firstFootAzimuthDeg: usualFirstFootDeg(numbers, latDeg),
      ...(numbers.eyepiece === null ? {} : { looker: 'eyepiece' as const }),
      ...beside,
      ...barSide(numbers),
    },
    unmeasured: GROUPS.filter((group) => bases[group] === 'assumed'),
    doubts: doubtsOf(bases),
  };
}

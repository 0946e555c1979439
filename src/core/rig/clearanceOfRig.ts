/** A rig's own measures as the clearance wants them, and which of them nobody has measured. */
import { requirePositive } from '../result.ts';
import type { ClearanceGeometry } from '../mount/clearance.ts';
import { usualFirstFootDeg } from './feetOfRig.ts';
import { pivotHeightM } from './pivot.ts';
import { mountFlips, type RigNumbers } from './rigNumbers.ts';

/** What a tape has to tell: where the axes cross, legs and column, the tube with what hangs on it, and where it lies. */
export type Unmeasured = 'axes' | 'tripod' | 'tube' | 'place';
export type RigClearance = { geometry: ClearanceGeometry; unmeasured: readonly Unmeasured[] };

/** Of a German mount and of a tracker's bracket, until a tape was held to it. */
const USUAL = { axisForwardM: 0.06, columnTopDropM: 0.18 } as const;

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

/** What of it nobody held a tape to. */
function unmeasuredOf({ mount, support, tube }: RigNumbers, placeBasis: string): Unmeasured[] {
  const missing: [Unmeasured, boolean][] = [
    ['axes', mount?.geometry == null],
    ['tripod', support?.massBasis === 'assumed'],
    ['tube', tube?.massBasis === 'assumed'],
    ['place', placeBasis === 'assumed'],
  ];
  return missing.flatMap(([what, is]) => (is ? [what] : []));
}

/** Null for mounts that never flip, and while mount, support or tube are missing. */
export function clearanceOfRig(numbers: RigNumbers, latDeg: number): RigClearance | null {
  const { mount, support } = numbers;
  const found = tubeSide(numbers);
  if (!mount || !support || !found || !mountFlips(mount)) return null;
  const { placeBasis, ...beside } = found;
  return {
    geometry: {
      pivotHeightM: pivotHeightM(mount, support),
      axisForwardM: mount.geometry?.axisForwardM ?? USUAL.axisForwardM,
      columnTopDropM: mount.geometry?.columnTopDropM ?? USUAL.columnTopDropM,
      pier: support.supportKind === 'pier',
      hubHeightM: support.hubHeightM,
      columnRadiusM: support.columnRadiusM,
      footRadiusM: support.footRadiusM,
      legRadiusM: support.legRadiusM,
      firstFootAzimuthDeg: usualFirstFootDeg(numbers, latDeg),
      ...beside,
      ...barSide(numbers),
    },
    unmeasured: unmeasuredOf(numbers, placeBasis),
  };
}

/** A rig standing on its tripod: where its masses are with the tube to the pole and the bar swung, and what tips it.
 *  Frame: x east, y north, z up, origin on the ground under the column. */
import { usualFirstFootDeg } from './feetOfRig.ts';
import type { Vec3 } from '../math/vectors.ts';
import { sum } from '../mount/levers.ts';
import { pose, type FlipState, type Pose } from '../mount/pose.ts';
import {
  feetAround,
  footing,
  tipForceN,
  windForForceMPerS,
  type Feet,
  type Footing,
  type PointMass,
  type Sail,
} from '../mount/tripod.ts';
import { pivotHeightM } from './pivot.ts';
import type { RigNumbers } from './rigNumbers.ts';

/** Bar level with the tube on one side of the column, or weights straight down. */
export type Swing = 'tubeWest' | 'tubeEast' | 'weightsDown';
const SWINGS: readonly Swing[] = ['tubeWest', 'tubeEast', 'weightsDown'];

/** The legs' own mass centre, as a share of the hub's height. */
const SUPPORT_CENTRE_SHARE = 0.45;
/** A cylinder across the wind, and sea-level air thinning with the height of the site. */
const DRAG_COEFFICIENT = 1.1;
const SEA_LEVEL_KG_M3 = 1.225;
const SCALE_HEIGHT_M = 8500;

export type SwungFooting = { swing: Swing; footing: Footing; tipWindMPerS: number };
export type RigFooting = {
  feet: Feet;
  /** The swing that a wind tips first. */
  worst: SwungFooting;
  all: SwungFooting[];
  pivotAssumed: boolean;
  /** Head or tripod without a mass: left out of the sum. */
  unweighed: string[];
};

type Standing = {
  mount: NonNullable<RigNumbers['mount']>;
  support: NonNullable<RigNumbers['support']>;
  pivotM: Vec3;
};

const hemisphere = (latDeg: number): 1 | -1 => (latDeg < 0 ? -1 : 1);

function standingOf({ mount, support }: RigNumbers, latDeg: number): Standing | null {
  if (!mount || support?.supportKind !== 'tripod') return null;
  const forwardM = (mount.geometry?.axisForwardM ?? 0) * hemisphere(latDeg);
  return { mount, support, pivotM: [0, forwardM, pivotHeightM(mount, support)] };
}

const SWUNG: Record<Swing, { haH: number; state: FlipState }> = {
  tubeWest: { haH: 0, state: 'beforeFlip' },
  tubeEast: { haH: 0, state: 'afterFlip' },
  weightsDown: { haH: -6, state: 'beforeFlip' },
};

/** The tube looking to the elevated pole with the bar swung one way. */
function swungPose(latDeg: number, swing: Swing): Pose {
  const { haH, state } = SWUNG[swing];
  return pose(haH, 90 * hemisphere(latDeg), state, latDeg);
}

/** All masses above the ground with the bar swung one way. */
export function massPoints(numbers: RigNumbers, latDeg: number, swing: Swing): PointMass[] {
  const standing = standingOf(numbers, latDeg);
  if (!standing) return [];
  const { mount, support, pivotM } = standing;
  const { side, tube } = swungPose(latDeg, swing);
  const at = (fromAxisM: number, alongM: number): Vec3 => [
    pivotM[0] + fromAxisM * side[0] + alongM * tube[0],
    pivotM[1] + fromAxisM * side[1] + alongM * tube[1],
    pivotM[2] + fromAxisM * side[2] + alongM * tube[2],
  ];
  const { tubeSide, bar, weights } = numbers.masses;
  return [
    { massKg: support.massKg ?? 0, positionM: [0, 0, SUPPORT_CENTRE_SHARE * support.hubHeightM] },
    { massKg: mount.massKg ?? 0, positionM: [0, pivotM[1] / 2, (support.hubHeightM + pivotM[2]) / 2] },
    ...tubeSide.map((p): PointMass => ({ massKg: p.massKg, positionM: at(p.fromRaAxisM, p.alongTubeM) })),
    { massKg: bar.massKg, positionM: at(-bar.centreM, 0) },
    ...weights.map((w): PointMass => ({ massKg: w.massKg, positionM: at(-w.setM, 0) })),
  ];
}

/** The tube and the camera behind it, seen from the side. */
function sailOf({ tube, camera }: RigNumbers, elevationM: number): Sail | null {
  if (!tube) return null;
  const cameraM2 = camera ? 2 * camera.radiusM * camera.lengthM : 0;
  return {
    areaM2: 2 * tube.radiusM * (tube.frontM + tube.backM) + cameraM2,
    dragCoefficient: DRAG_COEFFICIENT,
    airDensityKgM3: SEA_LEVEL_KG_M3 * Math.exp(-elevationM / SCALE_HEIGHT_M),
  };
}

/** Tipping of the whole outfit; null without mount, tripod or tube (a pier stands by itself), and while feet, heights or
 *  masses are still nothing. */
export function footingOfRig(numbers: RigNumbers, latDeg: number, elevationM: number): RigFooting | null {
  const standing = standingOf(numbers, latDeg);
  const sail = sailOf(numbers, elevationM);
  if (!standing || !sail || sail.areaM2 <= 0) return null;
  const { mount, support, pivotM } = standing;
  const totalKg = sum(massPoints(numbers, latDeg, 'tubeWest'), (p) => p.massKg);
  if (totalKg <= 0 || support.footRadiusM <= 0 || pivotM[2] <= 0) return null;
  const feet = feetAround(support.footRadiusM, usualFirstFootDeg(numbers, latDeg));
  const tubeM = Math.max(
    0,
    ...numbers.masses.tubeSide.filter((p) => p.partId === numbers.tube?.id).map((p) => p.fromRaAxisM),
  );
  const all = SWINGS.map((swing): SwungFooting => {
    const found = footing(feet, massPoints(numbers, latDeg, swing));
    const heightM = pivotM[2] + tubeM * swungPose(latDeg, swing).side[2];
    return { swing, footing: found, tipWindMPerS: windForForceMPerS(sail, tipForceN(feet, found, heightM)) };
  });
  const worst = all.reduce((weakest, one) => (one.tipWindMPerS < weakest.tipWindMPerS ? one : weakest));
  return {
    feet,
    worst,
    all,
    pivotAssumed: mount.geometry === null,
    unweighed: [mount, support].filter((p) => p.massKg === null).map((p) => p.name),
  };
}

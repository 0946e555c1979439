/** Whether three feet carry what stands on them. Frame: x east, y north, z up, ground z = 0, origin under the column's
 *  centre line; lengths in m, masses in kg, forces in N. Feet are taken not to slide.
 *  Source: statics of three supports; drag 0.5 rho Cd A v^2; standard gravity of the 3rd CGPM (1901). */
import { DEG_PER_RAD, RAD_PER_DEG, wrap360 } from '../math/angles.ts';
import { requirePositive } from '../result.ts';
import { sum } from './levers.ts';

export const STANDARD_GRAVITY = 9.80665;

export type Point2 = readonly [number, number];
export type Point3 = readonly [number, number, number];
export type PointMass = { massKg: number; positionM: Point3 };
export type Feet = readonly [Point2, Point2, Point2];

/** Three feet at one distance from the column, 120 degrees apart, the first at a true azimuth. */
export function feetAround(footRadiusM: number, firstFootAzimuthDeg: number): Feet {
  const foot = (k: number): Point2 => {
    const azimuth = (firstFootAzimuthDeg + 120 * k) * RAD_PER_DEG;
    return [footRadiusM * Math.sin(azimuth), footRadiusM * Math.cos(azimuth)];
  };
  return [foot(0), foot(1), foot(2)];
}

/** @throws RangeError when nothing has a mass. */
export function centreOfMass(masses: readonly PointMass[]): { totalKg: number; centreM: Point3 } {
  const totalKg = sum(masses, (m) => m.massKg);
  requirePositive('totalKg', totalKg);
  const along = (axis: 0 | 1 | 2): number => sum(masses, (m) => m.massKg * m.positionM[axis]) / totalKg;
  return { totalKg, centreM: [along(0), along(1), along(2)] };
}

/** The outward unit normal of an edge of the triangle of feet. */
type Edge = { from: Point2; normal: Point2 };

function edgesOf(feet: Feet): Edge[] {
  return [0, 1, 2].map((k) => {
    const [from, to, across] = [feet[k], feet[(k + 1) % 3], feet[(k + 2) % 3]] as [Point2, Point2, Point2];
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const length = Math.hypot(dx, dy);
    const normal: Point2 = [dy / length, -dx / length];
    const towardThird = normal[0] * (across[0] - from[0]) + normal[1] * (across[1] - from[1]);
    return { from, normal: towardThird > 0 ? [-normal[0], -normal[1]] : normal };
  });
}

/** Two edges whose angles lie this close are equally weak. */
const TIE_DEG = 0.02;

export type Footing = {
  totalKg: number;
  centreOfMassM: Point3;
  /** True when the mass centre stands inside the triangle. */
  stable: boolean;
  /** Distance of the mass centre from each edge seen from above; edge k joins foot k and the next; negative = outside. */
  edgeDistancesM: number[];
  /** How far it may lean over each edge before it falls. */
  tippingDegPerEdge: number[];
  /** Null when two edges are equally weak. */
  weakestEdge: number | null;
  tippingDeg: number;
  /** Outward over the weakest edge; null like it. */
  tipTowardAzimuthDeg: number | null;
};

/** Tipping angle toward each edge: atan(distance to the edge / height of the mass centre). A 24 kg outfit with its mass
 *  centre 1.02 m high over feet 0.55 m out: 14.5 degrees. */
export function footing(feet: Feet, masses: readonly PointMass[]): Footing {
  const { totalKg, centreM } = centreOfMass(masses);
  const edges = edgesOf(feet);
  const distances = edges.map(
    ({ from, normal }) => -(normal[0] * (centreM[0] - from[0]) + normal[1] * (centreM[1] - from[1])),
  );
  const angles = distances.map((d) => Math.atan2(d, centreM[2]) * DEG_PER_RAD);
  const [least = 0, second = 0] = [...angles].sort((a, b) => a - b);
  const weakestEdge = second - least <= TIE_DEG ? null : angles.indexOf(least);
  const normal = weakestEdge === null ? undefined : edges[weakestEdge]?.normal;
  return {
    totalKg,
    centreOfMassM: centreM,
    stable: distances.every((d) => d > 0),
    edgeDistancesM: distances,
    tippingDegPerEdge: angles,
    weakestEdge,
    tippingDeg: least,
    tipTowardAzimuthDeg: normal ? wrap360(Math.atan2(normal[0], normal[1]) * DEG_PER_RAD) : null,
  };
}

/** Horizontal force at a height, pushing toward one azimuth, that lifts a foot; 0 when it stands on nothing. */
export function tipForceTowardN(feet: Feet, found: Footing, heightM: number, towardAzimuthDeg: number): number {
  requirePositive('heightM', heightM);
  if (!found.stable) return 0;
  const azimuth = towardAzimuthDeg * RAD_PER_DEG;
  const reach = edgesOf(feet).map(({ normal }, k) => {
    const toward = normal[0] * Math.sin(azimuth) + normal[1] * Math.cos(azimuth);
    return toward > 0 ? (found.edgeDistancesM[k] ?? 0) / toward : Number.POSITIVE_INFINITY;
  });
  return (found.totalKg * STANDARD_GRAVITY * Math.min(...reach)) / heightM;
}

/** The smallest such force, over all directions: no push does more than one straight over an edge. */
export function tipForceN(feet: Feet, found: Footing, heightM: number): number {
  const overEdges = edgesOf(feet).map(({ normal }) => Math.atan2(normal[0], normal[1]) * DEG_PER_RAD);
  return Math.min(...overEdges.map((azimuthDeg) => tipForceTowardN(feet, found, heightM, azimuthDeg)));
}

export type Sail = { areaM2: number; dragCoefficient: number; airDensityKgM3: number };

/** Force of a wind on a surface: 0.5 rho Cd A v^2. */
export function windForceN({ areaM2, dragCoefficient, airDensityKgM3 }: Sail, windMPerS: number): number {
  return 0.5 * airDensityKgM3 * dragCoefficient * areaM2 * windMPerS ** 2;
}

/** The wind that makes a force; inverse of `windForceN`. */
export function windForForceMPerS(sail: Sail, forceN: number): number {
  return Math.sqrt(forceN / windForceN(sail, 1));
}

/** How near tube, camera and bar of a German mount come to its column, its legs and the ground: capsules, in the one pose of
 *  the mount. Frame: x east, y north, z up, origin on the ground under the crossing of the axes; lengths in m.
 *  Source: distances of straight lines less the radii about them. */
import { RAD_PER_DEG } from '../math/angles.ts';
import { distanceBetween, nearest, type Nearest, type Segment } from '../math/segments.ts';
import type { Vec3 } from '../math/vectors.ts';
import { requirePositive } from '../result.ts';
import { pose, type FlipState, type Pose } from './pose.ts';
import { feetAround } from './tripod.ts';

export type ClearanceGeometry = {
  /** What hangs behind the focuser; absent: a camera. */
  looker?: 'eyepiece';
  /** Crossing of the polar and the declination axis above the ground. */
  pivotHeightM: number;
  /** How far that crossing stands before the column's middle, toward the elevated pole. */
  axisForwardM: number;
  /** From the crossing down to where the column ends. */
  columnTopDropM: number;
  /** A pier goes down to the ground and has no legs. */
  pier: boolean;
  hubHeightM: number;
  columnRadiusM: number;
  footRadiusM: number;
  legRadiusM: number;
  firstFootAzimuthDeg: number;
  /** The tube's middle line from the polar axis; front and back from the declination axis, with the focuser. */
  tubeOffsetM: number;
  tubeFrontM: number;
  tubeBackM: number;
  tubeRadiusM: number;
  cameraLengthM: number;
  cameraRadiusM: number;
  /** From the polar axis to the bar's end; the radius is that of what hangs on it. */
  barLengthM: number;
  barRadiusM: number;
};

export type Capsule = Segment & { radiusM: number };
export type TubePiece = 'tube' | 'camera';
export type Mover = TubePiece | 'bar';
export type Obstacle = 'column' | 'leg0' | 'leg1' | 'leg2' | 'ground';
export type Closest<M extends Mover = Mover> = { piece: M; obstacle: Obstacle };
export type Clearance = {
  /** Of tube and camera; below 0 they overlap. */
  clearanceM: number;
  closest: Closest;
  /** Of bar and weights, told apart: they may touch while the tube is clear. */
  barClearanceM: number;
  barClosest: Closest;
};

type Around = Standing & { ball: Ball };
const around = (standing: readonly Standing[]): Around[] => standing.map((s) => ({ ...s, ball: ballOf(s.capsule) }));

export type Standing = { obstacle: Exclude<Obstacle, 'ground'>; capsule: Capsule };
export type Moving<M extends Mover = Mover> = { piece: M; capsule: Capsule };

/** What stands still. */
export function standingCapsules(g: ClearanceGeometry, latDeg: number): Standing[] {
  const y = latDeg < 0 ? g.axisForwardM : -g.axisForwardM;
  const foot = g.pier ? 0 : g.hubHeightM;
  const column: Standing = {
    obstacle: 'column',
    capsule: { from: [0, y, g.pivotHeightM - g.columnTopDropM], to: [0, y, foot], radiusM: g.columnRadiusM },
  };
  if (g.pier) return [column];
  const hub: Vec3 = [0, y, g.hubHeightM];
  const legs = feetAround(g.footRadiusM, g.firstFootAzimuthDeg).map(([fx, fy], i): Standing => ({
    obstacle: `leg${i as 0 | 1 | 2}`,
    capsule: { from: hub, to: [fx, y + fy, 0], radiusM: g.legRadiusM },
  }));
  return [column, ...legs];
}

/** A place in a pose: so far along the declination axis, so far along the tube. */
const placeIn = ({ tube, side }: Pose, g: ClearanceGeometry, sideM: number, alongM: number): Vec3 => [
  sideM * side[0] + alongM * tube[0],
  sideM * side[1] + alongM * tube[1],
  g.pivotHeightM + sideM * side[2] + alongM * tube[2],
];

/** Tube and camera: the camera goes on from the tube's back. */
export function tubeCapsules(g: ClearanceGeometry, stands: Pose): [Moving<TubePiece>, Moving<TubePiece>] {
  const at = (alongM: number): Vec3 => placeIn(stands, g, g.tubeOffsetM, alongM);
  const back = at(-g.tubeBackM);
  return [
    { piece: 'tube', capsule: { from: back, to: at(g.tubeFrontM), radiusM: g.tubeRadiusM } },
    { piece: 'camera', capsule: { from: back, to: at(-g.tubeBackM - g.cameraLengthM), radiusM: g.cameraRadiusM } },
  ];
}

/** What moves, with the tube looking to a place of the sky. */
export function movingCapsules(
  g: ClearanceGeometry,
  latDeg: number,
  { haH, decDeg, state }: SkyPose,
): [Moving, Moving, Moving] {
  const stands = pose(haH, decDeg, state, latDeg);
  const bar = { from: placeIn(stands, g, 0, 0), to: placeIn(stands, g, -g.barLengthM, 0), radiusM: g.barRadiusM };
  return [...tubeCapsules(g, stands), { piece: 'bar', capsule: bar }];
}

/** The head between column and tube, for a drawing: it is not reckoned with. */
export function headCapsules(g: ClearanceGeometry, latDeg: number, at: SkyPose): Capsule[] {
  const { side } = pose(at.haH, at.decDeg, at.state, latDeg);
  const crossing: Vec3 = [0, 0, g.pivotHeightM];
  const [column] = standingCapsules(g, latDeg);
  const saddle: Vec3 = [g.tubeOffsetM * side[0], g.tubeOffsetM * side[1], g.pivotHeightM + g.tubeOffsetM * side[2]];
  return [
    { from: column?.capsule.from ?? crossing, to: crossing, radiusM: HEAD_RADIUS_M },
    { from: crossing, to: saddle, radiusM: HEAD_RADIUS_M / 2 },
  ];
}
const HEAD_RADIUS_M = 0.045;

export type SkyPose = { haH: number; decDeg: number; state: FlipState };

export type Gap<M extends Mover = Mover> = { gapM: number; closest: Closest<M> };
export type TubeGap = Gap<TubePiece>;

const groundM = ({ from, to, radiusM }: Capsule): number => Math.min(from[2], to[2]) - radiusM;

/** The ball about a capsule's middle: two are no nearer than their balls. */
type Ball = { x: number; y: number; z: number; radiusM: number };

function ballOf({ from, to, radiusM }: Capsule): Ball {
  const [x, y, z] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2, (from[2] + to[2]) / 2];
  return { x, y, z, radiusM: radiusM + Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]) / 2 };
}

/** True when two balls are farther apart than a gap: no need to look closer. */
function isFarther(a: Ball, b: Ball, gapM: number): boolean {
  const [dx, dy, dz, reachM] = [a.x - b.x, a.y - b.y, a.z - b.z, a.radiusM + b.radiusM + gapM];
  return reachM < 0 || dx * dx + dy * dy + dz * dz > reachM * reachM;
}

type Gaps<M extends Mover> = { least: Gap<M>; near: Gap<M>[]; withinM: number };

function meet<M extends Mover>(gaps: Gaps<M>, gapM: number, piece: M, obstacle: Obstacle): void {
  if (gapM > gaps.least.gapM + gaps.withinM) return;
  const gap = { gapM, closest: { piece, obstacle } };
  if (gaps.withinM > 0) gaps.near.push(gap);
  if (gapM < gaps.least.gapM) gaps.least = gap;
}

/** Every pair whose gap is no more than `withinM` above the smallest, the smallest first. */
function smallestGaps<M extends Mover>(
  moving: readonly [Moving<M>, ...Moving<M>[]],
  standing: readonly Around[],
  withinM: number,
): [Gap<M>, ...Gap<M>[]] {
  const none: Gap<M> = { gapM: Number.POSITIVE_INFINITY, closest: { piece: moving[0].piece, obstacle: 'ground' } };
  const gaps: Gaps<M> = { least: none, near: [], withinM };
  for (const { piece, capsule } of moving) {
    meet(gaps, groundM(capsule), piece, 'ground');
    const ball = ballOf(capsule);
    for (const stand of standing) {
      if (isFarther(ball, stand.ball, gaps.least.gapM + withinM)) continue;
      const gapM = distanceBetween(capsule, stand.capsule) - capsule.radiusM - stand.capsule.radiusM;
      meet(gaps, gapM, piece, stand.obstacle);
    }
  }
  const { least, near } = gaps;
  return [least, ...near.filter((gap) => gap !== least && gap.gapM <= least.gapM + withinM)];
}

/** Of tube and camera alone, for searches: at many poses. @param withinM pairs that come so much less near are told too.
 *  @throws RangeError for a pivot on the ground. */
export function tubeGapsOf(
  g: ClearanceGeometry,
  latDeg: number,
  withinM: number,
): (stands: Pose) => [TubeGap, ...TubeGap[]] {
  requirePositive('pivotHeightM', g.pivotHeightM);
  const standing = around(standingCapsules(g, latDeg));
  return (stands) => smallestGaps(tubeCapsules(g, stands), standing, withinM);
}

/** Clearance at any place of the sky. A tube of 80 mm at the vectors' first tripod stays 149 mm clear at the meridian.
 *  @throws RangeError for a pivot on the ground. */
export function clearanceOf(g: ClearanceGeometry, latDeg: number): (at: SkyPose) => Clearance {
  requirePositive('pivotHeightM', g.pivotHeightM);
  const standing = around(standingCapsules(g, latDeg));
  return (at) => {
    const [tube, camera, bar] = movingCapsules(g, latDeg, at);
    const [ota] = smallestGaps([tube, camera], standing, 0);
    const [weights] = smallestGaps([bar], standing, 0);
    return {
      clearanceM: ota.gapM,
      closest: ota.closest,
      barClearanceM: weights.gapM,
      barClosest: weights.closest,
    };
  };
}

/** Where the closest pair comes nearest, on the surfaces of both; for a drawing. */
export function closestPoints(
  g: ClearanceGeometry,
  latDeg: number,
  at: SkyPose,
  { piece, obstacle }: Closest,
): Nearest {
  const mover = movingCapsules(g, latDeg, at).find((m) => m.piece === piece);
  if (!mover) throw new RangeError(`nothing moves that is called ${piece}`);
  const { from, to, radiusM } = mover.capsule;
  if (obstacle === 'ground') {
    const low = from[2] < to[2] ? from : to;
    return { distance: low[2] - radiusM, onFirst: [low[0], low[1], low[2] - radiusM], onSecond: [low[0], low[1], 0] };
  }
  const stand = standingCapsules(g, latDeg).find((s) => s.obstacle === obstacle);
  if (!stand) throw new RangeError(`nothing stands that is called ${obstacle}`);
  const found = nearest(mover.capsule, stand.capsule);
  const toward = (a: Vec3, b: Vec3, byM: number): Vec3 => {
    const share = found.distance > 0 ? byM / found.distance : 0;
    return [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1]), a[2] + share * (b[2] - a[2])];
  };
  return {
    distance: found.distance - radiusM - stand.capsule.radiusM,
    onFirst: toward(found.onFirst, found.onSecond, radiusM),
    onSecond: toward(found.onSecond, found.onFirst, stand.capsule.radiusM),
  };
}

const RAD_PER_HOUR = 15 * RAD_PER_DEG;
/** No point of tube or camera moves faster than this, m per hour of right ascension. */
export const fastestM = (g: ClearanceGeometry): number =>
  RAD_PER_HOUR * Math.hypot(g.tubeOffsetM, Math.max(g.tubeFrontM, g.tubeBackM + g.cameraLengthM));

/** By how much each length of a mount and its tube moves the clearance at a pose: what the doubt of a length does to it.
 *  Source: at the nearest pair of points only their own motion counts (envelope theorem; Strang, Calculus, 1991, 13.7). */
import { nearest, type NearestAt } from '../math/segments.ts';
import type { Vec3 } from '../math/vectors.ts';
import {
  standingCapsules,
  tubeCapsules,
  tubeGapsOf,
  type ClearanceGeometry,
  type Closest,
  type TubeGap,
  type TubePiece,
  type SkyPose,
  type Standing,
} from './clearance.ts';
import { pose, type Pose } from './pose.ts';
import { feetAround } from './tripod.ts';

/** Lengths that a tape tells, in the order in which doubts are reckoned with. */
export const TUBE_LENGTHS = [
  'pivotHeightM',
  'axisForwardM',
  'columnTopDropM',
  'hubHeightM',
  'columnRadiusM',
  'footRadiusM',
  'legRadiusM',
  'tubeOffsetM',
  'tubeFrontM',
  'tubeBackM',
  'tubeRadiusM',
  'cameraLengthM',
  'cameraRadiusM',
] as const satisfies readonly (keyof ClearanceGeometry)[];
export type TubeLength = (typeof TUBE_LENGTHS)[number];

/** Metre of clearance for a metre of each length, in their order. */
export type Slopes = Float64Array;

/** The place of a length in that order. */
export const atLength = Object.fromEntries(TUBE_LENGTHS.map((name, i) => [name, i])) as Record<TubeLength, number>;

const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const UP: Vec3 = [0, 0, 1];

/** How the nearest point of what moves goes with each length. @param share along the piece, from its beginning. */
function addMover(slopes: Slopes, piece: TubePiece, share: number, { tube, side }: Pose, away: Vec3): void {
  const along = dot(away, tube);
  slopes[atLength.pivotHeightM] = dot(away, UP);
  slopes[atLength.tubeOffsetM] = dot(away, side);
  if (piece === 'tube') {
    slopes[atLength.tubeFrontM] = share * along;
    slopes[atLength.tubeBackM] = -(1 - share) * along;
    slopes[atLength.tubeRadiusM] = -1;
  } else {
    slopes[atLength.tubeBackM] = -along;
    slopes[atLength.cameraLengthM] = -share * along;
    slopes[atLength.cameraRadiusM] = -1;
  }
}

/** The same of what stands. @param share from the column's top to its foot, or from the hub to the foot of a leg. */
function addStanding(
  slopes: Slopes,
  { g, latDeg }: { g: ClearanceGeometry; latDeg: number },
  obstacle: Standing['obstacle'],
  share: number,
  away: Vec3,
): void {
  const up = dot(away, UP);
  slopes[atLength.axisForwardM] = (latDeg < 0 ? -1 : 1) * away[1];
  if (obstacle === 'column') {
    const top = (1 - share) * up;
    slopes[atLength.pivotHeightM] = (slopes[atLength.pivotHeightM] as number) - top;
    slopes[atLength.columnTopDropM] = top;
    slopes[atLength.columnRadiusM] = -1;
    if (!g.pier) slopes[atLength.hubHeightM] = -share * up;
  } else {
    const [x, y] = feetAround(1, g.firstFootAzimuthDeg)[Number(obstacle.slice(-1))] ?? [0, 0];
    slopes[atLength.hubHeightM] = -(1 - share) * up;
    slopes[atLength.footRadiusM] = -share * (away[0] * x + away[1] * y);
    slopes[atLength.legRadiusM] = -1;
  }
}

/** From the standing point to the moving one, of length 1; none where the middle lines cross. */
function awayOf({ distance, onFirst, onSecond }: NearestAt): Vec3 {
  if (distance === 0) return [0, 0, 0];
  return [
    (onFirst[0] - onSecond[0]) / distance,
    (onFirst[1] - onSecond[1]) / distance,
    (onFirst[2] - onSecond[2]) / distance,
  ];
}

export type SlopedClearance = { clearanceM: number; closest: Closest<TubePiece>; slopes: Slopes };

/** Clearance of tube and camera with its slopes, at any place of the sky: the nearest pair, then those that come no more than
 *  `withinM` less near, in no order.
 *  @throws RangeError for a pivot on the ground. */
export function slopedClearances(
  g: ClearanceGeometry,
  latDeg: number,
  withinM: number,
): (at: SkyPose) => [SlopedClearance, ...SlopedClearance[]] {
  const gapsAt = tubeGapsOf(g, latDeg, withinM);
  const standing = standingCapsules(g, latDeg);
  return ({ haH, decDeg, state }) => {
    const stands = pose(haH, decDeg, state, latDeg);
    const [tube, camera] = tubeCapsules(g, stands);
    const sloped = ({ gapM, closest }: TubeGap): SlopedClearance => {
      const { piece, capsule: moving } = closest.piece === 'camera' ? camera : tube;
      const stand = standing.find((s) => s.obstacle === closest.obstacle);
      const slopes = new Float64Array(TUBE_LENGTHS.length);
      if (stand) {
        const found = nearest(moving, stand.capsule);
        const away = awayOf(found);
        addMover(slopes, piece, found.shares[0], stands, away);
        addStanding(slopes, { g, latDeg }, stand.obstacle, found.shares[1], away);
      } else addMover(slopes, piece, moving.from[2] < moving.to[2] ? 0 : 1, stands, UP);
      return { clearanceM: gapM, closest, slopes };
    };
    const [first, ...others] = gapsAt(stands);
    return [sloped(first), ...others.map(sloped)];
  };
}

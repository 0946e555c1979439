/** Two straight lines of finite length in space: how near they come, and where.
 *  Source: Ericson, Real-Time Collision Detection (2005), 5.1.9. */
import type { Vec3 } from './vectors.ts';

export type Segment = { from: Vec3; to: Vec3 };
export type Nearest = { distance: number; onFirst: Vec3; onSecond: Vec3 };

/** Shorter lines are points. */
const POINT = 1e-18;

const clamp01 = (x: number): number => (x < 0 ? 0 : x > 1 ? 1 : x);

/** The place at a share of the way from one end to the other. */
const along = ({ from, to }: Segment, share: number): Vec3 => [
  from[0] + share * (to[0] - from[0]),
  from[1] + share * (to[1] - from[1]),
  from[2] + share * (to[2] - from[2]),
];

/** Share along the second line that is nearest to its first one's end, and back; a, e: squared lengths, b: their product,
 *  c and f: how far the line between the beginnings lies along each. */
function sharesOf(a: number, b: number, c: number, e: number, f: number): readonly [number, number] {
  if (a <= POINT) return e <= POINT ? [0, 0] : [0, clamp01(f / e)];
  if (e <= POINT) return [clamp01(-c / a), 0];
  const across = a * e - b * b;
  // Parallel lines come equally near over a stretch: its beginning will do.
  const free = across > POINT ? clamp01((b * f - c * e) / across) : 0;
  const t = (b * free + f) / e;
  if (t < 0) return [clamp01(-c / a), 0];
  return t > 1 ? [clamp01((b - c) / a), 1] : [free, t];
}

/** Shares along both at which they come nearest. Plain numbers: a map of the sky asks this a hundred thousand times. */
function nearestShares({ from: p, to: q }: Segment, { from: r, to: s }: Segment): readonly [number, number] {
  const [ux, uy, uz] = [q[0] - p[0], q[1] - p[1], q[2] - p[2]];
  const [vx, vy, vz] = [s[0] - r[0], s[1] - r[1], s[2] - r[2]];
  const [wx, wy, wz] = [p[0] - r[0], p[1] - r[1], p[2] - r[2]];
  return sharesOf(
    ux * ux + uy * uy + uz * uz,
    ux * vx + uy * vy + uz * vz,
    ux * wx + uy * wy + uz * wz,
    vx * vx + vy * vy + vz * vz,
    vx * wx + vy * wy + vz * wz,
  );
}

/** How near they come. Two crossing diagonals of a unit cube's opposite faces are 1 apart. */
export function distanceBetween(first: Segment, second: Segment): number {
  const [s, t] = nearestShares(first, second);
  const { from: p, to: q } = first;
  const { from: r, to: u } = second;
  const dx = p[0] + s * (q[0] - p[0]) - r[0] - t * (u[0] - r[0]);
  const dy = p[1] + s * (q[1] - p[1]) - r[1] - t * (u[1] - r[1]);
  const dz = p[2] + s * (q[2] - p[2]) - r[2] - t * (u[2] - r[2]);
  return Math.sqrt(dx * dx + dy * dy + dz * dz);
}

export type NearestAt = Nearest & {
  /** How far along each line from its beginning, 0 to 1. */
  shares: readonly [number, number];
};

/** The same with the two places, and where along the lines they lie. */
export function nearest(first: Segment, second: Segment): NearestAt {
  const shares = nearestShares(first, second);
  return {
    distance: distanceBetween(first, second),
    onFirst: along(first, shares[0]),
    onSecond: along(second, shares[1]),
    shares,
  };
}

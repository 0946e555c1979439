/** Two straight lines of finite length in space: how near they come, and where.
 *  Source: Ericson, Real-Time Collision Detection (2005), 5.1.9. */
import { requireRange } from '../result.ts';
import { dot, type Vec3 } from './vectors.ts';

export type Segment = { from: Vec3; to: Vec3 };
export type Nearest = { distance: number; onFirst: Vec3; onSecond: Vec3 };

/** Shorter lines are points. */
const POINT = 1e-18;

const clamp01 = (x: number): number => (x < 0 ? 0 : x > 1 ? 1 : x);
const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];

/** The place at a share of the way from one end to the other. */
export function along({ from, to }: Segment, share: number): Vec3 {
  requireRange('share', share, 0, 1);
  return [
    from[0] + share * (to[0] - from[0]),
    from[1] + share * (to[1] - from[1]),
    from[2] + share * (to[2] - from[2]),
  ];
}

/** Shares along both at which they come nearest. */
function nearestShares(first: Segment, second: Segment): [number, number] {
  const d1 = minus(first.to, first.from);
  const d2 = minus(second.to, second.from);
  const r = minus(first.from, second.from);
  const [a, e, f] = [dot(d1, d1), dot(d2, d2), dot(d2, r)];
  if (a <= POINT && e <= POINT) return [0, 0];
  if (a <= POINT) return [0, clamp01(f / e)];
  const c = dot(d1, r);
  if (e <= POINT) return [clamp01(-c / a), 0];
  const b = dot(d1, d2);
  const across = a * e - b * b;
  // Parallel lines come equally near over a stretch: its beginning will do.
  const free = across > POINT ? clamp01((b * f - c * e) / across) : 0;
  const t = (b * free + f) / e;
  if (t < 0) return [clamp01(-c / a), 0];
  if (t > 1) return [clamp01((b - c) / a), 1];
  return [free, t];
}

/** Two crossing diagonals of a unit cube's opposite faces are 1 apart. */
export function nearest(first: Segment, second: Segment): Nearest {
  const [s, t] = nearestShares(first, second);
  const [onFirst, onSecond] = [along(first, s), along(second, t)];
  const gap = minus(onFirst, onSecond);
  return { distance: Math.sqrt(dot(gap, gap)), onFirst, onSecond };
}

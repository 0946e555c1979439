/** Evenly spread points of a unit cube: a share over them converges far quicker than over random ones, and they are the
 *  same every time.
 *  Source: Sobol 1967; polynomials and starting numbers of Joe & Kuo 2008. */
import { requirePositive, requireRange } from '../result.ts';

/** Coefficients of the primitive polynomial without its two ends, and the first direction numbers; the first coordinate
 *  has none. */
const DIRECTIONS: readonly (readonly [number, readonly number[]])[] = [
  [0, [1]],
  [1, [1, 3]],
  [1, [1, 3, 1]],
  [2, [1, 1, 1]],
  [1, [1, 1, 3, 3]],
  [4, [1, 3, 5, 13]],
  [2, [1, 1, 5, 5, 17]],
  [4, [1, 1, 5, 5, 5]],
  [7, [1, 1, 7, 11, 19]],
  [11, [1, 1, 5, 1, 1]],
  [13, [1, 1, 1, 3, 11]],
];
export const MOST_DIMENSIONS = DIRECTIONS.length + 1;
const BITS = 24;

/** Direction numbers of a coordinate, as fractions of 2^24. */
function directionsOf(dimension: number): number[] {
  const given = DIRECTIONS[dimension - 1];
  if (!given) return Array.from({ length: BITS }, (_, i) => 2 ** (BITS - 1 - i));
  const [polynomial, first] = given;
  const degree = first.length;
  const v = first.map((m, i) => m * 2 ** (BITS - 1 - i));
  for (let i = degree; i < BITS; i += 1) {
    const back = v[i - degree] as number;
    let next = back ^ (back >>> degree);
    for (let k = 1; k < degree; k += 1) if ((polynomial >> (degree - 1 - k)) & 1) next ^= v[i - k] as number;
    v.push(next);
  }
  return v;
}

/** Coordinates in (0, 1) by dimension: `spreadPoints(3, 2048)[1][k]` is the second coordinate of point k.
 *  @param dimensions 0 to 12.  @param count number of points; a power of two spreads best. */
export function spreadPoints(dimensions: number, count: number): Float64Array[] {
  requireRange('dimensions', dimensions, 0, MOST_DIMENSIONS);
  requirePositive('count', count);
  return Array.from({ length: dimensions }, (_, dimension) => {
    const v = directionsOf(dimension);
    let at = 0;
    return Float64Array.from({ length: count }, (__, k) => {
      // Gray code: from one point to the next a single bit changes.
      if (k > 0) at ^= v[31 - Math.clz32(k & -k)] as number;
      return at / 2 ** BITS + 0.5 / count;
    });
  });
}

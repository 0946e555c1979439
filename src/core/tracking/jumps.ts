/** Steps that stay: a star found again elsewhere, a dither. A straight line through the values on either side is carried to the
 *  place between; where the two miss each other by more than noise does, the star jumped. A swing bends both lines alike.
 *  Source: two-sided local lines (Loader, Change point estimation using nonparametric regression, Ann. Stat. 24, 1996). */
import { median } from '../math/statistics.ts';

/** Values on either side. */
const SIDE = 10;
/** Scatter of the miss over that of one value: of each line at its end 1/n + (n/2)^2 / sum of squares. */
const OF_LINES = Math.sqrt(2 * (1 / SIDE + (SIDE / 2) ** 2 / ((SIDE * (SIDE ** 2 - 1)) / 12)));
const LEAST_OF_SCATTER = 5.5;
/** Neighbours at a jump differ by no less, in units of the noise. */
const LEAST_BETWEEN = 1.2;
const PER_MAD = 1.4826;

/** Scatter of one value about the slow course, by second differences of neighbours; arcsec. */
export function noiseOf(values: Float64Array): number {
  if (values.length < 3) return 0;
  const every = Math.max(1, Math.floor(values.length / 5000));
  const steps: number[] = [];
  for (let i = 1; i + 1 < values.length; i += every)
    steps.push(Math.abs((values[i + 1] as number) - 2 * (values[i] as number) + (values[i - 1] as number)));
  return ((median(steps) ?? 0) * PER_MAD) / Math.sqrt(6);
}

/** A line through SIDE values from one on, at a place counted from its first value. */
function lineAt(values: Float64Array, from: number, at: number): number {
  const middle = (SIDE - 1) / 2;
  let [sum, slope, squares] = [0, 0, 0];
  for (let k = 0; k < SIDE; k += 1) {
    const v = values[from + k] as number;
    sum += v;
    slope += (k - middle) * v;
    squares += (k - middle) ** 2;
  }
  return sum / SIDE + (slope / squares) * (at - middle);
}

/** By how much the lines on either side of a value miss each other. */
const missAt = (values: Float64Array, i: number): number =>
  lineAt(values, i, -0.5) - lineAt(values, i - SIDE, SIDE - 0.5);

/** Indices of the first value after each jump, by either of the axes, in order. */
export function jumpsOf(axes: readonly Float64Array[]): number[] {
  const found: { at: number; by: number }[] = [];
  for (const values of axes) {
    const noise = noiseOf(values);
    if (noise === 0) continue;
    for (let at = SIDE; at + SIDE <= values.length; at += 1) {
      if (Math.abs((values[at] as number) - (values[at - 1] as number)) < LEAST_BETWEEN * noise) continue;
      const by = Math.abs(missAt(values, at)) / (noise * OF_LINES);
      if (by > LEAST_OF_SCATTER) found.push({ at, by });
    }
  }
  const kept: number[] = [];
  for (const { at } of found.sort((a, b) => b.by - a.by))
    if (kept.every((other) => Math.abs(other - at) > SIDE)) kept.push(at);
  return kept.sort((a, b) => a - b);
}

/** Steps that stay: a star found again elsewhere, a dither. A straight line through the values on either side is carried to the
 *  place between; where the two miss each other by more than noise does, the star jumped. A swing bends both lines alike.
 *  Source: two-sided local lines (Loader, Change point estimation using nonparametric regression, Ann. Stat. 24, 1996). */
import { median, SIGMA_PER_MEDIAN_DISTANCE } from '../math/statistics.ts';

/** Values on either side, and for a longer look. */
const SIDE = 10;
const LONG_SIDE = 18;
/** Of a miss, over the longer look. */
const LEAST_STAYING = 0.5;
/** Scatter of the miss over that of one value: of each line at its end 1/n + (n/2)^2 / sum of squares. */
const OF_LINES = Math.sqrt(2 * (1 / SIDE + (SIDE / 2) ** 2 / ((SIDE * (SIDE ** 2 - 1)) / 12)));
/** Of the scatter of the whole curve, and of that of the two lines themselves. */
const LEAST_OF_SCATTER = 5.5;
const LEAST_OF_OWN = 6;
/** Neighbours at a jump differ by no less, in units of the noise. */
const LEAST_BETWEEN = 1.2;
/** A jump is made between two neighbours; of what swings within a few values their step is only a part of the miss. */
const LEAST_OF_MISS = 0.4;

/** Scatter of one value about the slow course, by second differences of neighbours; arcsec. */
export function noiseOf(values: Float64Array): number {
  if (values.length < 3) return 0;
  const every = Math.max(1, Math.floor(values.length / 5000));
  const steps: number[] = [];
  for (let i = 1; i + 1 < values.length; i += every)
    steps.push(Math.abs((values[i + 1] as number) - 2 * (values[i] as number) + (values[i - 1] as number)));
  return ((median(steps) ?? 0) * SIGMA_PER_MEDIAN_DISTANCE) / Math.sqrt(6);
}

type Line = { atPlace: number; squares: number };

/** A line through as many values from one on, at a place counted from its first value, and the squares that it leaves. */
function lineAt(values: Float64Array, from: number, count: number, at: number): Line {
  const middle = (count - 1) / 2;
  let [sum, rise, spread, all] = [0, 0, 0, 0];
  for (let k = 0; k < count; k += 1) {
    const v = (values[from + k] as number) - (values[from] as number);
    sum += v;
    rise += (k - middle) * v;
    spread += (k - middle) ** 2;
    all += v * v;
  }
  const [mean, slope] = [sum / count, rise / spread];
  const squares = Math.max(0, all - count * mean ** 2 - slope * rise);
  return { atPlace: (values[from] as number) + mean + slope * (at - middle), squares };
}

/** By how much the lines on either side of a value miss each other, and the scatter of one value about them. */
function missAt(values: Float64Array, i: number, side: number): { miss: number; scatter: number } {
  const [after, before] = [lineAt(values, i, side, -0.5), lineAt(values, i - side, side, side - 0.5)];
  const scatter = Math.sqrt((after.squares + before.squares) / (2 * (side - 2)));
  return { miss: after.atPlace - before.atPlace, scatter };
}

/** How far a curve rises from one value to another. */
const rise = (values: Float64Array, from: number, to: number): number =>
  (values[to] as number) - (values[from] as number);

/** The step between two neighbours, less what the slope on either side makes of it. */
function stepAt(values: Float64Array, at: number): number {
  const slope = (rise(values, at - SIDE, at - 1) + rise(values, at, at + SIDE - 1)) / (2 * (SIDE - 1));
  return Math.abs(rise(values, at - 1, at) - slope);
}

/** Over a longer look what swings within a few values is gone, and a jump is still there. */
function staysOver(values: Float64Array, at: number, miss: number): boolean {
  if (at < LONG_SIDE || at + LONG_SIDE > values.length) return true;
  return missAt(values, at, LONG_SIDE).miss * Math.sign(miss) > LEAST_STAYING * Math.abs(miss);
}

/** Indices of the first value after each jump, by either of the axes, in order. */
export function jumpsOf(axes: readonly Float64Array[]): number[] {
  const found: { at: number; by: number }[] = [];
  for (const values of axes) {
    const noise = noiseOf(values);
    if (noise === 0) continue;
    for (let at = SIDE; at + SIDE <= values.length; at += 1) {
      const step = stepAt(values, at);
      if (step < LEAST_BETWEEN * noise) continue;
      const { miss, scatter } = missAt(values, at, SIDE);
      const size = Math.abs(miss);
      const by = size / (noise * OF_LINES);
      // What swings within a few values bends away from its lines: they miss each other by no more than they are missed.
      const isTold = size > LEAST_OF_OWN * scatter * OF_LINES && step > LEAST_OF_MISS * size;
      if (by > LEAST_OF_SCATTER && isTold && staysOver(values, at, miss)) found.push({ at, by });
    }
  }
  const kept: number[] = [];
  const taken = new Set<number>();
  for (const { at } of found.sort((a, b) => b.by - a.by)) {
    if (taken.has(at)) continue;
    kept.push(at);
    for (let near = at - SIDE; near <= at + SIDE; near += 1) taken.add(near);
  }
  return kept.sort((a, b) => a - b);
}

/** What a drive does besides drift and worm: gears, bumps and wander, as a curve of even steps. What the air does to the star
 *  is taken out as far as it can be told from the scatter of neighbouring rows.
 *  Source: variances of independent parts add (Bevington and Robinson 2003, 3.1). */
import { median } from '../math/statistics.ts';
import type { Points } from './binned.ts';
import type { ErrorCurve } from './periodicError.ts';

const FINEST_STEP_S = 4;
/** Rows further apart tell nothing of what a sub meets. */
const COARSEST_STEP_S = 60;
/** As many as a reading keeps: 68 minutes of the finest. */
export const MOST_REST = 1024;
/** Empty steps that are drawn through; a longer gap ends the stretch. */
const MOST_EMPTY = 3;
const FEWEST_STEPS = 30;
/** A rest shows when it varies by so many sigmas more than the air alone would. */
const LEAST_SIGMAS = 4;

type Steps = { means: Float64Array; rows: Float64Array };

function inSteps({ timeS, weights }: Points, values: Float64Array, stepS: number): Steps {
  const [first, last] = [timeS[0] ?? 0, timeS.at(-1) ?? 0];
  const count = Math.floor((last - first) / stepS) + 1;
  const [means, rows] = [new Float64Array(count), new Float64Array(count)];
  timeS.forEach((t, i) => {
    const step = Math.floor((t - first) / stepS);
    means[step] = (means[step] as number) + (weights[i] as number) * (values[i] as number);
    rows[step] = (rows[step] as number) + (weights[i] as number);
  });
  return { means: means.map((sum, i) => (rows[i] === 0 ? 0 : sum / (rows[i] as number))), rows };
}

/** The longest stretch without a gap, from its first filled step to its last. */
function longestStretch(rows: Float64Array): [from: number, to: number] {
  let best: [number, number] = [0, 0];
  let [from, lastFilled] = [0, -1];
  rows.forEach((count, i) => {
    if (count === 0) return;
    if (i - lastFilled - 1 > MOST_EMPTY) from = i;
    lastFilled = i;
    if (i + 1 - from > best[1] - best[0]) best = [from, i + 1];
  });
  return best;
}

/** Empty steps on the line between their neighbours. */
function filled(means: Float64Array, rows: Float64Array): Float64Array {
  const whole = means.slice();
  let before = 0;
  for (let i = 1; i < means.length; i += 1) {
    if (rows[i] === 0) continue;
    for (let k = before + 1; k < i; k += 1)
      whole[k] =
        (means[before] as number) + (((means[i] as number) - (means[before] as number)) * (k - before)) / (i - before);
    before = i;
  }
  return whole;
}

/** @param values what drift and worm leave, one for each of the points, arcsec.
 *  @param noiseArcsec scatter of one point about a slow course.
 *  @returns null when the log is too short, or does not vary by more than the air. */
export function restOfDrive(points: Points, values: Float64Array, noiseArcsec: number): ErrorCurve | null {
  const { timeS, weights } = points;
  if (timeS.length < FEWEST_STEPS) return null;
  const cadenceS = median(Array.from(timeS.subarray(1), (t, i) => t - (timeS[i] as number))) ?? 0;
  const stepS = Math.max(FINEST_STEP_S, cadenceS);
  if (stepS > COARSEST_STEP_S) return null;
  const steps = inSteps(points, values, stepS);
  const [from, end] = longestStretch(steps.rows);
  const to = Math.min(end, from + MOST_REST);
  const [means, rows] = [steps.means.subarray(from, to), steps.rows.subarray(from, to)];
  const known = Array.from(rows.keys()).filter((i) => (rows[i] as number) > 0);
  if (known.length < FEWEST_STEPS) return null;
  const meanOf = (of: (i: number) => number): number => known.reduce((sum, i) => sum + of(i), 0) / known.length;
  const middle = meanOf((i) => means[i] as number);
  const variance = meanOf((i) => ((means[i] as number) - middle) ** 2);
  const perPoint = weights.reduce((sum, w) => sum + w, 0) / weights.length;
  const ofAir = meanOf((i) => (noiseArcsec ** 2 * perPoint) / (rows[i] as number));
  // Without any variance there is no rest either.
  if (!(variance > ofAir * (1 + LEAST_SIGMAS * Math.sqrt(2 / known.length)))) return null;
  const share = Math.sqrt((variance - ofAir) / variance);
  const errorArcsec = Array.from(filled(means, rows), (v) => Math.round(100 * share * (v - middle)) / 100);
  return { stepS, errorArcsec };
}

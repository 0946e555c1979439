/** Every stretch of a measured curve that one exposure may fall on, with the drive's waves on top. Sums over any stretch are
 *  differences of running sums, so that a thousand of them cost as much as reading the curve once.
 *  Source: moments of samples; summed-area tables (Crow 1984) in one dimension. */
import type { ErrorCurve, PathMoments, Sinusoid } from './periodicError.ts';

/** An exposure is followed at no fewer instants. */
const FEWEST_SAMPLES = 16;
const TURN = 2 * Math.PI;

export type CurveWindows = {
  /** Of the curve alone and with waves of these amplitudes and phases at mid-exposure.
   *  @param at which window, from 0 to below 1.  @param waves the moments of the waves alone. */
  momentsAt: (at: number, phaseRad: (wave: number) => number, waves: PathMoments) => PathMoments;
};

/** The curve at a place between its samples; beyond its end it runs back. */
function valueAt(errors: readonly number[], place: number): number {
  const last = errors.length - 1;
  if (last <= 0) return errors[0] ?? 0;
  const around = place % (2 * last);
  const at = around > last ? 2 * last - around : around;
  const before = Math.min(last - 1, Math.floor(at));
  const [from, to] = [errors[before] ?? 0, errors[before + 1] ?? 0];
  return from + (to - from) * (at - before);
}

/** The curve in steps that an exposure has a whole number of; one shorter than the exposure runs to its end and back. */
function resampled({ stepS, errorArcsec }: ErrorCurve, count: number, toStepS: number): Float64Array {
  const own = Math.floor((errorArcsec.length * stepS) / toStepS);
  const length = own >= count ? own : own + count;
  return Float64Array.from({ length }, (_, i) =>
    valueAt(errorArcsec, Math.max(0, ((i + 0.5) * toStepS) / stepS - 0.5)),
  );
}

/** Running sums: the k-th is that of the first k values. */
function running(length: number, value: (i: number) => number): Float64Array {
  const sums = new Float64Array(length + 1);
  for (let i = 0; i < length; i += 1) sums[i + 1] = (sums[i] as number) + value(i);
  return sums;
}

/** Running sums of the values times sine and cosine of an angle that grows by as much from one to the next. */
function turning(values: Float64Array, perStep: number): { sines: Float64Array; cosines: Float64Array } {
  const [sines, cosines] = [new Float64Array(values.length + 1), new Float64Array(values.length + 1)];
  const [bySin, byCos] = [Math.sin(perStep), Math.cos(perStep)];
  let [sin, cos] = [0, 1];
  for (let i = 0; i < values.length; i += 1) {
    sines[i + 1] = (sines[i] as number) + (values[i] as number) * sin;
    cosines[i + 1] = (cosines[i] as number) + (values[i] as number) * cos;
    [sin, cos] = [sin * byCos + cos * bySin, cos * byCos - sin * bySin];
  }
  return { sines, cosines };
}

/** Within one step the curve is a straight line: there the moments go with the square of the exposure.
 *  @param exposureS length of the exposure, > 0.
 *  @param curve at least one value. */
export function curveWindows(curve: ErrorCurve, sinusoids: readonly Sinusoid[], exposureS: number): CurveWindows {
  const followedS = Math.max(exposureS, curve.stepS);
  const shrinks = (exposureS / followedS) ** 2;
  const count = Math.max(FEWEST_SAMPLES, Math.round(followedS / curve.stepS));
  const stepS = followedS / count;
  const values = resampled(curve, count, stepS);
  const windows = values.length - count + 1;
  const sums = running(values.length, (i) => values[i] as number);
  const squares = running(values.length, (i) => (values[i] as number) ** 2);
  const moments = running(values.length, (i) => i * (values[i] as number));
  const waves = sinusoids.map(({ amplitudeArcsec, periodS }) => {
    const perStep = (TURN * stepS) / periodS;
    return { amplitudeArcsec, perStep, ...turning(values, perStep), middle: meanWave(count, perStep) };
  });
  return {
    momentsAt: (at, phaseRad, alone) => {
      const first = Math.min(windows - 1, Math.floor(at * windows));
      const meanOf = (of: Float64Array): number => ((of[first + count] as number) - (of[first] as number)) / count;
      const centre = first + (count - 1) / 2;
      const mean = meanOf(sums);
      let variance = meanOf(squares) - mean * mean;
      waves.forEach(({ amplitudeArcsec, perStep, sines, cosines, middle }, k) => {
        const phase = phaseRad(k);
        const angle = phase - perStep * centre;
        const together = Math.cos(angle) * meanOf(sines) + Math.sin(angle) * meanOf(cosines);
        variance += 2 * amplitudeArcsec * (together - mean * middle * Math.sin(phase));
      });
      const withTime = stepS * (meanOf(moments) - centre * mean);
      return {
        variance: alone.variance + shrinks * variance,
        withTime: alone.withTime + shrinks * withTime,
      };
    },
  };
}

/** Mean of the cosine over the samples of an exposure, about its middle. */
function meanWave(count: number, perStep: number): number {
  const half = perStep / 2;
  return Math.abs(Math.sin(half)) < 1e-12 ? 1 : Math.sin(count * half) / (count * Math.sin(half));
}

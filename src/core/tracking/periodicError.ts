/** How far a periodic error spreads a star during one exposure, as a variance at the axis in arcsec^2. */
import { sinc } from '../math/angles.ts';

export type Sinusoid = { amplitudeArcsec: number; periodS: number };
export type ErrorCurve = { stepS: number; errorArcsec: readonly number[] };

/** Seconds of a sidereal day: worm period = this / teeth of the worm wheel. */
export const SIDEREAL_DAY_S = 86164.09;

/** Period of the worm, s: 180 teeth give 478.7. */
export function wormPeriodS(teeth: number): number {
  return SIDEREAL_DAY_S / teeth;
}

/** Mean variance over all phases of sinusoids within an exposure: sum of A^2/2 (1 - sinc^2(pi t/T)); each sinusoid has
 *  its own phase, so the parts add. */
export function sinusoidVariance(sinusoids: readonly Sinusoid[], exposureS: number): number {
  return sinusoids.reduce((total, { amplitudeArcsec, periodS }) => {
    const s = sinc((Math.PI * exposureS) / periodS);
    return total + (amplitudeArcsec ** 2 / 2) * (1 - s * s);
  }, 0);
}

/** Mean over all starts of the population variance inside a window of one exposure sliding over a measured curve. A
 *  window longer than the curve is cut to the curve. */
export function curveVariance(curve: ErrorCurve, exposureS: number): number {
  const values = curve.errorArcsec;
  const width = Math.min(values.length, Math.max(1, Math.round(exposureS / curve.stepS)));
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  let [sum, squares, total] = [0, 0, 0];
  values.forEach((value, i) => {
    // Differences from the overall mean keep the running sums small, so that no digits are lost.
    const entering = value - mean;
    sum += entering;
    squares += entering * entering;
    if (i >= width) {
      const leaving = (values[i - width] ?? 0) - mean;
      sum -= leaving;
      squares -= leaving * leaving;
    }
    if (i >= width - 1) total += squares / width - (sum / width) ** 2;
  });
  return total / (values.length - width + 1);
}

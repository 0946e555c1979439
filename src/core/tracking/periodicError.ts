/** How a periodic error moves a star within one exposure. Times run from mid-exposure, errors are at the axis. */
import { sinc } from '../math/angles.ts';

/** `phaseDeg` at the start of the measured stretch; null = nobody knows. */
export type Sinusoid = { amplitudeArcsec: number; periodS: number; phaseDeg: number | null };
/** Values `stepS` apart, at least one. */
export type ErrorCurve = { stepS: number; errorArcsec: readonly number[] };

/** Seconds of a sidereal day: worm period = this / teeth of the worm wheel. */
export const SIDEREAL_DAY_S = 86164.09;

/** Period of the worm, s: 180 teeth give 478.7. */
export function wormPeriodS(teeth: number): number {
  return SIDEREAL_DAY_S / teeth;
}

/** Variance of the path (arcsec^2), and its covariance with time (arcsec s). */
export type PathMoments = { variance: number; withTime: number };

/** First spherical Bessel function; near 0 its series, where the difference would lose its digits. */
function j1(u: number): number {
  return Math.abs(u) < 1e-3 ? u / 3 : (Math.sin(u) - u * Math.cos(u)) / (u * u);
}

/** The path that sines draw together in one exposure, as a function of their phases at mid-exposure: one of 6 arcsec over
 *  a whole period has a variance of 18. What does not depend on the phases is worked out once.
 *  Source: integrals of products of sines over an interval.
 *  @param exposureS length of the exposure, > 0. */
export function wavePaths(
  sinusoids: readonly Sinusoid[],
  exposureS: number,
): (phaseRad: (wave: number) => number) => PathMoments {
  const waves = sinusoids.map(({ amplitudeArcsec, periodS }) => ({
    amplitude: amplitudeArcsec,
    u: (Math.PI * exposureS) / periodS,
  }));
  const pairs = waves.flatMap((a, i) =>
    waves.slice(i).map((b, k) => {
      const share = a.amplitude * b.amplitude * (k === 0 ? 1 : 2);
      const [apart, together] = [sinc(a.u - b.u), sinc(a.u + b.u)];
      return {
        i,
        j: i + k,
        cosines: (share * (apart - together)) / 2,
        sines: share * ((apart + together) / 2 - sinc(a.u) * sinc(b.u)),
      };
    }),
  );
  const time = waves.map(({ amplitude, u }) => amplitude * (exposureS / 2) * j1(u));
  const sin = new Float64Array(waves.length);
  const cos = new Float64Array(waves.length);
  return (phaseRad) => {
    let [variance, withTime] = [0, 0];
    time.forEach((factor, i) => {
      sin[i] = Math.sin(phaseRad(i));
      cos[i] = Math.cos(phaseRad(i));
      withTime += factor * cos[i];
    });
    for (const { i, j, cosines, sines } of pairs) {
      variance += cosines * (cos[i] as number) * (cos[j] as number) + sines * (sin[i] as number) * (sin[j] as number);
    }
    return { variance, withTime };
  };
}

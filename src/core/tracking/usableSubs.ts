/** Which share of subs stays good when a drive wobbles: the exposure is slid over all phases of the wobble, and for
 *  each start the star's own spread decides. */
import { addCovariance, lengthOverWidth, type Covariance2 } from '../math/covariance2.ts';
import { requirePositive } from '../result.ts';
import type { Sinusoid } from './periodicError.ts';

export type Motion = {
  /** Periodic error at the axis. */
  sinusoids: readonly Sinusoid[];
  /** Steady drifts on the sky, + = east and north. */
  raDriftArcsecPerMin: number;
  decDriftArcsecPerMin: number;
  /** Shrinks the wobble on the sky away from the equator. */
  cosDec: number;
};

const STARTS = 96;
const STEPS = 40;

/** Spread of the star's path in one exposure that starts at a time, arcsec^2; x = right ascension, y = declination. */
export function pathSpread(motion: Motion, startS: number, exposureS: number): Covariance2 {
  const { sinusoids, raDriftArcsecPerMin, decDriftArcsecPerMin, cosDec } = motion;
  let [sx, sy, sxx, sxy, syy] = [0, 0, 0, 0, 0];
  for (let i = 0; i < STEPS; i += 1) {
    const t = ((i + 0.5) / STEPS) * exposureS;
    const wobble = sinusoids.reduce(
      (sum, s) => sum + s.amplitudeArcsec * Math.sin((2 * Math.PI * (startS + t)) / s.periodS),
      0,
    );
    const x = wobble * cosDec + (raDriftArcsecPerMin / 60) * t;
    const y = (decDriftArcsecPerMin / 60) * t;
    [sx, sy, sxx, sxy, syy] = [sx + x, sy + y, sxx + x * x, sxy + x * y, syy + y * y];
  }
  const [mx, my] = [sx / STEPS, sy / STEPS];
  return { xx: sxx / STEPS - mx * mx, xy: sxy / STEPS - mx * my, yy: syy / STEPS - my * my };
}

/** Share (0 to 1) of starts at which length over width stays within the limit at every point of the frame.
 *  @param background spread of everything but this motion, at each point that is judged.
 *  @param limit largest length over width that counts as usable. */
export function usableShare(
  motion: Motion,
  exposureS: number,
  background: readonly Covariance2[],
  limit: number,
): number {
  requirePositive('exposureS', exposureS);
  const longestS = Math.max(1, ...motion.sinusoids.map((s) => s.periodS));
  let usable = 0;
  for (let i = 0; i < STARTS; i += 1) {
    const path = pathSpread(motion, (i / STARTS) * longestS, exposureS);
    if (background.every((spread) => lengthOverWidth(addCovariance(spread, path)) <= limit)) usable += 1;
  }
  return usable / STARTS;
}

export type UsablePoint = { exposureS: number; share: number };

/** The whole curve. `settingAt`: motion and background of a sub of a length, because both may grow with it. */
export function usableCurve(
  exposuresS: readonly number[],
  settingAt: (exposureS: number) => { motion: Motion; background: readonly Covariance2[] },
  limit: number,
): UsablePoint[] {
  return exposuresS.map((exposureS) => {
    const { motion, background } = settingAt(exposureS);
    return { exposureS, share: usableShare(motion, exposureS, background, limit) };
  });
}

/** Share at an exposure, linear between the points of a curve; its ends outside. */
export function shareAt(curve: readonly UsablePoint[], exposureS: number): number {
  const after = curve.findIndex((p) => p.exposureS >= exposureS);
  const [a, b] = [curve[Math.max(0, after - 1)], curve[after]];
  if (!b) return curve.at(-1)?.share ?? 0;
  if (!a || a === b || after === 0) return b.share;
  return a.share + ((exposureS - a.exposureS) / (b.exposureS - a.exposureS)) * (b.share - a.share);
}

/** The longest exposure up to which the share never fell below what is wanted; null when even the shortest one is
 *  worse, the curve's end when all are good. */
export function longestUsableS(curve: readonly UsablePoint[], wantedShare: number): number | null {
  const failing = curve.findIndex((p) => p.share < wantedShare);
  if (failing === -1) return curve.at(-1)?.exposureS ?? null;
  return failing === 0 ? null : (curve[failing - 1]?.exposureS ?? null);
}

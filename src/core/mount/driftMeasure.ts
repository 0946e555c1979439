/** A star's drift in declination, timed at the eyepiece or on a screen: rate, uncertainty, and the part of it that is the
 *  air's.
 *  Source: straight line by least squares (Bevington, Robinson, Data Reduction and Error Analysis, 2003, ch. 6); refraction by
 *  `sky/refraction`. */
import { ARCSEC_PER_RAD, DEG_PER_RAD, RAD_PER_DEG } from '../math/angles.ts';
import { fromHorizontal, toHorizontal } from '../sky/horizontal.ts';
import { apparentAltDeg } from '../sky/refraction.ts';
import { SIDEREAL_RAD_PER_S } from './polarDrift.ts';

/** Where the star stood, arcsec toward north from where it began. */
export type DriftMark = { timeS: number; northArcsec: number };
export type DriftRate = {
  rateArcsecPerMin: number;
  sigmaArcsecPerMin: number;
  minutes: number;
  marks: number;
};

/** How many marks the stated reading error is worth against the scatter that is seen. */
const STATED_WORTH = 8;

/** Straight line through the marks by least squares. The uncertainty holds the stated error of one reading and the
 *  scatter about the line, weighed by how many marks there are. Null for fewer than two marks or no time between.
 *  @param sigmaArcsec stated error of one reading, > 0. */
export function driftRate(marks: readonly DriftMark[], sigmaArcsec: number): DriftRate | null {
  const n = marks.length;
  const meanT = marks.reduce((total, m) => total + m.timeS, 0) / n;
  const meanY = marks.reduce((total, m) => total + m.northArcsec, 0) / n;
  const tt = marks.reduce((total, m) => total + (m.timeS - meanT) ** 2, 0);
  if (n < 2 || tt === 0) return null;
  const perS = marks.reduce((total, m) => total + (m.timeS - meanT) * (m.northArcsec - meanY), 0) / tt;
  const rest = marks.reduce((total, m) => total + (m.northArcsec - meanY - perS * (m.timeS - meanT)) ** 2, 0);
  const variance = (STATED_WORTH * sigmaArcsec ** 2 + rest) / (STATED_WORTH + n - 2);
  const times = marks.map((m) => m.timeS);
  return {
    rateArcsecPerMin: perS * 60,
    sigmaArcsecPerMin: Math.sqrt(variance / tt) * 60,
    minutes: (Math.max(...times) - Math.min(...times)) / 60,
    marks: n,
  };
}

/** Lower than this no star is taken: refraction changes too fast to be reckoned off. */
export const LOWEST_DRIFT_ALT_DEG = 25;

/** Lower than this no star is seen, degrees. */
const LOWEST_SEEN_DEG = 0.5;

/** How fast refraction alone carries a star north, arcsec a minute: the change of its apparent declination while the true
 *  one stays. Equator, 4 h west, latitude 40: -0.67. Valid above the horizon. */
export function refractionDriftArcsecPerMin(haH: number, decDeg: number, latDeg: number): number {
  // Under the horizon nobody times a star; a reading that says so is taken as it is.
  if (toHorizontal(haH, decDeg, latDeg).altDeg < LOWEST_SEEN_DEG) return 0;
  const apparentDec = (h: number): number => {
    const { altDeg, azDeg } = toHorizontal(h, decDeg, latDeg);
    return fromHorizontal({ altDeg: apparentAltDeg(altDeg), azDeg }, latDeg).decDeg;
  };
  const stepS = 60;
  const stepH = (SIDEREAL_RAD_PER_S * stepS * DEG_PER_RAD) / 15;
  const risen = apparentDec(haH + stepH) - apparentDec(haH - stepH);
  return (risen * RAD_PER_DEG * ARCSEC_PER_RAD) / ((2 * stepS) / 60);
}

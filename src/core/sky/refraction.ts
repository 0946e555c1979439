/** Refraction at 1010 hPa and 10 C, whatever the elevation. Sources: Saemundsson 1986 (true to apparent), Bennett 1982
 *  (apparent to true); they invert each other to about 0.1 arcmin above 5 degrees. */
import { RAD_PER_DEG } from '../math/angles.ts';
import { requireRange } from '../result.ts';

/** Refraction is not defined below this true altitude: the formulas diverge. */
export const LOWEST_REFRACTED_ALT_DEG = -1;

/** How much refraction lifts a direction of true altitude, arcmin: 1.01 at 45 degrees, 28.98 at the horizon.
 *  @throws RangeError below -1 degree. */
export function refractionArcmin(trueAltDeg: number): number {
  requireRange('trueAltDeg', trueAltDeg, LOWEST_REFRACTED_ALT_DEG, 90);
  return 1.02 / Math.tan((trueAltDeg + 10.3 / (trueAltDeg + 5.11)) * RAD_PER_DEG);
}

/** Apparent altitude of a true one, degrees. */
export function apparentAltDeg(trueAltDeg: number): number {
  return trueAltDeg + refractionArcmin(trueAltDeg) / 60;
}

/** True altitude of an apparent one, degrees; inverse of `apparentAltDeg` to 0.1 arcmin above 5 degrees. */
export function trueAltDeg(apparentDeg: number): number {
  requireRange('apparentDeg', apparentDeg, LOWEST_REFRACTED_ALT_DEG, 90);
  return apparentDeg - 1 / Math.tan((apparentDeg + 7.31 / (apparentDeg + 4.4)) * RAD_PER_DEG) / 60;
}

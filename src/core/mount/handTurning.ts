/** Following the stars by the knob of the right-ascension worm, and how long they stay where nothing follows.
 *  Source: one turn of the sky in a sidereal day, shared out over the teeth of the wheel. */
import { RAD_PER_DEG } from '../math/angles.ts';
import { requirePositive } from '../result.ts';
import { SIDEREAL_ARCSEC_PER_S } from '../sky/fieldRotation.ts';
import { wormPeriodS } from '../tracking/periodicError.ts';

/** Minutes of the clock for one turn of the worm's knob: 144 teeth take 9.97.
 *  @param teeth of the worm wheel, > 0. */
export function knobTurnMin(teeth: number): number {
  requirePositive('teeth', teeth);
  return wormPeriodS(teeth) / 60;
}

/** Minutes in which a star crosses a field when nothing follows it: one degree on the equator takes 3.99, at declination 60
 *  twice as long. Measured along the star's way, so a wide field near the pole is crossed later than this tells.
 *  @param fieldDeg width of the field, > 0.  @param decDeg (-90, 90): at the pole itself it never leaves. */
export function crossingMin(fieldDeg: number, decDeg: number): number {
  requirePositive('fieldDeg', fieldDeg);
  return (fieldDeg * 3600) / (SIDEREAL_ARCSEC_PER_S * Math.cos(decDeg * RAD_PER_DEG)) / 60;
}

/** Field rotation of an ideal alt-azimuth mount: pure spherical geometry, no refraction.
 *  Source: derivative of the parallactic angle (Smart, Textbook on Spherical Astronomy, 1977). At latitude 40, due south at 45
 *  degrees: 16.3 arcsec a second. */
import { RAD_PER_DEG, wrap180 } from '../math/angles.ts';
import { parallacticAngleDeg } from './horizontal.ts';

/** Sidereal rate, arcsec of hour angle per second of time. */
export const SIDEREAL_ARCSEC_PER_S = 15.041067;

/** Rate dq/dt, arcsec per second: -w cos(lat) cos(az) / cos(alt). Positive: the field turns clockwise in an upright
 *  picture. Unbounded at the zenith. */
export function fieldRotationRateArcsecPerS(latDeg: number, altDeg: number, azDeg: number): number {
  const [lat, alt, az] = [latDeg * RAD_PER_DEG, altDeg * RAD_PER_DEG, azDeg * RAD_PER_DEG];
  return (-SIDEREAL_ARCSEC_PER_S * Math.cos(lat) * Math.cos(az)) / Math.cos(alt);
}

/** Rotation between two hour angles, degrees, followed continuously (it may exceed 180); + = clockwise. */
export function fieldRotationDeg(latDeg: number, decDeg: number, fromHaH: number, toHaH: number): number {
  // Near the zenith the angle swings by 180 degrees within minutes: steps of 2 s of time keep each step under half a turn.
  const steps = Math.max(8, Math.ceil(Math.abs(toHaH - fromHaH) * 1800));
  let total = 0;
  let previous = parallacticAngleDeg(fromHaH, decDeg, latDeg);
  for (let i = 1; i <= steps; i += 1) {
    const next = parallacticAngleDeg(fromHaH + ((toHaH - fromHaH) * i) / steps, decDeg, latDeg);
    total += wrap180(next - previous);
    previous = next;
  }
  return total;
}

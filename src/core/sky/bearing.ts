/** Compass and true bearings. Azimuths from north through east; magnetic declination + = east.
 *  Source: definition of magnetic declination: 350 degrees read with 12 east is 2. */
import { wrap180, wrap360 } from '../math/angles.ts';

/** Two readings at different distances from the mount that differ by more than this tell of iron. */
export const IRON_DEG = 2;

/** True bearing of a compass reading: reading + declination. */
export function trueBearingDeg(compassDeg: number, declinationDeg: number): number {
  return wrap360(compassDeg + declinationDeg);
}

/** What the compass must read to look along a true bearing; inverse of `trueBearingDeg`. */
export function compassReadingDeg(trueDeg: number, declinationDeg: number): number {
  return wrap360(trueDeg - declinationDeg);
}

/** The bearing that the polar axis must have: north, or south below the equator. */
export function poleBearingDeg(latDeg: number): number {
  return latDeg < 0 ? 180 : 0;
}

/** How far the axis points beside the pole's bearing when it has a true bearing, degrees; + = too far east, in both
 *  hemispheres. */
export function bearingErrorDeg(trueDeg: number, latDeg: number): number {
  const clockwise = wrap180(trueDeg - poleBearingDeg(latDeg));
  // East lies clockwise of north and counter-clockwise of south.
  return latDeg < 0 ? -clockwise : clockwise;
}

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

/** What a bearing is read with: a phone that shows magnetic north or already the true one, a compass with a turning ring,
 *  or a needle over a fixed card. */
export const COMPASS_KINDS = ['phoneMagnetic', 'phoneTrue', 'ring', 'needle'] as const;
export type CompassKind = (typeof COMPASS_KINDS)[number];

/** True bearing of the axis from what was read, degrees 0 to 360. Over a fixed card laid along the axis the needle's own
 *  number counts the other way round. */
export function trueFromReadingDeg(kind: CompassKind, readDeg: number, declinationDeg: number): number {
  if (kind === 'phoneTrue') return wrap360(readDeg);
  return trueBearingDeg(kind === 'needle' ? wrap360(-readDeg) : readDeg, declinationDeg);
}

/** What this compass shows along a true bearing: inverse of the above. */
export function readingFromTrueDeg(kind: CompassKind, trueDeg: number, declinationDeg: number): number {
  if (kind === 'phoneTrue') return wrap360(trueDeg);
  const magneticDeg = compassReadingDeg(trueDeg, declinationDeg);
  return kind === 'needle' ? wrap360(-magneticDeg) : magneticDeg;
}

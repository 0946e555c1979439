/** Between the equatorial frame (hour angle, declination) and the horizon (altitude, azimuth from north through east). */
import { DEG_PER_RAD, RAD_PER_DEG, asinClamped, wrap12, wrap180, wrap360 } from '../math/angles.ts';
import { angleBetween, fromSpherical } from '../math/vectors.ts';
import { localSiderealHours, type Equatorial } from './ephemeris.ts';

export type Horizontal = { altDeg: number; azDeg: number };

/** Altitude and azimuth without refraction. Hour angle in hours, west-positive; latitude south-negative.
 *  At the zenith the azimuth is 0 by convention. Source: spherical triangle pole, zenith, star. */
export function toHorizontal(haH: number, decDeg: number, latDeg: number): Horizontal {
  const h = haH * 15 * RAD_PER_DEG;
  const dec = decDeg * RAD_PER_DEG;
  const lat = latDeg * RAD_PER_DEG;
  const east = -Math.cos(dec) * Math.sin(h);
  const north = Math.sin(dec) * Math.cos(lat) - Math.cos(dec) * Math.cos(h) * Math.sin(lat);
  const up = Math.sin(dec) * Math.sin(lat) + Math.cos(dec) * Math.cos(h) * Math.cos(lat);
  return { altDeg: asinClamped(up) * DEG_PER_RAD, azDeg: wrap360(Math.atan2(east, north) * DEG_PER_RAD) };
}

/** Inverse of `toHorizontal`: hour angle in (-12, 12] and declination. */
export function fromHorizontal({ altDeg, azDeg }: Horizontal, latDeg: number): { haH: number; decDeg: number } {
  const alt = altDeg * RAD_PER_DEG;
  const az = azDeg * RAD_PER_DEG;
  const lat = latDeg * RAD_PER_DEG;
  const west = -Math.cos(alt) * Math.sin(az);
  const meridian = Math.sin(alt) * Math.cos(lat) - Math.cos(alt) * Math.cos(az) * Math.sin(lat);
  const polar = Math.sin(alt) * Math.sin(lat) + Math.cos(alt) * Math.cos(az) * Math.cos(lat);
  return { haH: wrap12((Math.atan2(west, meridian) * DEG_PER_RAD) / 15), decDeg: asinClamped(polar) * DEG_PER_RAD };
}

/** Hour angle in hours, (-12, 12], west-positive. */
export function hourAngleH(utcMs: number, lonDeg: number, raDeg: number): number {
  return wrap12(localSiderealHours(utcMs, lonDeg) - raDeg / 15);
}

/** Altitude and azimuth of a place of date at an instant, without refraction. */
export function altAzAt(utcMs: number, place: { latDeg: number; lonDeg: number }, ofDate: Equatorial): Horizontal {
  return toHorizontal(hourAngleH(utcMs, place.lonDeg, ofDate.raDeg), ofDate.decDeg, place.latDeg);
}

/** Angle between two directions, degrees. */
export function separationDeg(a: Equatorial, b: Equatorial): number {
  const direction = (e: Equatorial) => fromSpherical(e.raDeg * RAD_PER_DEG, e.decDeg * RAD_PER_DEG);
  return angleBetween(direction(a), direction(b)) * DEG_PER_RAD;
}

/** Parallactic angle: position angle of the zenith at the target, from celestial north through east, degrees in
 *  (-180, 180]; negative east of the meridian. On the upper meridian 0 south of the zenith, 180 north of it. */
export function parallacticAngleDeg(haH: number, decDeg: number, latDeg: number): number {
  const h = haH * 15 * RAD_PER_DEG;
  const dec = decDeg * RAD_PER_DEG;
  const lat = latDeg * RAD_PER_DEG;
  // Multiplied through by cos(lat), which is never negative, so that the poles need no special case.
  const x = Math.sin(h) * Math.cos(lat);
  const y = Math.sin(lat) * Math.cos(dec) - Math.cos(lat) * Math.sin(dec) * Math.cos(h);
  return wrap180(Math.atan2(x, y) * DEG_PER_RAD);
}

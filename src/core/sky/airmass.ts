/** How much air a star is seen through. */
import { RAD_PER_DEG } from '../math/angles.ts';

/** Air in zenith thicknesses: 1 overhead, 1.92 at 30 degrees, 5 at the horizon and below it.
 *  Source: (1 - 0.96 sin^2 z)^-0.5 of the moonlight model of 1991 (PASP 103, 1033).
 *  @param altDeg altitude, -90 to 90. */
export function airmass(altDeg: number): number {
  const sinZ = Math.cos(Math.max(0, altDeg) * RAD_PER_DEG);
  return 1 / Math.sqrt(1 - 0.96 * sinZ * sinZ);
}

/** Width of a star that the air smears: zenith value x airmass^0.6. 2.5 arcsec overhead are 3.7 at 30 degrees.
 *  Source: Kolmogorov turbulence (Fried 1966). */
export function seeingAtArcsec(zenithArcsec: number, altDeg: number): number {
  return zenithArcsec * airmass(altDeg) ** 0.6;
}

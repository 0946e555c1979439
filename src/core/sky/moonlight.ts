/** How much the moon brightens the sky at a place of it.
 *  Source: Krisciunas and Schaefer 1991, PASP 103, 1033 (V band); light in nanolamberts, angles in degrees. */
import { RAD_PER_DEG } from '../math/angles.ts';
import { requireRange } from '../result.ts';
import { airmass } from './airmass.ts';

/** Magnitudes that air overhead takes. */
export const USUAL_EXTINCTION_MAG = 0.172;
/** Of the zenith without moon, where nobody entered it. */
export const USUAL_DARK_SKY_MAG = 21.587;

export type MoonlightInput = {
  /** 0 = full, 90 = quarter; its sign does not matter. */
  moonPhaseAngleDeg: number;
  moonAltDeg: number;
  targetAltDeg: number;
  separationDeg: number;
  extinctionMagPerAirmass: number;
  darkSkyMagArcsec2: number;
};

export type Moonlight = {
  moonNanoLamberts: number;
  /** At the target, with the moon. */
  skyMagArcsec2: number;
  /** By how much the moon brightens it, >= 0. */
  brighteningMag: number;
};

const nanoLamberts = (magArcsec2: number): number => 34.08 * Math.exp(20.7233 - 0.92104 * magArcsec2);
const magnitude = (light: number): number => (20.7233 - Math.log(light / 34.08)) / 0.92104;

/** Nearer than this the moon's own halo scatters. */
const HALO_DEG = 10;

function scattering(separationDeg: number): number {
  const rayleigh = 10 ** 5.36 * (1.06 + Math.cos(separationDeg * RAD_PER_DEG) ** 2);
  const mie = separationDeg >= HALO_DEG ? 10 ** (6.15 - separationDeg / 40) : 6.2e7 / separationDeg ** 2;
  return rayleigh + mie;
}

/** A full moon 60 degrees away, both 60 degrees high, brightens a dark sky by 3.06 mag: to 18.41.
 *  A moon below the horizon gives no light.
 *  @throws RangeError for a separation of 0. */
export function moonlight(input: MoonlightInput): Moonlight {
  const { moonPhaseAngleDeg, moonAltDeg, targetAltDeg, separationDeg, extinctionMagPerAirmass: k } = input;
  requireRange('separationDeg', separationDeg, 1e-6, 180);
  const air = airmass(targetAltDeg);
  const phase = Math.abs(moonPhaseAngleDeg);
  const outside = 10 ** (-0.4 * (3.84 + 0.026 * phase + 4e-9 * phase ** 4));
  const moonNanoLamberts =
    moonAltDeg < 0
      ? 0
      : scattering(separationDeg) * outside * 10 ** (-0.4 * k * airmass(moonAltDeg)) * (1 - 10 ** (-0.4 * k * air));
  const dark = nanoLamberts(input.darkSkyMagArcsec2) * 10 ** (-0.4 * k * (air - 1)) * air;
  const skyMagArcsec2 = magnitude(dark + moonNanoLamberts);
  return { moonNanoLamberts, skyMagArcsec2, brighteningMag: magnitude(dark) - skyMagArcsec2 };
}

/** How many times the exposure reaches the same depth under a brighter sky: 2.1 mag ask for 7 times. */
export const exposureFactor = (brighteningMag: number): number => 10 ** (0.4 * brighteningMag);

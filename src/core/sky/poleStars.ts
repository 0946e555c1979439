/** The stars that mark the poles: J2000 positions and proper motions of the Hipparcos catalogue (ESA, 1997). */
import type { CatalogueStar, Equatorial } from './ephemeris.ts';

export type PoleStar = CatalogueStar & { hip: number; name: string; magnitude: number };

export const NORTH_POLE_STAR: PoleStar = {
  hip: 11767,
  name: 'Polaris',
  magnitude: 2.0,
  raJ2000Deg: 37.9545,
  decJ2000Deg: 89.2641,
  pmRaCosDecMasPerYr: 44.48,
  pmDecMasPerYr: -11.85,
};

export const SOUTH_POLE_STAR: PoleStar = {
  hip: 104382,
  name: 'Sigma Octantis',
  magnitude: 5.4,
  raJ2000Deg: 317.1952,
  decJ2000Deg: -88.9565,
  pmRaCosDecMasPerYr: 26.0,
  pmDecMasPerYr: 4.8,
};

/** The pattern around the southern pole, all faint: sigma with chi, upsilon and tau of the same constellation, in
 *  the order in which they make a trapezium. */
export const SOUTH_PATTERN: readonly PoleStar[] = [
  SOUTH_POLE_STAR,
  { hip: 92824, name: 'Chi Octantis', magnitude: 5.3, raJ2000Deg: 283.6964, decJ2000Deg: -87.6058 },
  { hip: 111196, name: 'Upsilon Octantis', magnitude: 5.8, raJ2000Deg: 337.9063, decJ2000Deg: -85.9673 },
  { hip: 115836, name: 'Tau Octantis', magnitude: 5.5, raJ2000Deg: 352.0158, decJ2000Deg: -87.4822 },
];

/** Fainter company of the northern pole star that helps to recognise the field. */
export const NORTH_PATTERN: readonly PoleStar[] = [
  NORTH_POLE_STAR,
  { hip: 84535, name: 'Lambda Ursae Minoris', magnitude: 6.4, raJ2000Deg: 259.2353, decJ2000Deg: 89.0377 },
  { hip: 37391, name: '51 Cephei', magnitude: 5.1, raJ2000Deg: 115.127, decJ2000Deg: 87.0201 },
  { hip: 85822, name: 'Delta Ursae Minoris', magnitude: 4.3, raJ2000Deg: 263.0542, decJ2000Deg: 86.5865 },
  { hip: 5372, name: '2 Ursae Minoris', magnitude: 4.2, raJ2000Deg: 17.187, decJ2000Deg: 86.2571 },
];

export function poleStarFor(latDeg: number): PoleStar {
  return latDeg < 0 ? SOUTH_POLE_STAR : NORTH_POLE_STAR;
}

export function polePatternFor(latDeg: number): readonly PoleStar[] {
  return latDeg < 0 ? SOUTH_PATTERN : NORTH_PATTERN;
}

/** Distance from the pole on its side of the equator, arcmin. */
export function polarDistanceArcmin({ decDeg }: Equatorial): number {
  return (90 - Math.abs(decDeg)) * 60;
}

/** How wide lens or tube itself makes a focused star, before air, diffraction and pixels: what is assumed until a star was
 *  measured. */
import { ARCSEC_PER_RAD } from '../math/angles.ts';
import type { TubeKind } from '../records/part.ts';
import { requirePositive } from '../result.ts';

/** Full width at half maximum at the sensor, um, by focal ratio: from this one on. */
const LENS_UM: readonly (readonly [fromRatio: number, um: number])[] = [
  [4, 8],
  [2.8, 10],
  [0, 14],
];
const CORRECTED_UM = 4;
const UNCORRECTED_UM = 5;
const MIRROR_LENS_UM = 6;
const PHONE_UM = 2;
/** An f-number is told to one decimal: a 48.2 mm lens of 135 mm is one of f/2.8. */
const TOLD_TO = 0.05;

export type BlurOf = { kind: TubeKind | 'phone'; focalRatio: number; corrected: boolean };

/** A lens at f/4 and slower 8 um, down to f/2.8 10, faster 14; a refractor or reflector 4 with its corrector and 5 without (the
 *  middle of the field), a mirror lens 6, a phone 2.
 *  Source: rules of thumb of practitioners, measured star widths less air, pixel and diffraction. */
export function assumedBlurUm({ kind, focalRatio, corrected }: BlurOf): number {
  requirePositive('focalRatio', focalRatio);
  switch (kind) {
    case 'lens':
      return LENS_UM.find(([fromRatio]) => focalRatio + TOLD_TO >= fromRatio)?.[1] ?? 0;
    case 'refractor':
    case 'newtonian':
      return corrected ? CORRECTED_UM : UNCORRECTED_UM;
    case 'mirrorLens':
      return MIRROR_LENS_UM;
    case 'phone':
      return PHONE_UM;
  }
}

/** A width at the sensor as it is seen on the sky, arcsec: 8 um at 135 mm are 12.2. */
export function blurArcsec(blurUm: number, focalMm: number): number {
  requirePositive('focalMm', focalMm);
  return (blurUm / 1000 / focalMm) * ARCSEC_PER_RAD;
}

/** The inverse, um. */
export const blurUm = (blurFwhmArcsec: number, focalMm: number): number =>
  (blurFwhmArcsec / ARCSEC_PER_RAD) * focalMm * 1000;

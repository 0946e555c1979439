/** What a tube of a given aperture and focal length weighs and measures, as a rule of thumb. */
import { requirePositive } from '../result.ts';

export type TubeKind = 'lens' | 'refractor' | 'reflector';
export type TubeGuess = { kind: TubeKind; massKg: number; lengthM: number };

const LARGEST_LENS_MM = 55;
const LARGEST_REFRACTOR_MM = 125;

/** Refractors grow from 3.4 kg at 80 mm with the power 2.2 of the aperture, reflectors from 5.9 kg at 150 mm with its
 *  square, lenses from 0.83 kg at 48 mm. Lengths follow the focal length. */
export function guessTube(apertureMm: number, focalMm: number): TubeGuess {
  requirePositive('apertureMm', apertureMm);
  requirePositive('focalMm', focalMm);
  if (apertureMm <= LARGEST_LENS_MM) {
    return { kind: 'lens', massKg: Math.max(0.2, 0.83 * (apertureMm / 48) ** 2), lengthM: (focalMm * 1.1) / 1000 };
  }
  if (apertureMm <= LARGEST_REFRACTOR_MM) {
    return { kind: 'refractor', massKg: 3.4 * (apertureMm / 80) ** 2.2, lengthM: focalMm / 1000 };
  }
  return { kind: 'reflector', massKg: 5.9 * (apertureMm / 150) ** 2, lengthM: (focalMm * 0.96) / 1000 };
}

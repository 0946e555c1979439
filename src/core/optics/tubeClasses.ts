/** What a tube of a given aperture and focal length weighs and measures, as a rule of thumb. */
import type { TubeKind } from '../records/part.ts';
import { requirePositive } from '../result.ts';

export type TubeGuess = { kind: TubeKind; massKg: number; lengthM: number };

const LARGEST_LENS_MM = 55;
const LARGEST_REFRACTOR_MM = 125;

/** Refractors grow from 3.4 kg at 80 mm with the power 2.2 of the aperture, reflectors from 5.9 kg at 150 mm and mirror
 *  lenses from 5.7 kg at 200 mm with its square, lenses from 0.83 kg at 48 mm. Lengths follow the focal length, folded in a
 *  mirror lens. */
export function tubeOfKind(kind: TubeKind, apertureMm: number, focalMm: number): TubeGuess {
  requirePositive('apertureMm', apertureMm);
  requirePositive('focalMm', focalMm);
  switch (kind) {
    case 'lens':
      return { kind, massKg: Math.max(0.2, 0.83 * (apertureMm / 48) ** 2), lengthM: (focalMm * 1.1) / 1000 };
    case 'refractor':
      return { kind, massKg: 3.4 * (apertureMm / 80) ** 2.2, lengthM: focalMm / 1000 };
    case 'newtonian':
      return { kind, massKg: 5.9 * (apertureMm / 150) ** 2, lengthM: (focalMm * 0.96) / 1000 };
    case 'mirrorLens':
      return { kind, massKg: 5.7 * (apertureMm / 200) ** 2, lengthM: (focalMm * 0.22) / 1000 };
  }
}

/** The same where only the numbers are known: small ones are lenses, middle ones refractors, large ones reflectors. */
export function guessTube(apertureMm: number, focalMm: number): TubeGuess {
  const kind = apertureMm <= LARGEST_LENS_MM ? 'lens' : apertureMm <= LARGEST_REFRACTOR_MM ? 'refractor' : 'newtonian';
  return tubeOfKind(kind, apertureMm, focalMm);
}

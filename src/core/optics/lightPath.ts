/** Single relations of the light path: exposure equivalence, focus tolerance, reducer, filter glass, eyepieces.
 *  Source: Airy disc of Born and Wolf, Principles of Optics (1999), 8.5.2; thin lens and plane plate of Hecht, Optics (2017),
 *  ch. 5. */
import { requirePositive } from '../result.ts';

export type Photosite = { focalRatio: number; pixelUm: number; transmission?: number; quantumEfficiency?: number };

/** Exposure that gives the same electrons per pixel from an extended object, s:
 *  t2 = t1 (N2/N1)^2 (p1/p2)^2 (T1 QE1)/(T2 QE2). f/6 to f/4.8 at 300 s: 192 s. */
export function equivalentExposureS(exposureS: number, from: Photosite, to: Photosite): number {
  const throughput = (site: Photosite): number => (site.transmission ?? 1) * (site.quantumEfficiency ?? 1);
  return (
    exposureS *
    (to.focalRatio / from.focalRatio) ** 2 *
    (from.pixelUm / to.pixelUm) ** 2 *
    (throughput(from) / throughput(to))
  );
}

/** Whole travel of the sensor within which the blur stays inside the Airy disc, um: 4.88 lambda N^2. f/6: 97 um. */
export function focusToleranceTotalUm(focalRatio: number, wavelengthNm = 550): number {
  return 4.88 * (wavelengthNm / 1000) * focalRatio ** 2;
}

/** Diameter of the Airy disc to its first dark ring, um: 2.44 lambda N. */
export function airyDiameterUm(focalRatio: number, wavelengthNm = 550): number {
  return 2.44 * (wavelengthNm / 1000) * focalRatio;
}

/** Factor of a reducer (focal length + ) or barlow (focal length -) at a distance from its principal plane to the
 *  sensor: k = 1 - d/f. */
export function reducerFactor(focalMm: number, distanceMm: number): number {
  return 1 - distanceMm / focalMm;
}

/** Distance that gives a wanted factor; inverse of `reducerFactor`. */
export function reducerDistanceMm(focalMm: number, factor: number): number {
  return (1 - factor) * focalMm;
}

/** Change of the factor per mm of extra spacing: -1/f. */
export function reducerChangePerMm(focalMm: number): number {
  return -1 / focalMm;
}

/** How far glass plates push the focus back, mm: sum of t (1 - 1/n); a third of the thickness at n = 1.5. */
export function glassShiftMm(glass: readonly { thicknessMm: number; index: number }[]): number {
  return glass.reduce((total, plate) => total + plate.thicknessMm * (1 - 1 / plate.index), 0);
}

export type Eyepiece = { apertureMm: number; focalMm: number; eyepieceMm: number; barlow?: number };

/** What most eyepieces show across, as the eye sees it. */
const USUAL_APPARENT_DEG = 50;

/** How much sky an eyepiece of the usual apparent field shows, degrees: 25 mm in 750 mm of focal length show 1.67.
 *  Source: apparent field over magnification. */
export function trueFieldDeg({ focalMm, eyepieceMm }: Pick<Eyepiece, 'focalMm' | 'eyepieceMm'>): number {
  requirePositive('focalMm', focalMm);
  return (USUAL_APPARENT_DEG * eyepieceMm) / focalMm;
}

/** Magnification, exit pupil and the useful maximum of about twice the aperture in mm. */
export function visualView(input: Eyepiece): {
  magnification: number;
  exitPupilMm: number;
  usefulMaximum: number;
  overUseful: boolean;
} {
  requirePositive('eyepieceMm', input.eyepieceMm);
  const magnification = (input.focalMm * (input.barlow ?? 1)) / input.eyepieceMm;
  const usefulMaximum = 2 * input.apertureMm;
  return {
    magnification,
    exitPupilMm: input.apertureMm / magnification,
    usefulMaximum,
    overUseful: magnification > usefulMaximum,
  };
}

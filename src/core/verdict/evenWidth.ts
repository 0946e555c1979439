/** The star that this night and these optics allow, before anything moves it: the same in all directions.
 *  Source: second moments of independent blurs add; Airy width 1.03 lambda/D, a uniform disc b^2/16, a square pixel p^2/12
 *  (Born & Wolf 1999). */
import { ARCSEC_PER_RAD } from '../math/angles.ts';
import type { EvenItem, PlannedSub } from './plannedSub.ts';

export const FWHM_PER_SIGMA = 2.3548;
const WAVELENGTH_M = 550e-9;

/** Variance per axis of each even item, arcsec^2. */
export function evenVariances(sub: PlannedSub): Record<EvenItem, number> {
  const diffractionFwhm = ((1.03 * WAVELENGTH_M) / (sub.apertureMm / 1000)) * ARCSEC_PER_RAD;
  return {
    seeing: (sub.seeingFwhmArcsec / FWHM_PER_SIGMA) ** 2,
    defocus: sub.defocusDiscArcsec ** 2 / 16,
    diffraction: (diffractionFwhm / FWHM_PER_SIGMA) ** 2,
    pixel: sub.scaleArcsecPerPx ** 2 / 12,
    balanceWind: sub.balanceWindArcsec ** 2,
  };
}

/** Of all of them together, arcsec^2. */
export function evenVariance(sub: PlannedSub): number {
  return Object.values(evenVariances(sub)).reduce((sum, variance) => sum + variance, 0);
}

/** The star that this night and these optics allow, before anything moves it: the same in all directions.
 *  Source: second moments of independent blurs add; Airy width 1.03 lambda/D, a uniform disc b^2/16, a square pixel p^2/12
 *  (Born & Wolf 1999). */
import { ARCSEC_PER_RAD } from '../math/angles.ts';
import type { EvenItem, PlannedSub } from './plannedSub.ts';

export const FWHM_PER_SIGMA = 2.3548;
const WAVELENGTH_M = 550e-9;

type Widened = Pick<
  PlannedSub,
  | 'apertureMm'
  | 'scaleArcsecPerPx'
  | 'seeingFwhmArcsec'
  | 'opticsFwhmArcsec'
  | 'defocusDiscArcsec'
  | 'balanceWindArcsec'
>;

/** Variance per axis of each even item, arcsec^2. */
export function evenVariances(sub: Widened): Record<EvenItem, number> {
  const diffractionFwhm = ((1.03 * WAVELENGTH_M) / (sub.apertureMm / 1000)) * ARCSEC_PER_RAD;
  return {
    seeing: (sub.seeingFwhmArcsec / FWHM_PER_SIGMA) ** 2,
    optics: (sub.opticsFwhmArcsec / FWHM_PER_SIGMA) ** 2,
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

export type WidthParts = Pick<PlannedSub, 'seeingFwhmArcsec' | 'opticsFwhmArcsec'>;

/** What a measured width of a focused star says of the optics: its square less those of air, diffraction and pixel. Where
 *  these alone are wider already, the air was better than thought, and the optics add nothing.
 *  @param widthArcsec full width at half maximum of a frame so short that nothing moved it, > 0.
 *  @param at the air where that star stood. */
export function partsOfWidth(
  widthArcsec: number,
  at: Pick<PlannedSub, 'apertureMm' | 'scaleArcsecPerPx' | 'seeingFwhmArcsec'>,
): WidthParts {
  const still = { ...at, opticsFwhmArcsec: 0, defocusDiscArcsec: 0, balanceWindArcsec: 0 };
  const { seeing, diffraction, pixel } = evenVariances(still);
  const whole = (widthArcsec / FWHM_PER_SIGMA) ** 2;
  const fwhm = (variance: number): number => FWHM_PER_SIGMA * Math.sqrt(Math.max(0, variance));
  const left = whole - diffraction - pixel;
  return {
    seeingFwhmArcsec: Math.min(at.seeingFwhmArcsec, fwhm(left)),
    opticsFwhmArcsec: fwhm(left - seeing),
  };
}

/** Length of the worst corner's star over its even width where the corrector stands wrong. 1 = the corners are fine.
 *  @param spacing null = nothing is known to be wrong. */
export function cornersStretch(sub: PlannedSub, spacing: PlannedSub['spacing']): number {
  if (!spacing) return 1;
  const worst = Math.max(...spacing.sigmaArcsec) ** 2;
  return Math.sqrt(1 + worst / evenVariance(sub));
}

/** What each imperfection adds to the star image: one covariance per item and point of the frame, in arcsec^2.
 *  x = along right ascension on the sky (east +), y = along declination (north +). */
import { RAD_PER_DEG } from '../math/angles.ts';
import {
  addCovariance,
  NO_SPREAD,
  roundSpread,
  spreadAlong,
  uniformTrail,
  type Covariance2,
} from '../math/covariance2.ts';
import { driftRates, SIDEREAL_RAD_PER_S, totalErrorArcmin } from '../mount/polarDrift.ts';
import { parallacticAngleDeg, toHorizontal } from '../sky/horizontal.ts';
import { curveVariance, sinusoidVariance, type ErrorCurve, type Sinusoid } from '../tracking/periodicError.ts';
import { framePoints, type FramePoint } from './framePoints.ts';

export const FWHM_PER_SIGMA = 2.3548;

export type PolarError =
  | { known: 'size'; errorArcmin: number }
  | { known: 'components'; altErrorArcmin: number; azErrorArcmin: number; latDeg: number; haH: number };

export type Tracking =
  | {
      guided: false;
      sinusoids: readonly Sinusoid[];
      curve: ErrorCurve | null;
      raRateAxisArcsecPerMin: number;
      /** Place of the target at mid-exposure; null when it is too low for the formula. */
      refraction: { latDeg: number; haH: number } | null;
    }
  | {
      guided: true;
      rmsRaArcsec: number;
      rmsDecArcsec: number;
      guideStarArcsec: readonly [number, number];
      flexureArcsecPerMin: number;
      /** Direction in which the guide scope sags against the camera, from north through east; null = not known. */
      flexureDirectionDeg: number | null;
    };

export type BudgetInput = {
  scaleArcsecPerPx: number;
  widthPx: number;
  heightPx: number;
  cameraAngleDeg: number;
  apertureMm: number;
  declinationDeg: number;
  exposureS: number;
  seeingFwhmArcsec: number;
  defocusDiscArcsec: number;
  /** One sigma for balance and wind together. */
  balanceWindArcsec: number;
  polar: PolarError;
  tracking: Tracking;
  /** Spread at the four corners, along the radius or across it; null = none assumed. */
  spacing: { sigmaArcsec: readonly [number, number, number, number]; direction: 'radial' | 'tangential' } | null;
};

export type StretchItem =
  'periodicError' | 'raRate' | 'polarDrift' | 'fieldRotation' | 'guiding' | 'flexure' | 'spacing' | 'refraction';
export type WidenItem = 'seeing' | 'defocus' | 'diffraction' | 'pixel' | 'balanceWind';
export type BudgetItemName = StretchItem | WidenItem;
/** Per item its covariance at centre, corner0..corner3. */
export type Contributions = Partial<Record<BudgetItemName, readonly Covariance2[]>>;

const everywhere = (points: readonly FramePoint[], c: Covariance2): Covariance2[] => points.map(() => c);

/** Total polar error on the sky, arcmin. */
export function polarErrorSizeArcmin(polar: PolarError): number {
  return polar.known === 'size' ? polar.errorArcmin : totalErrorArcmin(polar, polar.latDeg);
}

/** Largest field rotation in the exposure, radians: w t e / cos(dec) about the guide star, w t e cos(dec) about the
 *  frame's centre without guiding. */
export function fieldRotationRad(input: BudgetInput): number {
  const error = (polarErrorSizeArcmin(input.polar) / 60) * RAD_PER_DEG;
  const cosDec = Math.cos(input.declinationDeg * RAD_PER_DEG);
  return SIDEREAL_RAD_PER_S * input.exposureS * error * (input.tracking.guided ? 1 / cosDec : cosDec);
}

/** Drift of declination (and right ascension when the axis error is known by its parts) over the exposure. */
export function polarDriftArcsec(input: BudgetInput): [number, number] {
  const minutes = input.exposureS / 60;
  if (input.polar.known === 'size') return [0, 0.2625 * input.polar.errorArcmin * minutes];
  const rates = driftRates(input.polar, input.polar.latDeg, input.declinationDeg, input.polar.haH);
  return [rates.raPerMin * minutes, rates.decPerMin * minutes];
}

/** Refraction at the target as a vector (x, y): 58.2 tan(z) arcsec toward the zenith. Valid to z of about 80 degrees. */
function refractionVector(latDeg: number, decDeg: number, haH: number): [number, number] {
  const z = (90 - toHorizontal(haH, decDeg, latDeg).altDeg) * RAD_PER_DEG;
  const q = parallacticAngleDeg(haH, decDeg, latDeg) * RAD_PER_DEG;
  const lift = 58.2 * Math.tan(z);
  return [lift * Math.sin(q), lift * Math.cos(q)];
}

/** Change of refraction from start to end of the exposure, arcsec (x, y). */
export function refractionDriftArcsec(input: BudgetInput, at: { latDeg: number; haH: number }): [number, number] {
  const halfH = (input.exposureS * SIDEREAL_RAD_PER_S * 12) / Math.PI / 2;
  const start = refractionVector(at.latDeg, input.declinationDeg, at.haH - halfH);
  const end = refractionVector(at.latDeg, input.declinationDeg, at.haH + halfH);
  return [end[0] - start[0], end[1] - start[1]];
}

function rotationSpread(input: BudgetInput, points: readonly FramePoint[]): Covariance2[] {
  const theta = fieldRotationRad(input);
  const [gx, gy] = input.tracking.guided ? input.tracking.guideStarArcsec : [0, 0];
  return points.map(({ x, y }) => uniformTrail(-(y - gy) * theta, (x - gx) * theta));
}

function spacingSpread(input: BudgetInput, points: readonly FramePoint[]): Covariance2[] {
  const { spacing } = input;
  if (!spacing) return everywhere(points, NO_SPREAD);
  return points.map(({ x, y }, i) => {
    const variance = i === 0 ? 0 : (spacing.sigmaArcsec[i - 1] ?? 0) ** 2;
    return spacing.direction === 'radial' ? spreadAlong(x, y, variance) : spreadAlong(-y, x, variance);
  });
}

function flexureSpread(perMin: number, directionDeg: number | null, exposureS: number): Covariance2 {
  const length = perMin * (exposureS / 60);
  // Without a known direction the sag is laid along declination, where nothing else hides it.
  const direction = (directionDeg ?? 0) * RAD_PER_DEG;
  return uniformTrail(length * Math.sin(direction), length * Math.cos(direction));
}

function trackingContributions(input: BudgetInput, points: readonly FramePoint[]): Contributions {
  const { tracking, exposureS } = input;
  const cosDec = Math.cos(input.declinationDeg * RAD_PER_DEG);
  if (tracking.guided) {
    return {
      guiding: everywhere(points, { xx: tracking.rmsRaArcsec ** 2, xy: 0, yy: tracking.rmsDecArcsec ** 2 }),
      flexure: everywhere(points, flexureSpread(tracking.flexureArcsecPerMin, tracking.flexureDirectionDeg, exposureS)),
    };
  }
  const periodic =
    sinusoidVariance(tracking.sinusoids, exposureS) + (tracking.curve ? curveVariance(tracking.curve, exposureS) : 0);
  const rateArcsec = tracking.raRateAxisArcsecPerMin * (exposureS / 60) * cosDec;
  const refraction = tracking.refraction
    ? uniformTrail(...refractionDriftArcsec(input, tracking.refraction))
    : NO_SPREAD;
  return {
    periodicError: everywhere(points, { xx: periodic * cosDec * cosDec, xy: 0, yy: 0 }),
    raRate: everywhere(points, uniformTrail(rateArcsec, 0)),
    polarDrift: everywhere(points, uniformTrail(...polarDriftArcsec(input))),
    refraction: everywhere(points, refraction),
  };
}

/** Every item of the budget. Adding variances of drifts that run together is a stated simplification. */
export function contributions(input: BudgetInput): Contributions {
  const points = framePoints(input);
  const diffractionFwhm = ((1.03 * 550e-9) / (input.apertureMm / 1000)) * 206264.806;
  return {
    ...trackingContributions(input, points),
    fieldRotation: rotationSpread(input, points),
    spacing: spacingSpread(input, points),
    seeing: everywhere(points, roundSpread((input.seeingFwhmArcsec / FWHM_PER_SIGMA) ** 2)),
    defocus: everywhere(points, roundSpread(input.defocusDiscArcsec ** 2 / 16)),
    diffraction: everywhere(points, roundSpread((diffractionFwhm / FWHM_PER_SIGMA) ** 2)),
    pixel: everywhere(points, roundSpread(input.scaleArcsecPerPx ** 2 / 12)),
    balanceWind: everywhere(points, roundSpread(input.balanceWindArcsec ** 2)),
  };
}

/** The star's whole spread at each point. */
export function totalCovariances(parts: Contributions): Covariance2[] {
  const lists = Object.values(parts);
  const count = lists[0]?.length ?? 0;
  return Array.from({ length: count }, (_, i) =>
    lists.reduce((total, list) => addCovariance(total, list[i] ?? NO_SPREAD), NO_SPREAD),
  );
}

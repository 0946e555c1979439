/** Does a guide scope see finely enough, is a finder target far enough, and how good must the pole be.
 *  Source: small angles; rules of thumb are named as such. */
import { ARCSEC_PER_RAD, DEG_PER_RAD, RAD_PER_DEG } from '../math/angles.ts';
import { imageScaleArcsecPerPx } from './train.ts';

export type GuideMatch = {
  guideScaleArcsecPerPx: number;
  imagingScaleArcsecPerPx: number;
  scaleRatio: number;
  centroidErrorArcsec: number;
  centroidErrorImagingPx: number;
  verdict: 'comfortable' | 'limit' | 'poor';
};

/** Guide scale over imaging scale up to which guiding is comfortable, and the last that does. */
export const COMFORTABLE_RATIO = 4;
const LIMIT_RATIO = 5;

/** Guide scale over imaging scale: up to 4 comfortable, 5 the limit. The centroid is good to about 0.15 px. */
export function guideMatch(input: {
  guideFocalMm: number;
  guidePixelUm: number;
  focalMm: number;
  pixelUm: number;
  centroidPx: number;
}): GuideMatch {
  const guideScale = imageScaleArcsecPerPx(input.guidePixelUm, input.guideFocalMm);
  const imagingScale = imageScaleArcsecPerPx(input.pixelUm, input.focalMm);
  const scaleRatio = guideScale / imagingScale;
  return {
    guideScaleArcsecPerPx: guideScale,
    imagingScaleArcsecPerPx: imagingScale,
    scaleRatio,
    centroidErrorArcsec: input.centroidPx * guideScale,
    centroidErrorImagingPx: (input.centroidPx * guideScale) / imagingScale,
    verdict: scaleRatio <= COMFORTABLE_RATIO ? 'comfortable' : scaleRatio <= LIMIT_RATIO ? 'limit' : 'poor',
  };
}

/** A finder is aligned by day on something at least this far away. */
export const FINDER_DISTANCE_M = 400;

/** Angle between finder and tube on a near target, arcmin: 0.1 m at 400 m leaves 0.86. */
export function finderParallax(offsetM: number, distanceM: number): { parallaxArcmin: number; farEnough: boolean } {
  return {
    parallaxArcmin: Math.atan(offsetM / distanceM) * DEG_PER_RAD * 60,
    farEnough: distanceM >= FINDER_DISTANCE_M,
  };
}

const SIDEREAL_RAD_PER_MIN = 7.2921159e-5 * 60;

/** Largest polar error that keeps field rotation below a trail on the sensor, arcmin, at a field angle from the guide
 *  star: about 45000 S cos(dec) / (t F A). */
export function polarToleranceArcmin(input: {
  trailUm: number;
  declinationDeg: number;
  exposureMin: number;
  focalMm: number;
  fieldAngleDeg: number;
}): number {
  const trailArcsec = (input.trailUm / 1000 / input.focalMm) * ARCSEC_PER_RAD;
  const rotationRad = trailArcsec / (input.fieldAngleDeg * 3600);
  const errorRad =
    (rotationRad * Math.cos(input.declinationDeg * RAD_PER_DEG)) / (SIDEREAL_RAD_PER_MIN * input.exposureMin);
  return errorRad * DEG_PER_RAD * 60;
}

/** What the light-path bench shows, as codes and figures. */
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { LightPath } from '../../core/rig/lightPathOfRig.ts';
import { trueFieldDeg, visualView } from '../../core/optics/lightPath.ts';
import { circleFit, type CircleFit } from '../../core/optics/spacing.ts';
import type { Train } from '../../core/optics/train.ts';
import type { LightPathSaying } from '../../text/lightPathWords.ts';

export type LightPathModel = {
  saying: LightPathSaying;
  train: Train | null;
  lightPath: LightPath;
  circle: CircleFit | null;
};

/** What the eye sees through its eyepiece. */
function eyeSaying(
  optics: NonNullable<NightStatic['numbers']['eyeOptics']>,
): Extract<LightPathSaying, { code: 'eye' }> {
  return { code: 'eye', eyepieceMm: optics.eyepieceMm, fieldDeg: trueFieldDeg(optics), ...visualView(optics) };
}

/** Which word the distance deserves; a joint that does not fit comes first, because nothing can be measured then. */
function sayingOf({ train, lightPath: { spacing, misfits }, eyeOptics }: NightStatic['numbers']): LightPathSaying {
  if (eyeOptics) return eyeSaying(eyeOptics);
  if (!train) return { code: 'incomplete' };
  const misfit = misfits[0];
  if (misfit) return { code: 'misfit', misfit };
  if (!spacing) return { code: 'noCorrector', focalMm: train.focalEffectiveMm, focalRatio: train.focalRatio };
  const { presentMm, neededMm, errorMm, toleranceMm } = spacing;
  if (spacing.withinTolerance) return { code: 'right', presentMm, neededMm, errorMm, toleranceMm };
  return { code: errorMm < 0 ? 'short' : 'long', byMm: Math.abs(errorMm), presentMm, neededMm };
}

export function lightPathModel({ numbers }: NightStatic): LightPathModel {
  const { train, lightPath } = numbers;
  const { imageCircleMm } = lightPath;
  return {
    saying: sayingOf(numbers),
    train,
    lightPath,
    circle: train && imageCircleMm !== null ? circleFit(imageCircleMm, train.sensorDiagonalMm) : null,
  };
}

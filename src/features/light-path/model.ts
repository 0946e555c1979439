/** What the light-path bench shows, as codes and figures. */
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { LightPath } from '../../core/rig/lightPathOfRig.ts';
import { trueFieldDeg, visualView } from '../../core/optics/lightPath.ts';
import { circleFit, isKnownRight, isKnownWrong, type CircleFit, type Spacing } from '../../core/optics/spacing.ts';
import type { Train } from '../../core/optics/train.ts';
import type { LightPathSaying, Wanted } from '../../text/lightPathWords.ts';

export type LightPathModel = {
  saying: LightPathSaying;
  train: Train | null;
  lightPath: LightPath;
  circle: CircleFit | null;
  wanted: Wanted;
};

/** What the eye sees through its eyepiece. */
function eyeSaying(
  optics: NonNullable<NightStatic['numbers']['eyeOptics']>,
): Extract<LightPathSaying, { code: 'eye' }> {
  return { code: 'eye', eyepieceMm: optics.eyepieceMm, fieldDeg: trueFieldDeg(optics), ...visualView(optics) };
}

/** Which word the distance deserves; a joint that does not fit comes first, because nothing can be measured then. */
function sayingOf({ train, lightPath, eyeOptics }: NightStatic['numbers']): LightPathSaying {
  const { spacing, misfits } = lightPath;
  if (eyeOptics) return eyeSaying(eyeOptics);
  if (!train) return { code: 'incomplete' };
  const misfit = misfits[0];
  if (misfit) return { code: 'misfit', misfit };
  if (!spacing) return { code: 'noCorrector', focalMm: train.focalEffectiveMm, focalRatio: train.focalRatio };
  return distanceSaying(spacing, lightPath);
}

function distanceSaying(spacing: Spacing, { assumed }: LightPath): LightPathSaying {
  const { presentMm, neededMm, errorMm, toleranceMm, doubtMm } = spacing;
  if (isKnownRight(spacing)) return { code: 'right', presentMm, neededMm, errorMm, toleranceMm };
  if (isKnownWrong(spacing))
    return { code: errorMm < 0 ? 'short' : 'long', byMm: Math.abs(errorMm), presentMm, neededMm, doubtMm };
  const what = assumed.includes('backFocus') ? 'backFocus' : 'depth';
  return { code: 'assumed', what, depthMm: spacing.pieces.at(-1)?.lengthMm ?? 0, presentMm, neededMm, doubtMm };
}

const wantedOf = ({ spacing, corrector }: LightPath): Wanted => ({
  glassMm: spacing?.glassMm ?? 0,
  learnedMm: spacing?.learnedMm ?? 0,
  isAssumed: corrector?.backFocusMm === null,
});

export function lightPathModel({ numbers }: NightStatic): LightPathModel {
  const { train, lightPath } = numbers;
  const { imageCircleMm } = lightPath;
  return {
    saying: sayingOf(numbers),
    train,
    lightPath,
    wanted: wantedOf(lightPath),
    circle: train && imageCircleMm !== null ? circleFit(imageCircleMm, train.sensorDiagonalMm) : null,
  };
}

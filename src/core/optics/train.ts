/** Focal length, ratio, image scale and field of an optical train. */
import { ARCSEC_PER_RAD, DEG_PER_RAD } from '../math/angles.ts';
import { requirePositive } from '../result.ts';

/** Image scale at the optical axis, arcsec per pixel: 4 um at 500 mm gives 1.650.
 *  Off axis a pixel covers less sky (radially by cos^2 of the field angle); not included.
 *  @param pixelUm side of one binned pixel, > 0.  @param focalLengthMm effective, with reducer, > 0.
 *  @throws RangeError naming the argument and its value.  Source: small-angle tangent, 206.265 arcsec mm/um. */
export function imageScaleArcsecPerPx(pixelUm: number, focalLengthMm: number): number {
  requirePositive('pixelUm', pixelUm);
  requirePositive('focalLengthMm', focalLengthMm);
  return Math.atan(pixelUm / 1000 / focalLengthMm) * ARCSEC_PER_RAD;
}

/** Focal length at which a pixel covers so much, mm: the inverse of `imageScaleArcsecPerPx`. */
export function focalMmOfScale(pixelUm: number, scaleArcsecPerPx: number): number {
  requirePositive('pixelUm', pixelUm);
  requirePositive('scaleArcsecPerPx', scaleArcsecPerPx);
  return pixelUm / 1000 / Math.tan(scaleArcsecPerPx / ARCSEC_PER_RAD);
}

/** Full field over a sensor side, degrees: 2 atan(size / 2F). */
export function fieldDeg(sizeMm: number, focalLengthMm: number): number {
  return 2 * Math.atan(sizeMm / (2 * focalLengthMm)) * DEG_PER_RAD;
}

export type Sampling = 'under' | 'good' | 'over';

/** Sampling of a star's width: under 2 px coarse, 2 to 3 good, above fine. */
export function samplingOf(fwhmPx: number): Sampling {
  if (fwhmPx < 2) return 'under';
  return fwhmPx <= 3 ? 'good' : 'over';
}

export type TrainInput = {
  apertureMm: number;
  focalMm: number;
  /** Reducer below 1, barlow above 1. */
  factor: number;
  pixelUm: number;
  widthPx: number;
  heightPx: number;
};

export type Train = {
  focalEffectiveMm: number;
  focalRatio: number;
  scaleArcsecPerPx: number;
  sensorWidthMm: number;
  sensorHeightMm: number;
  sensorDiagonalMm: number;
  fieldWidthDeg: number;
  fieldHeightDeg: number;
  fieldDiagonalDeg: number;
};

/** Everything that follows from tube, corrector and sensor. */
export function opticalTrain(input: TrainInput): Train {
  for (const [name, value] of Object.entries(input)) requirePositive(name, value);
  const focalEffectiveMm = input.focalMm * input.factor;
  const sensorWidthMm = (input.widthPx * input.pixelUm) / 1000;
  const sensorHeightMm = (input.heightPx * input.pixelUm) / 1000;
  const sensorDiagonalMm = Math.hypot(sensorWidthMm, sensorHeightMm);
  return {
    focalEffectiveMm,
    focalRatio: focalEffectiveMm / input.apertureMm,
    scaleArcsecPerPx: imageScaleArcsecPerPx(input.pixelUm, focalEffectiveMm),
    sensorWidthMm,
    sensorHeightMm,
    sensorDiagonalMm,
    fieldWidthDeg: fieldDeg(sensorWidthMm, focalEffectiveMm),
    fieldHeightDeg: fieldDeg(sensorHeightMm, focalEffectiveMm),
    fieldDiagonalDeg: fieldDeg(sensorDiagonalMm, focalEffectiveMm),
  };
}

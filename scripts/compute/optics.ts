/** Adapter of the optics topic: one kind per question. */
import {
  airyDiameterUm,
  equivalentExposureS,
  focusToleranceTotalUm,
  glassShiftMm,
  reducerChangePerMm,
  reducerDistanceMm,
  reducerFactor,
  visualView,
  type Photosite,
} from '../../src/core/optics/lightPath.ts';
import { finderParallax, guideMatch, polarToleranceArcmin } from '../../src/core/optics/guiding.ts';
import { opticalTrain, samplingOf } from '../../src/core/optics/train.ts';
import { InputError, list, num, object, text, type Adapter, type JsonObject } from './types.ts';

function train(input: JsonObject): JsonObject {
  const found = opticalTrain({
    apertureMm: num(input, 'apertureMm'),
    focalMm: num(input, 'focalMm'),
    factor: num(input, 'factor', 1),
    pixelUm: num(input, 'pixelUm'),
    widthPx: num(input, 'widthPx'),
    heightPx: num(input, 'heightPx'),
  });
  const out: JsonObject = { ...found };
  if (input['seeingFwhmArcsec'] !== undefined) {
    const fwhmPx = num(input, 'seeingFwhmArcsec') / found.scaleArcsecPerPx;
    Object.assign(out, { fwhmPx, samplingVerdict: samplingOf(fwhmPx) });
  }
  if (input['imageCircleMm'] !== undefined) out['circleCovers'] = num(input, 'imageCircleMm') >= found.sensorDiagonalMm;
  return out;
}

function photosite(input: JsonObject): Photosite {
  return {
    focalRatio: num(input, 'focalRatio'),
    pixelUm: num(input, 'pixelUm'),
    transmission: num(input, 'transmission', 1),
    quantumEfficiency: num(input, 'quantumEfficiency', num(input, 'qe', 1)),
  };
}

function reducer(input: JsonObject): JsonObject {
  const focalMm = num(input, 'focalMm');
  if (input['wantedFactor'] !== undefined)
    return { distanceMm: reducerDistanceMm(focalMm, num(input, 'wantedFactor')) };
  const distanceMm = num(input, 'distanceMm');
  const out: JsonObject = {
    factor: reducerFactor(focalMm, distanceMm),
    factorChangePerMm: reducerChangePerMm(focalMm),
  };
  if (input['extraSpacingMm'] !== undefined) {
    out['factorWithExtra'] = reducerFactor(focalMm, distanceMm + num(input, 'extraSpacingMm'));
  }
  return out;
}

function visual(input: JsonObject): JsonObject {
  return visualView({
    apertureMm: num(input, 'apertureMm'),
    focalMm: num(input, 'focalMm'),
    eyepieceMm: num(input, 'eyepieceMm'),
    barlow: num(input, 'barlow', 1),
  });
}

const kinds: Record<string, (input: JsonObject) => JsonObject> = {
  train,
  reducer,
  visual,
  exposure: (input) => ({
    exposureS: equivalentExposureS(
      num(input, 'exposureS'),
      photosite(object(input, 'from')),
      photosite(object(input, 'to')),
    ),
  }),
  focus: (input) => ({
    focusToleranceTotalUm: focusToleranceTotalUm(num(input, 'focalRatio'), num(input, 'wavelengthNm', 550)),
    airyDiameterUm: airyDiameterUm(num(input, 'focalRatio'), num(input, 'wavelengthNm', 550)),
  }),
  filter: (input) => ({
    focusShiftMm: glassShiftMm(
      list(input, 'glass').map((g) => ({ thicknessMm: num(g, 'thicknessMm'), index: num(g, 'index') })),
    ),
  }),
  guide: (input) =>
    guideMatch({
      guideFocalMm: num(input, 'guideFocalMm'),
      guidePixelUm: num(input, 'guidePixelUm'),
      focalMm: num(input, 'focalMm'),
      pixelUm: num(input, 'pixelUm'),
      centroidPx: num(input, 'centroidPx', 0.15),
    }),
  finder: (input) =>
    finderParallax(Math.hypot(num(input, 'offsetRightM', 0), num(input, 'offsetUpM', 0)), num(input, 'distanceM')),
  polarTolerance: (input) => ({
    polarErrorArcmin: polarToleranceArcmin({
      trailUm: num(input, 'trailUm'),
      declinationDeg: num(input, 'declinationDeg'),
      exposureMin: num(input, 'exposureMin'),
      focalMm: num(input, 'focalMm'),
      fieldAngleDeg: num(input, 'fieldAngleDeg'),
    }),
  }),
};

export const optics: Adapter = (input) => {
  const kind = kinds[text(input, 'kind')];
  if (!kind) throw new InputError(`kind must be one of ${Object.keys(kinds).join(', ')}`);
  return { out: kind(input) };
};

/** Adapters of the mechanics topics. */
import { dialReading } from '../../src/core/mount/dial.ts';
import { ASSUMED } from '../../src/core/verdict/assumptions.ts';
import { isGoodEnough, roundnessBudget } from '../../src/core/verdict/budget.ts';
import type { PlannedSub, PolarError, Tracking } from '../../src/core/verdict/plannedSub.ts';
import { isObject, list, num, numbers, object, oneOf, type Adapter, type Json, type JsonObject } from './types.ts';

const isNumber = (value: Json | undefined): boolean => typeof value === 'number';

export const dial: Adapter = (input) => {
  const south = oneOf(input, 'hemisphere', ['north', 'south']) === 'south';
  const reading = dialReading(num(input, 'hourAngleH'), south ? -1 : 1, {
    numbering: oneOf(input, 'numbering', ['12h', '24h', 'deg']),
    topMark: num(input, 'topMark'),
    direction: oneOf(input, 'direction', ['clockwise', 'counterclockwise']),
    view: oneOf(input, 'view', ['upright', 'inverted']),
  });
  const ring =
    input['ringArcmin'] === undefined
      ? {}
      : { ringFraction: num(input, 'polarDistanceArcmin') / num(input, 'ringArcmin') };
  return { out: { ...reading, ...ring } };
};

function polarOf(input: JsonObject): PolarError {
  if (input['errorArcmin'] !== undefined) return { known: 'size', errorArcmin: num(input, 'errorArcmin') };
  return {
    known: 'components',
    altErrorArcmin: num(input, 'altErrorArcmin'),
    azErrorArcmin: num(input, 'azErrorArcmin'),
    doubt: null,
    latDeg: num(input, 'latitudeDeg'),
    haH: num(input, 'hourAngleH'),
  };
}

function trackingOf(input: JsonObject): Tracking {
  const { curve, refraction } = input;
  const at = isObject(refraction)
    ? { latDeg: num(refraction, 'latitudeDeg'), haH: num(refraction, 'hourAngleH') }
    : null;
  if (input['guided'] === true) {
    const [gx = 0, gy = 0] = input['guideStarArcsec'] === undefined ? [0, 0] : numbers(input, 'guideStarArcsec');
    return {
      guided: true,
      axes: input['guideAxes'] === undefined ? 'both' : oneOf(input, 'guideAxes', ['both', 'ra']),
      refraction: at,
      rmsRaArcsec: num(input, 'guideRmsRaArcsec', 0),
      rmsDecArcsec: num(input, 'guideRmsDecArcsec', 0),
      guideStarArcsec: [gx, gy],
      flexureArcsecPerMin: num(input, 'flexureArcsecPerMin', 0),
      flexureSigmaArcsecPerMin: num(input, 'flexureSigmaArcsecPerMin', 0),
      flexureDirectionDeg: isNumber(input['flexureDirectionDeg']) ? num(input, 'flexureDirectionDeg') : null,
    };
  }
  return {
    guided: false,
    drive: {
      sinusoids: (input['periodicError'] === undefined ? [] : list(input, 'periodicError')).map((s) => ({
        amplitudeArcsec: num(s, 'amplitudeArcsec'),
        periodS: num(s, 'periodS'),
        phaseDeg: isNumber(s['phaseDeg']) ? num(s, 'phaseDeg') : null,
      })),
      curve: isObject(curve) ? { stepS: num(curve, 'stepS'), errorArcsec: numbers(curve, 'errorArcsec') } : null,
    },
    raRateAxisArcsecPerMin: num(input, 'raRateAxisArcsecPerMin', 0),
    refraction: at,
  };
}

function spacingOf(input: JsonObject): PlannedSub['spacing'] {
  if (!isObject(input['spacing'])) return null;
  const spacing = input['spacing'];
  const sigma = spacing['sigmaArcsec'];
  const [a, b = a, c = a, d = a] = typeof sigma === 'number' ? [sigma] : numbers(spacing, 'sigmaArcsec');
  return {
    sigmaArcsec: [a ?? 0, b ?? 0, c ?? 0, d ?? 0],
    direction: oneOf(spacing, 'direction', ['radial', 'tangential']),
  };
}

function plannedSub(input: JsonObject): PlannedSub {
  return {
    scaleArcsecPerPx: num(input, 'scaleArcsecPerPx'),
    widthPx: num(input, 'widthPx'),
    heightPx: num(input, 'heightPx'),
    cameraAngleDeg: num(input, 'cameraAngleDeg', 0),
    apertureMm: num(input, 'apertureMm'),
    declinationDeg: num(input, 'declinationDeg'),
    exposureS: num(input, 'exposureS'),
    seeingFwhmArcsec: num(input, 'seeingFwhmArcsec'),
    opticsFwhmArcsec: num(input, 'opticsFwhmArcsec', 0),
    defocusDiscArcsec: num(input, 'defocusDiscArcsec', 0),
    balanceWindArcsec: num(input, 'balanceWindArcsec', ASSUMED.balanceWindArcsec),
    polar: polarOf(object(input, 'polar')),
    fieldTurnArcsecPerS: 0,
    tracking: trackingOf(input),
    spacing: spacingOf(input),
  };
}

export const budget: Adapter = (input) => {
  const found = roundnessBudget(plannedSub(input));
  return {
    out: {
      evenFwhmArcsec: found.evenFwhmArcsec,
      stretch50: found.stretch50,
      stretch90: found.stretch90,
      centreStretch90: found.centreStretch90,
      shareRound: found.shareRound,
      shareAcceptable: found.shareAcceptable,
      // The case files have one word for long and swollen stars.
      verdict: isGoodEnough(found.verdict) ? found.verdict : 'stretched',
      items: found.stretches.map(({ item, fall }) => ({ item, fall })),
    },
  };
};

/** Adapters of the mechanics topics. */
import { DEG_PER_RAD } from '../../src/core/math/angles.ts';
import { dialReading } from '../../src/core/mount/dial.ts';
import { polarDrift } from '../../src/core/mount/polarDrift.ts';
import { toHorizontal } from '../../src/core/sky/horizontal.ts';
import { ASSUMED } from '../../src/core/verdict/assumptions.ts';
import { roundnessBudget } from '../../src/core/verdict/budget.ts';
import {
  fieldRotationRad,
  polarErrorSizeArcmin,
  refractionDriftArcsec,
  type BudgetInput,
  type PolarError,
  type Tracking,
} from '../../src/core/verdict/contributions.ts';
import { isObject, list, num, numbers, object, oneOf, type Adapter, type JsonObject } from './types.ts';

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
    latDeg: num(input, 'latitudeDeg'),
    haH: num(input, 'hourAngleH'),
  };
}

function trackingOf(input: JsonObject): Tracking {
  if (input['guided'] === true) {
    const [gx = 0, gy = 0] = input['guideStarArcsec'] === undefined ? [0, 0] : numbers(input, 'guideStarArcsec');
    return {
      guided: true,
      rmsRaArcsec: num(input, 'guideRmsRaArcsec', 0),
      rmsDecArcsec: num(input, 'guideRmsDecArcsec', 0),
      guideStarArcsec: [gx, gy],
      flexureArcsecPerMin: num(input, 'flexureArcsecPerMin', 0),
      flexureDirectionDeg: null,
    };
  }
  const { curve, refraction } = input;
  return {
    guided: false,
    sinusoids: (input['periodicError'] === undefined ? [] : list(input, 'periodicError')).map((s) => ({
      amplitudeArcsec: num(s, 'amplitudeArcsec'),
      periodS: num(s, 'periodS'),
    })),
    curve: isObject(curve) ? { stepS: num(curve, 'stepS'), errorArcsec: numbers(curve, 'errorArcsec') } : null,
    raRateAxisArcsecPerMin: num(input, 'raRateAxisArcsecPerMin', 0),
    refraction: isObject(refraction)
      ? { latDeg: num(refraction, 'latitudeDeg'), haH: num(refraction, 'hourAngleH') }
      : null,
  };
}

function spacingOf(input: JsonObject): BudgetInput['spacing'] {
  if (!isObject(input['spacing'])) return null;
  const spacing = input['spacing'];
  const sigma = spacing['sigmaArcsec'];
  const [a, b = a, c = a, d = a] = typeof sigma === 'number' ? [sigma] : numbers(spacing, 'sigmaArcsec');
  return {
    sigmaArcsec: [a ?? 0, b ?? 0, c ?? 0, d ?? 0],
    direction: oneOf(spacing, 'direction', ['radial', 'tangential']),
  };
}

function budgetInput(input: JsonObject): BudgetInput {
  return {
    scaleArcsecPerPx: num(input, 'scaleArcsecPerPx'),
    widthPx: num(input, 'widthPx'),
    heightPx: num(input, 'heightPx'),
    cameraAngleDeg: num(input, 'cameraAngleDeg', 0),
    apertureMm: num(input, 'apertureMm'),
    declinationDeg: num(input, 'declinationDeg'),
    exposureS: num(input, 'exposureS'),
    seeingFwhmArcsec: num(input, 'seeingFwhmArcsec'),
    defocusDiscArcsec: num(input, 'defocusDiscArcsec', 0),
    balanceWindArcsec: num(input, 'balanceWindArcsec', ASSUMED.balanceWindArcsec),
    polar: polarOf(object(input, 'polar')),
    tracking: trackingOf(input),
    spacing: spacingOf(input),
  };
}

/** Figures that only some cases ask for. */
function budgetExtras(given: BudgetInput): JsonObject {
  const extras: JsonObject = {};
  if (given.polar.known === 'components') {
    const { polar } = given;
    // The case files state the size of the drift within the one minute that begins at the hour angle.
    const minute = polarDrift(polar, polar.latDeg, given.declinationDeg, polar.haH, 60);
    extras['decDriftArcsecPerMin'] = Math.abs(minute.decArcsec);
    extras['polarErrorArcmin'] = polarErrorSizeArcmin(polar);
  }
  if (!given.tracking.guided && given.tracking.refraction) {
    const at = given.tracking.refraction;
    extras['zenithDistanceDeg'] = 90 - toHorizontal(at.haH, given.declinationDeg, at.latDeg).altDeg;
    extras['refractionDriftArcsec'] = Math.hypot(...refractionDriftArcsec(given, at));
  }
  return extras;
}

export const budget: Adapter = (input) => {
  const given = budgetInput(input);
  const found = roundnessBudget(given);
  return {
    out: {
      covariances: Object.fromEntries(found.covariances.map(({ name, covariance: c }) => [name, [c.xx, c.xy, c.yy]])),
      ratios: found.covariances.map((c) => c.ratio),
      worstRatio: found.worstRatio,
      worstAt: found.worstAt,
      fwhmMajorArcsec: found.fwhmMajorArcsec,
      fwhmMinorArcsec: found.fwhmMinorArcsec,
      verdict: found.verdict,
      items: found.items.map(({ item, fall, sigmaArcsec }) => ({ item, fall, sigmaArcsec })),
      fallPolarTogether: found.fallPolarTogether,
      fieldRotationArcmin: fieldRotationRad(given) * DEG_PER_RAD * 60,
      ...budgetExtras(given),
    },
  };
};

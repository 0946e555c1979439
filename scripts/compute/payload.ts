/** Adapters of the tripod and power topics. */
import { batterySideA, chargeNeeded, hoursUntilEmptyH, type Draw } from '../../src/core/power/battery.ts';
import { fuseBounds, wireDrop } from '../../src/core/power/wire.ts';
import {
  feetAround,
  footing,
  tipForceN,
  tipForceTowardN,
  windForceN,
  windForForceMPerS,
  type Feet,
  type Point2,
  type Point3,
} from '../../src/core/mount/tripod.ts';
import { InputError, list, num, numbers, oneOf, type Adapter, type Answer, type JsonObject } from './types.ts';

function feetOf(input: JsonObject): Feet {
  const given = input['feet'];
  if (given === undefined) return feetAround(num(input, 'footRadiusM'), num(input, 'firstFootAzimuthDeg'));
  if (!Array.isArray(given) || given.length !== 3) throw new InputError('feet must be three places');
  return given.map((foot) => foot as unknown as Point2) as unknown as Feet;
}

function windAnswers(input: JsonObject, forceN: number, stable: boolean): JsonObject {
  if (input['areaM2'] === undefined) return {};
  const sail = {
    areaM2: num(input, 'areaM2'),
    dragCoefficient: num(input, 'dragCoefficient'),
    airDensityKgM3: num(input, 'airDensityKgM3'),
  };
  const answers: JsonObject = stable ? { tipWindMPerS: windForForceMPerS(sail, forceN) } : {};
  if (input['windMPerS'] === undefined) return answers;
  const wind = windForceN(sail, num(input, 'windMPerS'));
  return { ...answers, windForceN: wind, holdsInWind: wind < forceN };
}

export const tripod: Adapter = (input) => {
  const feet = feetOf(input);
  const masses = list(input, 'masses').map((m) => ({
    massKg: num(m, 'massKg'),
    positionM: numbers(m, 'positionM') as unknown as Point3,
  }));
  const found = footing(feet, masses);
  const heightM = input['windHeightM'] === undefined ? null : num(input, 'windHeightM');
  if (heightM === null) return { out: { ...found, centreOfMassM: [...found.centreOfMassM] } };
  const forceN = tipForceN(feet, found, heightM);
  const toward =
    input['windTowardAzimuthDeg'] === undefined
      ? {}
      : { tipForceTowardN: tipForceTowardN(feet, found, heightM, num(input, 'windTowardAzimuthDeg')) };
  return {
    out: {
      ...found,
      centreOfMassM: [...found.centreOfMassM],
      tipForceN: forceN,
      ...toward,
      ...windAnswers(input, forceN, found.stable),
    },
  };
};

const DEFAULT_BATTERY_V = 12;

function drawOf(load: JsonObject, batteryV: number): Draw {
  const currentA = load['currentA'] === undefined ? batterySideA(num(load, 'powerW'), batteryV) : num(load, 'currentA');
  const given = (key: string): number | null => (load[key] === undefined ? null : num(load, key));
  return { currentA, duty: num(load, 'duty', 1), peakA: given('peakA'), hoursH: given('hoursH') };
}

function battery(input: JsonObject): JsonObject {
  const draws = list(input, 'loads').map((load) => drawOf(load, num(input, 'batteryV', DEFAULT_BATTERY_V)));
  const [depth, cold] = [num(input, 'usableDepth'), num(input, 'coldFactor')];
  const need = chargeNeeded(draws, num(input, 'hoursH', 0), depth, cold);
  const { averageA, ...out } = need;
  if (input['batteryAh'] === undefined) return out;
  const capacityAh = num(input, 'batteryAh');
  const lasting =
    averageA === null ? {} : { averageA, hoursUntilEmptyH: hoursUntilEmptyH(capacityAh, depth, cold, averageA) };
  return { ...out, enough: capacityAh >= need.neededAh, spareAh: capacityAh - need.neededAh, ...lasting };
}

function wire(input: JsonObject): JsonObject {
  const found = wireDrop(num(input, 'lengthM'), num(input, 'currentA'), num(input, 'areaMm2'), num(input, 'supplyV'));
  return { dropV: found.dropV, dropPercent: 100 * found.share, ok: found.ok, minimumAreaMm2: found.minimumAreaMm2 };
}

function fuse(input: JsonObject): JsonObject {
  const fuses = input['fusesA'] === undefined ? undefined : numbers(input, 'fusesA');
  return { ...fuseBounds(num(input, 'peakA'), num(input, 'wireMaxA'), fuses) };
}

const KINDS = { battery, wire, fuse };

export const power: Adapter = (input): Answer => ({
  out: KINDS[oneOf(input, 'kind', ['battery', 'wire', 'fuse'])](input),
});

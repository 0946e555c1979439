/** Adapter of the balance topic: right ascension, declination, sideways and the tip test. */
import { biasedPositionM, raBalance, type PlacedMass, type RaBalanceInput } from '../../src/core/mount/balance.ts';
import { barExtensionM, clampShift, weightSets } from '../../src/core/mount/balanceProposals.ts';
import { counterMassKg, decBalance, sidewaysBalance, sidewaysShiftM } from '../../src/core/mount/decBalance.ts';
import { loadShares } from '../../src/core/mount/load.ts';
import { tipBracket } from '../../src/core/mount/tipTest.ts';
import { list, num, numbers, object, oneOf, text, type Adapter, type Answer, type JsonObject } from './types.ts';

const weight = (w: JsonObject) => ({ id: text(w, 'id'), massKg: num(w, 'massKg') });

function balanceInput(input: JsonObject): RaBalanceInput {
  const bar = object(input, 'bar');
  const [min = 0, max = 0] = numbers(input, 'barRangeM');
  return {
    parts: list(input, 'parts').map((p): PlacedMass => ({
      id: text(p, 'id'),
      massKg: num(p, 'massKg'),
      fromRaAxisM: num(p, 'distanceM'),
    })),
    bar: { massKg: num(bar, 'massKg'), centreM: num(bar, 'centreM') },
    movableWeights: list(input, 'movableWeights').map(weight),
    fixedWeights: (input['fixedWeights'] === undefined ? [] : list(input, 'fixedWeights')).map((w) => ({
      massKg: num(w, 'massKg'),
      positionM: num(w, 'positionM'),
    })),
    barRangeM: [min, max],
  };
}

function outOfRangeAnswers(input: JsonObject, given: RaBalanceInput): JsonObject {
  const answers: JsonObject = { extensionM: barExtensionM(given) };
  if (input['box'] !== undefined) {
    const sets = weightSets(given, list(input, 'box').map(weight));
    answers['proposals'] = sets.slice(0, 3);
    answers['setsThatFit'] = sets.length;
  }
  if (input['clampPart'] !== undefined) {
    const shift = clampShift(given, text(input, 'clampPart'));
    answers['clampShiftM'] = shift?.clampShiftM ?? null;
    answers['clampWeightsAtM'] = shift?.weightsAtM ?? null;
    answers['clampInertiaKgM2'] = shift?.inertiaKgM2 ?? null;
  }
  return answers;
}

function biasAnswers(input: JsonObject, positionM: number | null): JsonObject {
  if (input['biasMm'] === undefined || positionM === null) return {};
  const tubeSide = oneOf(input, 'tubeSide', ['west', 'east']);
  return {
    biasedPositionM: biasedPositionM(positionM, num(input, 'biasMm'), tubeSide),
    biasDirection: tubeSide === 'west' ? 'outward' : 'inward',
  };
}

function ra(input: JsonObject): JsonObject {
  const given = balanceInput(input);
  const found = raBalance(given);
  const arm = input['referenceArmM'] === undefined ? undefined : num(input, 'referenceArmM');
  const shares = input['ratedKg'] === undefined ? {} : loadShares(given.parts, num(input, 'ratedKg'), arm);
  return {
    ...found,
    ...shares,
    ...biasAnswers(input, found.positionM),
    ...(found.inRange ? {} : outOfRangeAnswers(input, given)),
  };
}

function dec(input: JsonObject): JsonObject {
  const found = decBalance(
    list(input, 'parts').map((p) => ({ ...weight(p), alongTubeM: num(p, 'positionM'), slides: p['slides'] === true })),
  );
  const toward = { front: 'rear', rear: 'front', none: 'none' } as const;
  return { ...found, slideToward: toward[found.heavyEnd] };
}

function third(input: JsonObject): JsonObject {
  const parts = list(input, 'parts').map((p) => ({
    ...weight(p),
    alongTubeM: num(p, 'positionM'),
    sidewaysM: num(p, 'sidewaysM'),
  }));
  const found: JsonObject = { ...sidewaysBalance(parts) };
  if (input['movePart'] !== undefined) found['moveM'] = sidewaysShiftM(parts, text(input, 'movePart'));
  if (input['addAtM'] !== undefined) found['addKg'] = counterMassKg(parts, num(input, 'addAtM'));
  return found;
}

const WANTS = { tube: 'more', bar: 'less' } as const;

function tip(input: JsonObject): JsonObject {
  const trials = list(input, 'trials').map((t) => ({
    positionM: num(t, 'positionM'),
    wants: WANTS[oneOf(t, 'drops', ['tube', 'bar'])],
  }));
  const { lowM, highM, middleM } = tipBracket(trials);
  return {
    lowM,
    highM,
    consistent: lowM === null || highM === null || lowM < highM,
    balanceM: middleM,
    nextMove: trials.at(-1)?.wants === 'more' ? 'outward' : 'inward',
  };
}

const KINDS = { ra, dec, third, tip };

export const balance: Adapter = (input): Answer => ({
  out: KINDS[oneOf(input, 'kind', ['ra', 'dec', 'third', 'tip'])](input),
});

/** Adapter of the balance topic: right ascension, declination, sideways and the tip test. */
import { biasedPositionM, raBalance, type PlacedMass, type RaBalanceInput } from '../../src/core/mount/balance.ts';
import { barExtensionM, clampShift, weightSets } from '../../src/core/mount/balanceProposals.ts';
import { balancePositionM, momentAtKgM, movingKgOf, sum, type Levers } from '../../src/core/mount/levers.ts';
import { DEFAULT_REFERENCE_ARM_M, judgeLoad } from '../../src/core/mount/load.ts';
import { STANDARD_GRAVITY } from '../../src/core/mount/tripod.ts';
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

/** The whole rating used, bar and weights not counted, masses without length. */
function loadShares(input: JsonObject, { parts }: RaBalanceInput): JsonObject {
  const load = judgeLoad({
    parts: parts.map((p) => ({ ...p, alongTubeM: 0, lengthM: 0 })),
    counterKg: 0,
    ratedKg: num(input, 'ratedKg'),
    ratingIncludesWeights: false,
    referenceArmM: num(input, 'referenceArmM', DEFAULT_REFERENCE_ARM_M),
    shareUsed: 1,
    goodInertiaKgM2: null,
  });
  return { loadShare: load.massKg.share, torqueShare: load.momentKgM.share };
}

function ra(input: JsonObject): JsonObject {
  const given = balanceInput(input);
  const found = raBalance(given);
  const shares = input['ratedKg'] === undefined ? {} : loadShares(input, given);
  return {
    ...found,
    ...shares,
    ...biasAnswers(input, found.positionM),
    ...(found.inRange ? {} : outOfRangeAnswers(input, given)),
  };
}

type Placed = { id: string; massKg: number; slides: boolean; alongM: number; sidewaysM: number };

const placed = (input: JsonObject): Placed[] =>
  list(input, 'parts').map((p) => ({
    ...weight(p),
    slides: p['slides'] === true,
    alongM: num(p, 'positionM'),
    sidewaysM: num(p, 'sidewaysM', 0),
  }));

/** Arms about an axis with the pieces that move where they are: place 0. */
const leversOf = (parts: readonly Placed[], arm: 'alongM' | 'sidewaysM', moves: (p: Placed) => boolean): Levers => {
  const asLever = (p: Placed) => ({ massKg: p.massKg, armM: p[arm] });
  return {
    fixed: parts.filter((p) => !moves(p)).map(asLever),
    moving: parts.filter(moves).map(asLever),
    presentM: 0,
    sense: 1,
  };
};

/** By how far what moves must move; null when it has no mass. */
const shiftM = (levers: Levers): number | null => (movingKgOf(levers) > 0 ? balancePositionM(levers) : null);
const totalKg = (parts: readonly Placed[]): number => sum(parts, (p) => p.massKg);

const BALANCED_KG_M = 1e-9;

function dec(input: JsonObject): JsonObject {
  const parts = placed(input);
  const levers = leversOf(parts, 'alongM', (p) => p.slides);
  const momentKgM = momentAtKgM(levers, 0);
  const [heavyEnd, slideToward] =
    Math.abs(momentKgM) < BALANCED_KG_M ? ['none', 'none'] : momentKgM > 0 ? ['front', 'rear'] : ['rear', 'front'];
  const centreOfMassM = totalKg(parts) > 0 ? momentKgM / totalKg(parts) : null;
  return { momentKgM, centreOfMassM, slideM: shiftM(levers), heavyEnd, slideToward };
}

/** Torques about a level declination axis with the tube level, straight up and between; + sideways = the upper side of a
 *  level tube. */
function third(input: JsonObject): JsonObject {
  const parts = placed(input);
  const moved = input['movePart'] === undefined ? null : text(input, 'movePart');
  const across = leversOf(parts, 'sidewaysM', (p) => p.id === moved);
  const asideKgM = momentAtKgM(across, 0);
  const alongKgM = momentAtKgM(
    leversOf(parts, 'alongM', () => false),
    0,
  );
  const found: JsonObject = {
    sidewaysMomentKgM: asideKgM,
    centreSidewaysM: totalKg(parts) > 0 ? asideKgM / totalKg(parts) : null,
    torqueTubeLevelNm: Math.abs(alongKgM) * STANDARD_GRAVITY,
    torqueTubeUpNm: Math.abs(asideKgM) * STANDARD_GRAVITY,
    torqueTubeAt45Nm: Math.abs(alongKgM - asideKgM) * Math.SQRT1_2 * STANDARD_GRAVITY,
  };
  if (moved !== null) found['moveM'] = shiftM(across);
  if (input['addAtM'] !== undefined) {
    const addKg = -asideKgM / num(input, 'addAtM');
    found['addKg'] = Number.isFinite(addKg) && addKg > 0 ? addKg : null;
  }
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

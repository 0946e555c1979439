/** Adapter of the spacing solver. */
import { glassShiftMm } from '../../src/core/optics/lightPath.ts';
import { countStacks, fitStack, type FitInput } from '../../src/core/optics/stack/fitStack.ts';
import { endsOf, type BoxPiece, type JointEnd } from '../../src/core/optics/stack/joints.ts';
import { onePurchase } from '../../src/core/optics/stack/purchase.ts';
import { hundredths } from '../../src/core/optics/stack/shims.ts';
import { InputError, isObject, num, text, type Adapter, type Json, type JsonObject } from './types.ts';

const MOST_STEPS = 5_000_000;

function objects(input: JsonObject, key: string): JsonObject[] {
  const list: Json = input[key] ?? [];
  if (!Array.isArray(list) || !list.every(isObject)) throw new InputError(`${key} must be a list of objects`);
  return list;
}

function joint(input: JsonObject, key: string): JointEnd {
  const end = input[key];
  if (!isObject(end)) throw new InputError(`${key} needs thread and gender`);
  const gender = text(end, 'gender');
  if (gender !== 'male' && gender !== 'female') throw new InputError(`${key}.gender must be male or female`);
  return { thread: text(end, 'thread'), gender };
}

function piece(one: JsonObject): BoxPiece {
  const [lengthMm, count] = [num(one, 'lengthMm'), num(one, 'count', 1)];
  if (lengthMm < 0) throw new InputError('lengthMm must not be negative');
  return {
    id: text(one, 'id'),
    lengthMm,
    count,
    front: joint(one, 'front'),
    rear: joint(one, 'rear'),
    required: one['required'] === true,
  };
}

function fitInput(input: JsonObject, neededMm: number): FitInput {
  return {
    neededMm: neededMm - num(input, 'cameraDepthMm'),
    ends: endsOf(joint(input, 'correctorRear'), joint(input, 'cameraFront')),
    box: objects(input, 'box').map(piece),
    shims: objects(input, 'shims').map((s) => ({ thicknessMm: num(s, 'thicknessMm'), count: num(s, 'count', 1) })),
    mostShimsMm: num(input, 'maxShimTotalMm', 1),
    mostPieces: Infinity,
    mostSteps: MOST_STEPS,
  };
}

function purchaseOf(input: JsonObject, { neededMm, box }: FitInput): JsonObject | null {
  const [correctorRear, cameraFront] = [joint(input, 'correctorRear'), joint(input, 'cameraFront')];
  const leastMm = num(input, 'minPurchaseMm', 1);
  const bought = onePurchase({ neededMm, box, correctorRear, cameraFront, leastMm, mostSteps: MOST_STEPS });
  if (!bought) return null;
  const { lengthMm, front, rear, before, after } = bought;
  const end = ({ thread, gender }: JointEnd): JsonObject => ({ thread, gender });
  return { lengthMm, front: end(front), rear: end(rear), between: { before: [...before], after: [...after] } };
}

export const backfocus: Adapter = (input) => {
  const glass = objects(input, 'glass').map((g) => ({ thicknessMm: num(g, 'thicknessMm'), index: num(g, 'index') }));
  const glassMm = glassShiftMm(glass);
  const neededMm = num(input, 'specifiedMm') + glassMm;
  const fit = fitInput(input, neededMm);
  const { best, proven } = fitStack(fit);
  const first = best[0];
  const within = first !== undefined && hundredths(first.errorMm) <= hundredths(num(input, 'toleranceMm'));
  return {
    out: {
      glassAllowanceMm: glassMm,
      neededMechanicalMm: neededMm,
      neededFromPiecesMm: fit.neededMm,
      stacksThatScrewTogether: countStacks(fit),
      best: best.map((s) => ({ ...s, shimsMm: [...s.shimsMm], pieces: s.ids.length })),
      withinTolerance: within,
      purchase: within ? null : purchaseOf(input, fit),
      proven,
    },
  };
};

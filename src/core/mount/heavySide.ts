/** The tube's side is the heavier one: more weight close in, or the same weight further out. And how near the bar's end
 *  the weights come.
 *  Source: equilibrium of moments; inertia as sum of m x^2. */
import { raBalance, type RaBalanceInput } from './balance.ts';
import { sum } from './levers.ts';
import {
  barExtensionM,
  clampShiftTo,
  weightSets,
  type BoxWeight,
  type ClampShift,
  type SetProposal,
} from './balanceProposals.ts';

/** The last tenth of the bar on either side: little is left to slide when another piece comes on. */
const NEAR_END_SHARE = 0.1;

export type BarPlace = 'fine' | 'nearOuterEnd' | 'nearInnerEnd';

/** How near an end of the bar a position stands; beyond it, see `offBarOf`. */
export function barPlace(positionM: number, [innerM, outerM]: readonly [number, number]): BarPlace {
  const margin = (outerM - innerM) * NEAR_END_SHARE;
  if (positionM > outerM - margin) return 'nearOuterEnd';
  return positionM < innerM + margin ? 'nearInnerEnd' : 'fine';
}

export type FurtherOut = {
  positionM: number;
  /** Bar to add; null when the bar reaches. */
  extensionM: number | null;
  totalOnAxisKg: number;
  inertiaKgM2: number;
};

export type HeavySide = {
  /** From the box, heavier than what hangs now: fewest pieces, then least inertia; null when none fits. */
  moreWeight: SetProposal | null;
  /** The weights of now, at their place of balance; null without movable weights. */
  furtherOut: FurtherOut | null;
  /** The weights stay where they are set and the heaviest piece moves instead; null when nothing can. */
  clamp: ClampShift | null;
};

type Question = {
  input: RaBalanceInput;
  box: readonly BoxWeight[];
  clampPartId: string | null;
  /** Where the movable weights are set now. */
  setM: number;
};

function furtherOut(input: RaBalanceInput): FurtherOut | null {
  const { positionM, totalOnAxisKg, inertiaKgM2 } = raBalance(input);
  if (positionM === null || positionM <= 0) return null;
  return { positionM, extensionM: barExtensionM(input), totalOnAxisKg, inertiaKgM2 };
}

/** Both schools for a rig whose weights do not reach where they are set, each with total load and inertia; null when the
 *  tube's side is not the heavier one there. */
export function heavySide({ input, box, clampPartId, setM }: Question): HeavySide | null {
  const { positionM } = raBalance(input);
  if (positionM !== null && positionM <= setM) return null;
  const hangsKg = sum(input.movableWeights, (w) => w.massKg) + sum(input.fixedWeights, (w) => w.massKg);
  return {
    moreWeight: weightSets(input, box).find((set) => set.massKg > hangsKg) ?? null,
    furtherOut: furtherOut(input),
    clamp: clampPartId === null ? null : clampShiftTo(input, clampPartId, setM),
  };
}

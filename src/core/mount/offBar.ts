/** What a place of balance off the bar asks for: one answer, told alike wherever the weights' place is told.
 *  Source: equilibrium of moments. */
import { raBalance, type RaBalanceInput } from './balance.ts';
import { barExtensionM, weightSets, type BoxWeight, type SetProposal } from './balanceProposals.ts';

export type OffBar =
  /** The bar alone comes nearer to balance than the lightest weight closest in. `leftKgM`: + = the tube's side stays heavier. */
  | { code: 'noWeight'; leftKgM: number }
  | { code: 'otherSet'; set: SetProposal }
  /** Every set of the box is too heavy even closest in. */
  | { code: 'lighter'; nearestM: number }
  | { code: 'longer'; byM: number };

/** No usual weight is lighter; a heavier one that is the only one in hand is no reason to do without. */
const LIGHTEST_SOLD_KG = 0.5;

/** Does no weight at all come nearer to balance than the lightest in hand, hung closest in? */
function bareIsNearer({ movableWeights, barRangeM }: RaBalanceInput, box: readonly BoxWeight[], leftKgM: number) {
  const lightestKg = Math.min(LIGHTEST_SOLD_KG, ...[...movableWeights, ...box].map((w) => w.massKg));
  return leftKgM <= (lightestKg * barRangeM[0]) / 2;
}

/** Null while the weights stand on the bar, and where only a weight is missing. */
export function offBarOf(input: RaBalanceInput, box: readonly BoxWeight[]): OffBar | null {
  const { positionM, inRange, momentNeededFromWeightsKgM: leftKgM } = raBalance(input);
  if (inRange) return null;
  if (bareIsNearer(input, box, leftKgM)) return { code: 'noWeight', leftKgM };
  if (positionM === null) return null;
  const set = weightSets(input, box)[0];
  if (set) return { code: 'otherSet', set };
  const byM = barExtensionM(input);
  return byM === null ? { code: 'lighter', nearestM: input.barRangeM[0] } : { code: 'longer', byM };
}

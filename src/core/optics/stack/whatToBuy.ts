/** What would bring a box to its distance: shims on a stack that is a little short, before a piece between threads. */
import type { FitInput, Stack } from './fitStack.ts';
import { onePurchase, type Purchase } from './purchase.ts';

export type ToBuy = { kind: 'shims'; thicknessMm: number; on: Stack } | { kind: 'piece'; purchase: Purchase };

const SHORTEST_PIECE_MM = 1;
const MOST_STEPS = 2_000_000;

/** Shims that fill up the nearest stack that is short; null where none is, or by more than shims may fill. */
function shimsOn(best: readonly Stack[], mostShimsMm: number): ToBuy | null {
  for (const on of best) {
    const thicknessMm = on.openMm - on.errorMm;
    const inAllMm = thicknessMm + on.shimsMm.reduce((sum, mm) => sum + mm, 0);
    if (on.ids.length > 0 && on.errorMm < 0 && inAllMm <= mostShimsMm) return { kind: 'shims', thicknessMm, on };
  }
  return null;
}

/** Null where a stack fits already, or nothing single would help.
 *  @param best as the search found them, the nearest first. */
export function whatToBuy(best: readonly Stack[], input: FitInput, toleranceMm: number): ToBuy | null {
  if (best.some(({ errorMm }) => Math.abs(errorMm) <= toleranceMm)) return null;
  const shims = shimsOn(best, input.mostShimsMm);
  if (shims) return shims;
  const { neededMm, box, ends } = input;
  const { correctorRear, cameraFront } = ends;
  const asked = { neededMm, box, correctorRear, cameraFront, leastMm: SHORTEST_PIECE_MM, mostSteps: MOST_STEPS };
  const purchase = onePurchase(asked);
  return purchase && { kind: 'piece', purchase };
}

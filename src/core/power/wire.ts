/** Voltage lost in a cable, and the fuse that guards it. */
import { requirePositive } from '../result.ts';

/** Resistivity of copper at 20 C, ohm mm^2 / m. */
const COPPER = 0.0172;
/** Most of the supply that a cable may lose. */
export const DROP_LIMIT = 0.03;
/** A fuse stands this far above the peak, so that it does not blow by itself. */
export const FUSE_ABOVE_PEAK = 1.25;
/** Ratings of blade fuses, A. */
export const FUSES_A: readonly number[] = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30];

export type Drop = { dropV: number; share: number; ok: boolean; minimumAreaMm2: number };

/** 2 L I rho / A, there and back. 3 m of 1.5 mm2 at 5 A: 0.344 V, 2.9 % of 12 V.
 *  @param lengthM one way, > 0.  @param areaMm2 of one conductor, > 0. */
export function wireDrop(lengthM: number, currentA: number, areaMm2: number, supplyV: number): Drop {
  requirePositive('lengthM', lengthM);
  requirePositive('areaMm2', areaMm2);
  requirePositive('supplyV', supplyV);
  const voltMm2 = 2 * lengthM * currentA * COPPER;
  const share = voltMm2 / areaMm2 / supplyV;
  return {
    dropV: voltMm2 / areaMm2,
    share,
    ok: share < DROP_LIMIT,
    minimumAreaMm2: voltMm2 / (DROP_LIMIT * supplyV),
  };
}

export type FuseBounds = { lowestA: number; highestA: number; possible: boolean; fuseA: number | null };

/** The smallest fuse of at least 1.25 times the peak that the wire still outlasts; `fuseA` null when none is. Peak 6 A
 *  on a wire for 10 A: 7.5 A. */
export function fuseBounds(peakA: number, wireMaxA: number, fusesA: readonly number[] = FUSES_A): FuseBounds {
  const lowestA = FUSE_ABOVE_PEAK * peakA;
  const fitting = fusesA.filter((a) => a >= lowestA && a <= wireMaxA);
  return {
    lowestA,
    highestA: wireMaxA,
    possible: lowestA <= wireMaxA,
    fuseA: fitting.length > 0 ? Math.min(...fitting) : null,
  };
}

/** How far stated masses and places may be off, and what that does to a predicted balance.
 *  Source: an even spread of half width a has a deviation of a / sqrt 3; independent doubts add in squares. */
import { sum } from './levers.ts';

/** One sigma of a mass as a share of it. A stated mass may be off by 30 % either way: evenly spread, that is 17 %. */
export const MASS_DOUBT_SHARE = { weighed: 0.01, stated: 0.17, assumed: 0.25 } as const;
export type MassBasis = keyof typeof MASS_DOUBT_SHARE;
/** A distance, one sigma: across the tube a tape tells it; along it nobody knows quite where a piece has its middle; a place
 *  that was guessed from the class of its piece nobody has looked at. */
export const PLACE_DOUBT_M = { across: 0.005, along: 0.015, guessed: 0.02 } as const;

export type DoubtfulMass = { massKg: number; massBasis: MassBasis; armM: number; placeDoubtM: number };

/** Doubt of the moment of one piece, kg m. */
export function momentDoubtKgM({ massKg, massBasis, armM, placeDoubtM }: DoubtfulMass): number {
  return Math.hypot(MASS_DOUBT_SHARE[massBasis] * massKg * armM, placeDoubtM * massKg);
}

/** Doubt of a sum of moments, independent pieces. */
export function momentsDoubtKgM(pieces: readonly DoubtfulMass[]): number {
  return Math.sqrt(sum(pieces, (p) => momentDoubtKgM(p) ** 2));
}

/** Right-ascension balance. Distances from the polar axis: parts + on the tube's side, bar and weights + on the bar's
 *  side. Moments in kg m (without g).
 *  Source: equilibrium of moments. */

import { balancePositionM, momentAtKgM, movingKgOf, sum, type Levers } from './levers.ts';

export type PlacedMass = { id: string; massKg: number; fromRaAxisM: number };
export type Bar = { massKg: number; centreM: number };
export type RaBalanceInput = {
  parts: readonly PlacedMass[];
  bar: Bar;
  /** All movable weights share one position: their joint centre of mass. */
  movableWeights: readonly { id: string; massKg: number }[];
  fixedWeights: readonly { massKg: number; positionM: number }[];
  /** Where the weights' middle may stand, both ends included. */
  barRangeM: readonly [number, number];
  /** What an earlier balance showed on the tube's side beyond the stated masses; 0 when left out. */
  learnedMomentKgM?: number;
};

export type RaBalance = {
  tubeSideMomentKgM: number;
  momentNeededFromWeightsKgM: number;
  tubeSideLoadKg: number;
  /** Middle of the movable weights; null without movable weights. May lie off the bar: then `inRange` is false. */
  positionM: number | null;
  inRange: boolean;
  totalOnAxisKg: number;
  /** Sum of m d^2 of all masses as points about the polar axis. */
  inertiaKgM2: number;
};

const ZERO_MOMENT_KG_M = 1e-9;

/** Sum of m d^2 with the movable weights at a position. */
export function raInertiaKgM2(input: RaBalanceInput, positionM: number): number {
  return (
    sum(input.parts, (p) => p.massKg * p.fromRaAxisM ** 2) +
    input.bar.massKg * input.bar.centreM ** 2 +
    sum(input.fixedWeights, (w) => w.massKg * w.positionM ** 2) +
    sum(input.movableWeights, (w) => w.massKg) * positionM ** 2
  );
}

/** The bar as levers: the weights that move stand at 0. */
function leversOfBar({ parts, bar, fixedWeights, movableWeights }: RaBalanceInput): Levers {
  return {
    fixed: [
      ...parts.map((p) => ({ massKg: p.massKg, armM: p.fromRaAxisM })),
      { massKg: bar.massKg, armM: -bar.centreM },
      ...fixedWeights.map((w) => ({ massKg: w.massKg, armM: -w.positionM })),
    ],
    moving: movableWeights.map((w) => ({ massKg: w.massKg, armM: 0 })),
    presentM: 0,
    sense: -1,
  };
}

/** Where the weights balance the tube's side: sum(m d) of the parts = bar and weights. An 80 mm refractor of 6.97 kg
 *  against 3.5 kg on a 0.8 kg bar: 0.2927 m. */
export function raBalance(input: RaBalanceInput): RaBalance {
  const levers = leversOfBar(input);
  const learnedKgM = input.learnedMomentKgM ?? 0;
  const needed = momentAtKgM(levers, 0) + learnedKgM;
  const movableKg = movingKgOf(levers);
  const positionM = movableKg > 0 ? balancePositionM(levers, learnedKgM) : null;
  const [min, max] = input.barRangeM;
  return {
    tubeSideMomentKgM: sum(input.parts, (p) => p.massKg * p.fromRaAxisM),
    momentNeededFromWeightsKgM: needed,
    tubeSideLoadKg: sum(input.parts, (p) => p.massKg),
    positionM,
    inRange: positionM === null ? Math.abs(needed) < ZERO_MOMENT_KG_M : positionM >= min && positionM <= max,
    totalOnAxisKg:
      sum(input.parts, (p) => p.massKg) + input.bar.massKg + movableKg + sum(input.fixedWeights, (w) => w.massKg),
    inertiaKgM2: raInertiaKgM2(input, positionM ?? 0),
  };
}

/** Deliberate bias: the side that ends east is the heavier one in both hemispheres, so the weight moves outward with the
 *  tube west of the column and inward with it east. */
export function biasedPositionM(positionM: number, biasMm: number, tubeSide: 'west' | 'east'): number {
  return positionM + ((tubeSide === 'west' ? 1 : -1) * biasMm) / 1000;
}

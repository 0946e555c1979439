/** Where a rig balances, from the trials of a tip test: probabilities over the place of balance and the friction, on a
 *  grid. Within friction nothing moves; one answer in twenty may be wrong.
 *  Source: Bayes' rule on a grid (MacKay, Information Theory, Inference, and Learning Algorithms, 2003, ch. 3). */
import { requirePositive } from '../result.ts';
import type { TipTrial } from './tipTest.ts';

/** What is known before the first trial. Positions of the piece that moves, m. */
export type TipProblem = {
  predictedM: number;
  /** Doubt of the prediction, one sigma. */
  sigmaM: number;
  /** Mass that moves: friction over it is the band in which nothing drops. */
  movingKg: number;
  rangeM: readonly [number, number];
};

export type TipEstimate = {
  /** Middle of what is still possible. */
  middleM: number;
  /** Nine times in ten the place of balance lies between. */
  lowM: number;
  highM: number;
  /** Half the width of the band in which nothing moves, by the trials so far. */
  bandM: number;
  /** Where to try next, on the range. */
  nextM: number;
  /** The place where it stayed, once that is believed; null before. */
  balancedM: number | null;
  /** That the last place tried is balanced; 0 before the first trial. */
  chance: number;
  /** Off the range, with the chance of nine in ten. */
  off: 'below' | 'above' | null;
};

/** Friction of clutch and bearings, kg m, in even steps of its logarithm. */
const FRICTIONS_KG_M = [0.01, 0.015, 0.022, 0.033, 0.05, 0.075, 0.11, 0.16] as const;
/** Closer than this counts as balanced whatever the friction. */
export const GOOD_M = 0.003;
/** A stay is believed from here on. */
const BELIEVED = 0.9;
const CELLS = 400;
const BEYOND_M = 0.1;
/** Weight of "anywhere" beside the prediction: a piece that was forgotten altogether. */
const ANYWHERE = 0.03;
/** How often each answer is given, inside and outside the band. */
const LOG = {
  staysInside: Math.log(0.98),
  staysOutside: Math.log(0.06),
  dropsRight: Math.log(0.93),
  dropsWrong: Math.log(0.01),
};

/** `upTo[i]`: the chance of the cells before i, for one width of the band. */
type Grid = { placesM: number[]; bands: { halfM: number; upTo: number[] }[] };

/** Natural logarithm of the chance of an answer. */
function logChance({ positionM, wants }: TipTrial, placeM: number, halfM: number): number {
  const inside = Math.abs(positionM - placeM) <= halfM;
  if (wants === 'none') return inside ? LOG.staysInside : LOG.staysOutside;
  if (inside) return LOG.dropsWrong;
  return (wants === 'more') === placeM > positionM ? LOG.dropsRight : LOG.dropsWrong;
}

/** The probabilities, summing to 1. */
function gridOf(trials: readonly TipTrial[], { predictedM, sigmaM, movingKg, rangeM }: TipProblem): Grid {
  const fromM = Math.min(rangeM[0] - BEYOND_M, predictedM - 3 * sigmaM);
  const toM = Math.max(rangeM[1] + BEYOND_M, predictedM + 3 * sigmaM);
  const cellM = (toM - fromM) / CELLS;
  const placesM = Array.from({ length: CELLS }, (_, i) => fromM + (i + 0.5) * cellM);
  const prior = placesM.map((p) =>
    Math.log(
      ((1 - ANYWHERE) * Math.exp(-0.5 * ((p - predictedM) / sigmaM) ** 2)) / (sigmaM * Math.sqrt(2 * Math.PI)) +
        ANYWHERE / (toM - fromM),
    ),
  );
  const logs = FRICTIONS_KG_M.map((friction) => {
    const halfM = friction / movingKg;
    return { halfM, at: placesM.map((p, i) => trials.reduce((s, t) => s + logChance(t, p, halfM), prior[i] ?? 0)) };
  });
  // Against the largest, so that many answers do not vanish in rounding.
  const largest = Math.max(...logs.map((band) => Math.max(...band.at)));
  const raw = logs.map(({ halfM, at }) => ({ halfM, weights: at.map((log) => Math.exp(log - largest)) }));
  const total = raw.reduce((sum, band) => sum + band.weights.reduce((s, w) => s + w, 0), 0);
  const bands = raw.map(({ halfM, weights }) => {
    let sum = 0;
    return { halfM, upTo: [0, ...weights.map((w) => (sum += w / total))] };
  });
  return { placesM, bands };
}

/** How many cells lie below a place. */
function cellsBelow(placesM: readonly number[], placeM: number): number {
  const [firstM = 0, secondM = 1] = placesM;
  return Math.min(placesM.length, Math.max(0, Math.ceil((placeM - firstM) / (secondM - firstM))));
}

/** Chance that the balance lies between two places, with the band's width known. */
function chanceBetween(placesM: readonly number[], upTo: readonly number[], fromM: number, toM: number): number {
  return (upTo[cellsBelow(placesM, toM)] ?? 0) - (upTo[cellsBelow(placesM, fromM)] ?? 0);
}

/** Chance that a place is balanced: within the band, or close enough. */
function chanceAt({ placesM, bands }: Grid, positionM: number): number {
  return bands.reduce((sum, { halfM, upTo }) => {
    const reachM = Math.max(GOOD_M, halfM);
    return sum + chanceBetween(placesM, upTo, positionM - reachM, positionM + reachM);
  }, 0);
}

/** Places below which the shares of the whole lie. */
function quantiles({ placesM, bands }: Grid, shares: readonly number[]): number[] {
  return shares.map(
    (share) => placesM.find((_, i) => bands.reduce((s, { upTo }) => s + (upTo[i + 1] ?? 0), 0) >= share) ?? NaN,
  );
}

/** Every cell is a candidate; the first of the best. */
function likeliestM(grid: Grid, [fromM, toM]: readonly [number, number]): { atM: number; chance: number } {
  return grid.placesM
    .filter((p) => p >= fromM && p <= toM)
    .map((atM) => ({ atM, chance: chanceAt(grid, atM) }))
    .reduce((best, one) => (one.chance > best.chance + 1e-9 ? one : best), { atM: fromM, chance: -1 });
}

function offRange({ placesM, bands }: Grid, [fromM, toM]: readonly [number, number]): TipEstimate['off'] {
  const between = (low: number, high: number): number =>
    bands.reduce((sum, { upTo }) => sum + chanceBetween(placesM, upTo, low, high), 0);
  if (between(toM, Infinity) >= BELIEVED) return 'above';
  return between(-Infinity, fromM) >= BELIEVED ? 'below' : null;
}

/** The estimate after any number of trials of one unchanged rig. Next place: the same once more after a stay that is
 *  rather right than wrong, the likeliest place once it is better than even, else the middle of what is possible. */
export function tipEstimate(trials: readonly TipTrial[], problem: TipProblem): TipEstimate {
  requirePositive('sigmaM', problem.sigmaM);
  requirePositive('movingKg', problem.movingKg);
  const grid = gridOf(trials, problem);
  const [fromM, toM] = problem.rangeM;
  const [lowM = NaN, middleM = NaN, highM = NaN] = quantiles(grid, [0.05, 0.5, 0.95]);
  const last = trials.at(-1);
  const chance = last ? chanceAt(grid, last.positionM) : 0;
  const bandM = grid.bands.reduce((sum, b) => sum + b.halfM * (b.upTo.at(-1) ?? 0), 0);
  const next = (): number => {
    if (last?.wants === 'none' && chance > 0.5) return last.positionM;
    // Before the first trial the prediction itself is tried, not the middle of a cell.
    if (!last) return problem.predictedM;
    const best = likeliestM(grid, problem.rangeM);
    return best.chance > 0.5 ? best.atM : middleM;
  };
  return {
    middleM,
    lowM,
    highM,
    bandM,
    nextM: Math.min(toM, Math.max(fromM, next())),
    balancedM: last?.wants === 'none' && chance >= BELIEVED ? last.positionM : null,
    chance,
    off: offRange(grid, problem.rangeM),
  };
}

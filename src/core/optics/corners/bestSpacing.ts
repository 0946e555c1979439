/** Where a corrector's best distance lies, from looks at corners at several distances: a secant that doubts.
 *  Two unknowns, the best distance and how fast corners grow long, each look weighed as right nine times in ten.
 *  Source: Bayes' rule on a grid (Sivia and Skilling, Data Analysis, 2006, ch. 2 and 8.3). */

/** A distance that was tried, as the offset from the corrector's specified one, and what its corners said. */
export type SpacingLook = { offsetMm: number; lean: number };
export type BestSpacing = {
  /** Offset of the best distance from the specified one, the middle of what is possible: where to look next. */
  bestMm: number;
  sigmaMm: number;
};

const REACH_MM = { told: 4, assumed: 8 } as const;
const STEP_MM = 0.05;
/** Before any look: most correctors stand within a millimetre of their number, a few far off. */
const USUAL_MM = { told: 0.9, assumed: 2 } as const;
const ODD_MM = { told: 2.5, assumed: 4 } as const;
const ODD_SHARE = 0.15;
/** Was the distance told by the corrector, or only assumed of it? */
export type NumberBasis = keyof typeof USUAL_MM;
/** Distance from the best at which corners become slightly long. */
const SLIGHT_AT_MM = [0.2, 0.28, 0.4, 0.55, 0.75, 1, 1.4] as const;
const LEAN_SIGMA = 0.4;
const WRONG_SHARE = 0.1;
const MOST_LEAN = 2;

const bell = (x: number, sigma: number): number => Math.exp(-0.5 * (x / sigma) ** 2) / sigma;

/** What corners should say at a distance short of the best by `shortMm`: growing past a dead zone, at most strong. */
function expectedLean(shortMm: number, slightAtMm: number): number {
  const beyond = Math.max(0, Math.abs(shortMm) / slightAtMm - 0.5);
  return Math.sign(shortMm) * Math.min(MOST_LEAN, beyond * 1.2);
}

/** Right nine times in ten, anything else once; per unit of lean. */
const SPREAD = Math.sqrt(2 * Math.PI);
const likelihood = (seen: number, expected: number): number =>
  ((1 - WRONG_SHARE) * bell(seen - expected, LEAN_SIGMA)) / SPREAD + WRONG_SHARE / (2 * MOST_LEAN);

function weightAt(bestMm: number, looks: readonly SpacingLook[], basis: NumberBasis): number {
  const prior = (1 - ODD_SHARE) * bell(bestMm, USUAL_MM[basis]) + ODD_SHARE * bell(bestMm, ODD_MM[basis]);
  const sum = SLIGHT_AT_MM.reduce(
    (total, slightAtMm) =>
      total + looks.reduce((p, l) => p * likelihood(l.lean, expectedLean(bestMm - l.offsetMm, slightAtMm)), 1),
    0,
  );
  return prior * sum;
}

/** @returns an offset of 0 with the doubt of a corrector's number before any look. */
export function bestSpacing(looks: readonly SpacingLook[], basis: NumberBasis = 'told'): BestSpacing {
  const reachMm = REACH_MM[basis];
  const grid = Array.from({ length: (2 * reachMm) / STEP_MM + 1 }, (_, i) => -reachMm + i * STEP_MM);
  const weights = grid.map((bestMm) => weightAt(bestMm, looks, basis));
  const total = weights.reduce((a, b) => a + b, 0);
  let below = 0;
  const middle = weights.findIndex((w) => (below += w) >= total / 2);
  const bestMm = grid[middle] ?? 0;
  const variance = weights.reduce((sum, w, i) => sum + w * ((grid[i] ?? 0) - bestMm) ** 2, 0) / total;
  return { bestMm, sigmaMm: Math.sqrt(variance) };
}

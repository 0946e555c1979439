/** The roundness budget: will the stars be round, and what stretches them most. */
import { eigenvalues, lengthOverWidth, NO_SPREAD, subtractCovariance, type Covariance2 } from '../math/covariance2.ts';
import { DEFAULT_RATIO_LIMITS, type RatioLimits } from './assumptions.ts';
import {
  contributions,
  FWHM_PER_SIGMA,
  totalCovariances,
  type BudgetInput,
  type BudgetItemName,
  type Contributions,
} from './contributions.ts';
import { framePoints, type FramePointName } from './framePoints.ts';

export type RoundnessVerdict = 'round' | 'acceptable' | 'elongated';
export type BudgetItem = {
  item: BudgetItemName;
  group: 'stretches' | 'widens';
  /** How much the worst ratio falls with this item at zero; may be negative. */
  fall: number;
  /** Square root of the contribution's largest eigenvalue at the worst point. */
  sigmaArcsec: number;
  /** The same as a full width at half maximum. */
  fwhmArcsec: number;
};

export type Budget = {
  covariances: readonly { name: FramePointName; covariance: Covariance2; ratio: number }[];
  worstRatio: number;
  worstAt: FramePointName[];
  centreRatio: number;
  verdict: RoundnessVerdict;
  centreVerdict: RoundnessVerdict;
  eccentricity: number;
  fwhmMajorArcsec: number;
  fwhmMinorArcsec: number;
  /** Ranked by fall, largest first. */
  items: BudgetItem[];
  /** Fall with polar drift and field rotation both at zero: one repair mends both. */
  fallPolarTogether: number;
};

const WIDENS: ReadonlySet<BudgetItemName> = new Set(['seeing', 'defocus', 'diffraction', 'pixel', 'balanceWind']);
const SAME_RATIO = 1e-4;

/** Under `round` round, up to and including `acceptable` acceptable, above elongated. */
export function verdictOf(ratio: number, limits: RatioLimits = DEFAULT_RATIO_LIMITS): RoundnessVerdict {
  if (ratio < limits.round) return 'round';
  return ratio <= limits.acceptable ? 'acceptable' : 'elongated';
}

function without(total: readonly Covariance2[], parts: Contributions, items: readonly BudgetItemName[]): number {
  const left = total.map((c, i) =>
    items.reduce((rest, item) => subtractCovariance(rest, parts[item]?.[i] ?? NO_SPREAD), c),
  );
  return Math.max(...left.map(lengthOverWidth));
}

function rankItems(
  total: readonly Covariance2[],
  parts: Contributions,
  worstRatio: number,
  worstIndex: number,
): BudgetItem[] {
  const names = Object.keys(parts) as BudgetItemName[];
  const items = names.map((item): BudgetItem => {
    const sigmaArcsec = Math.sqrt(eigenvalues(parts[item]?.[worstIndex] ?? NO_SPREAD)[0]);
    return {
      item,
      group: WIDENS.has(item) ? 'widens' : 'stretches',
      // An item that adds nothing must not appear to help by the rounding of a subtraction.
      fall:
        sigmaArcsec === 0 && parts[item]?.every((c) => c.xx + c.yy === 0)
          ? 0
          : worstRatio - without(total, parts, [item]),
      sigmaArcsec,
      fwhmArcsec: sigmaArcsec * FWHM_PER_SIGMA,
    };
  });
  return items.sort((a, b) => b.fall - a.fall);
}

/** The whole account for one exposure. Source of the terms: second moments of independent blurs add. */
export function roundnessBudget(input: BudgetInput, limits: RatioLimits = DEFAULT_RATIO_LIMITS): Budget {
  const parts = contributions(input);
  const total = totalCovariances(parts);
  const covariances = framePoints(input).map(({ name }, i) => {
    const covariance = total[i] ?? NO_SPREAD;
    return { name, covariance, ratio: lengthOverWidth(covariance) };
  });
  const worstRatio = Math.max(...covariances.map((c) => c.ratio));
  const worst = covariances.filter((c) => worstRatio - c.ratio <= SAME_RATIO);
  const worstIndex = covariances.findIndex((c) => c.ratio === worstRatio);
  const [major, minor] = eigenvalues(total[worstIndex] ?? NO_SPREAD);
  const centreRatio = covariances[0]?.ratio ?? 1;
  return {
    covariances,
    worstRatio,
    worstAt: worst.map((c) => c.name),
    centreRatio,
    verdict: verdictOf(worstRatio, limits),
    centreVerdict: verdictOf(centreRatio, limits),
    eccentricity: Math.sqrt(1 - 1 / worstRatio ** 2),
    fwhmMajorArcsec: FWHM_PER_SIGMA * Math.sqrt(major),
    fwhmMinorArcsec: FWHM_PER_SIGMA * Math.sqrt(minor),
    items: rankItems(total, parts, worstRatio, worstIndex),
    fallPolarTogether: worstRatio - without(total, parts, ['polarDrift', 'fieldRotation']),
  };
}

/** The roundness budget: will the stars be round, in how many of the subs, and what stretches them most. */
import { DEG_PER_RAD } from '../math/angles.ts';
import { eigenvalues, lengthOverWidth, roundSpread } from '../math/covariance2.ts';
import { quantileInPlace } from '../math/quantile.ts';
import { DEFAULT_STRETCH_LIMITS, type StretchLimits } from './assumptions.ts';
import { lengthsOf, membersOf, spreadsOf } from './ensemble.ts';
import { evenVariance, evenVariances, FWHM_PER_SIGMA } from './evenWidth.ts';
import type { FramePointName } from './framePoints.ts';
import { isAbsent, motionsOf, STRETCH_ITEMS, without, type Motions } from './motions.ts';
import { STEADY_DRIVE, type EvenItem, type PlannedSub, type StretchItem } from './plannedSub.ts';
import { possibleSubs, type PossibleSubs } from './possibleSubs.ts';

/** Nine subs in ten are what a length must keep to be called good. */
export const WANTED_SHARE = 0.9;

/** Stretched stars are long, or wide all round. */
export type RoundnessVerdict = 'round' | 'acceptable' | 'long' | 'swollen';

export type StretchEntry = {
  item: StretchItem;
  /** How much the stretch of nine in ten falls with this item mended; known drifts may cancel, then it is negative. */
  fall: number;
  /** What it adds by itself in nine subs of ten at most, as a full width at half maximum. */
  fwhmArcsec: number;
};
export type EvenEntry = { item: EvenItem; fwhmArcsec: number };

/** The star of the middle sub at the place where it is longest. */
export type MiddleStar = {
  at: FramePointName;
  lengthOverWidth: number;
  majorFwhmArcsec: number;
  minorFwhmArcsec: number;
  /** Direction of its length from right ascension (east) toward north, degrees. */
  angleDeg: number;
};

export type Stretches = {
  evenFwhmArcsec: number;
  /** Length over the even width that half and nine in ten of the subs stay within, at their worst place. */
  stretch50: number;
  stretch90: number;
  centreStretch90: number;
  /** Shares of subs within the two limits. */
  shareRound: number;
  shareAcceptable: number;
};

export type Budget = Stretches & {
  verdict: RoundnessVerdict;
  star: MiddleStar;
  /** Ranked by fall, largest first. */
  stretches: StretchEntry[];
  /** What widens the star evenly, widest first. */
  widens: EvenEntry[];
};

export const isGoodEnough = (verdict: RoundnessVerdict): boolean => verdict === 'round' || verdict === 'acceptable';

/** Up to and including `round` round, up to `acceptable` acceptable; above, the middle star's own shape names it. */
export function verdictOf(stretch90: number, middleRatio: number, limits: StretchLimits): RoundnessVerdict {
  if (stretch90 <= limits.round) return 'round';
  if (stretch90 <= limits.acceptable) return 'acceptable';
  return middleRatio >= limits.round ? 'long' : 'swollen';
}

function shareWithin(lengths: Float64Array, even: number, limit: number): number {
  const most = even * (limit * limit - 1);
  let within = 0;
  for (const length of lengths) if (length <= most) within += 1;
  return within / lengths.length;
}

const stretchOf = (length: number, even: number): number => Math.sqrt(1 + length / even);

/** Largest eigenvalue (arcsec^2) added by these motions that nine in ten of the first members stay within. */
const length90 = (motions: Motions, subs: PossibleSubs, members: number): number =>
  quantileInPlace(lengthsOf(motions, subs, members).worst, WANTED_SHARE);

function middleStar(motions: Motions, subs: PossibleSubs, member: number, even: number): MiddleStar {
  const spreads = spreadsOf(motions, subs, member).map((c) => ({ xx: c.xx + even, xy: c.xy, yy: c.yy + even }));
  const lengths = spreads.map((c) => eigenvalues(c)[0]);
  const at = lengths.indexOf(Math.max(...lengths));
  const spread = spreads[at] ?? roundSpread(even);
  const [major, minor] = eigenvalues(spread);
  return {
    at: motions.points[at]?.name ?? 'centre',
    lengthOverWidth: lengthOverWidth(spread),
    majorFwhmArcsec: FWHM_PER_SIGMA * Math.sqrt(major),
    minorFwhmArcsec: FWHM_PER_SIGMA * Math.sqrt(minor),
    angleDeg: (Math.atan2(2 * spread.xy, spread.xx - spread.yy) / 2) * DEG_PER_RAD,
  };
}

function rankStretches(motions: Motions, subs: PossibleSubs, even: number, stretch90: number): StretchEntry[] {
  const members = membersOf(motions, subs);
  const entries = STRETCH_ITEMS.filter((item) => !isAbsent(motions, item)).map((item): StretchEntry => {
    const others = STRETCH_ITEMS.filter((other) => other !== item);
    const alone = without(motions, others);
    return {
      item,
      fall: stretch90 - stretchOf(length90(without(motions, [item]), subs, members), even),
      fwhmArcsec: FWHM_PER_SIGMA * Math.sqrt(length90(alone, subs, membersOf(alone, subs))),
    };
  });
  return entries.sort((a, b) => b.fall - a.fall);
}

/** The figures of a planned sub without naming what stretches it: quick enough for curves and searches. */
export function stretchesOf(
  sub: PlannedSub,
  limits: StretchLimits = DEFAULT_STRETCH_LIMITS,
  subs: PossibleSubs = possibleSubsOf(sub),
): Stretches {
  return judged(motionsOf(sub), subs, evenVariance(sub), limits).stretches;
}

function judged(motions: Motions, subs: PossibleSubs, even: number, limits: StretchLimits) {
  const { worst, centre } = lengthsOf(motions, subs);
  const sorted = worst.slice();
  const middle = quantileInPlace(sorted, 0.5);
  const stretches: Stretches = {
    evenFwhmArcsec: FWHM_PER_SIGMA * Math.sqrt(even),
    stretch50: stretchOf(middle, even),
    stretch90: stretchOf(quantileInPlace(sorted, WANTED_SHARE), even),
    centreStretch90: stretchOf(quantileInPlace(centre, WANTED_SHARE), even),
    shareRound: shareWithin(worst, even, limits.round),
    shareAcceptable: shareWithin(worst, even, limits.acceptable),
  };
  return { stretches, middleMember: worst.indexOf(middle) };
}

/** The subs that may come of a planned one; the same drive and length give the same ones. */
export function possibleSubsOf({ tracking, exposureS }: PlannedSub): PossibleSubs {
  return possibleSubs(tracking.guided ? STEADY_DRIVE : tracking.drive, exposureS);
}

/** The whole account of a planned sub.
 *  @param subs those of this drive and length, when they were made before. */
export function roundnessBudget(
  sub: PlannedSub,
  limits: StretchLimits = DEFAULT_STRETCH_LIMITS,
  subs: PossibleSubs = possibleSubsOf(sub),
): Budget {
  const motions = motionsOf(sub);
  const even = evenVariance(sub);
  const { stretches, middleMember } = judged(motions, subs, even, limits);
  const star = middleStar(motions, subs, middleMember, even);
  return {
    ...stretches,
    verdict: verdictOf(stretches.stretch90, star.lengthOverWidth, limits),
    star,
    stretches: rankStretches(motions, subs, even, stretches.stretch90),
    widens: widening(sub),
  };
}

function widening(sub: PlannedSub): EvenEntry[] {
  return Object.entries(evenVariances(sub))
    .map(([item, variance]) => ({ item: item as EvenItem, fwhmArcsec: FWHM_PER_SIGMA * Math.sqrt(variance) }))
    .sort((a, b) => b.fwhmArcsec - a.fwhmArcsec);
}

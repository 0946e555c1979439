/** What hangs on the mount against its rating.
 *  Source: parallel-axis theorem (Huygens, Steiner) for inertia. */
import { type PlacedMass } from './balance.ts';
import { sum } from './levers.ts';

/** The arm that a rating is taken to stand for when the maker does not say. */
export const DEFAULT_REFERENCE_ARM_M = 0.2;
/** Above this share of what is allowed, a load counts as near the limit. */
export const NEAR_LIMIT_SHARE = 0.8;

export type LoadVerdict = 'fine' | 'near' | 'over';
/** One bar of the judgement: what there is, what is allowed, and the share of it. */
export type LoadBar = { is: number; allowed: number; share: number; verdict: LoadVerdict };
export type Load = {
  massKg: LoadBar;
  momentKgM: LoadBar;
  /** About the declination axis, against the largest used with good stars; null before a night had any. */
  inertiaKgM2: LoadBar | null;
  /** The same without a limit. */
  decInertiaKgM2: number;
  /** Of mass and moment; the inertia is a hint from one's own nights, no rating. */
  verdict: LoadVerdict;
};

/** Fine up to 80 % of what is allowed, near the limit up to it, over beyond. */
export function loadVerdict(share: number): LoadVerdict {
  if (share > 1) return 'over';
  return share > NEAR_LIMIT_SHARE ? 'near' : 'fine';
}

function bar(is: number, allowed: number): LoadBar {
  const share = is / allowed;
  return { is, allowed, share, verdict: loadVerdict(share) };
}

/** A piece on the tube's side, with what its inertia needs. */
export type LoadPart = PlacedMass & { alongTubeM: number; lengthM: number };

/** About the declination axis: sum of m z^2 + m l^2 / 12. Only here the length of the tube counts. */
export function decInertiaKgM2(parts: readonly LoadPart[]): number {
  return sum(parts, (p) => p.massKg * (p.alongTubeM ** 2 + p.lengthM ** 2 / 12));
}

export type LoadInput = {
  parts: readonly LoadPart[];
  /** Bar and weights together; they count only when the rating includes them. */
  counterKg: number;
  ratedKg: number;
  ratingIncludesWeights: boolean;
  referenceArmM: number;
  /** The share of the rating that this user wants to use, above 0. */
  shareUsed: number;
  /** The largest inertia used with good stars; null = none yet. */
  goodInertiaKgM2: number | null;
};

/** The worse of mass and moment decides. 6.97 kg at 0.17 m on a mount rated 18 kg, two thirds used: 58 % of the mass
 *  allowed, 49 % of the moment. */
export function judgeLoad(input: LoadInput): Load {
  const allowedKg = input.ratedKg * input.shareUsed;
  const countedKg = sum(input.parts, (p) => p.massKg) + (input.ratingIncludesWeights ? input.counterKg : 0);
  const massKg = bar(countedKg, allowedKg);
  const momentKgM = bar(Math.abs(sum(input.parts, (p) => p.massKg * p.fromRaAxisM)), allowedKg * input.referenceArmM);
  const inertia = decInertiaKgM2(input.parts);
  const inertiaKgM2 = input.goodInertiaKgM2 === null ? null : bar(inertia, input.goodInertiaKgM2);
  return {
    massKg,
    momentKgM,
    inertiaKgM2,
    decInertiaKgM2: inertia,
    verdict: loadVerdict(Math.max(massKg.share, momentKgM.share)),
  };
}

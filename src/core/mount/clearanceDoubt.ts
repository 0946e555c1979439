/** How far a clearance may be off by the doubts of the lengths it is reckoned from, and what measured gaps leave of that.
 *  Source: propagation of errors; posterior of a linear model, one observation after the other (Kalman 1960, without time). */
import type { ClearanceGeometry, SkyPose } from './clearance.ts';
import {
  slopedClearances,
  TUBE_LENGTHS,
  type SlopedClearance,
  type Slopes,
  type TubeLength,
} from './clearanceSlopes.ts';

/** One sigma of each length, m, and which of them nobody looked at. */
export type LengthDoubts = Readonly<Record<TubeLength, { sigmaM: number; guessed: boolean }>>;

/** A gap that was measured: with which slopes, and how well. Lengths that are others now say nothing of the present ones. */
export type MeasuredGap = {
  slopes: Slopes;
  sigmaM: number;
  /** Lengths of then that are still the present ones. */
  shared: ReadonlySet<TubeLength>;
  doubts: LengthDoubts;
};

const COUNT = TUBE_LENGTHS.length;

/** The lengths' covariance: their own variances, less w w' for each gap that told of them. */
type Covariance = { variances: Float64Array; told: readonly Float64Array[] };

const times = (a: Float64Array, b: Float64Array): number => {
  let sum = 0;
  for (let i = 0; i < COUNT; i += 1) sum += (a[i] as number) * (b[i] as number);
  return sum;
};

/** What two poses have in common of the doubt that stood before any gap. */
function shareOf(variances: Float64Array, a: Slopes, b: Slopes): number {
  let sum = 0;
  for (let i = 0; i < COUNT; i += 1) sum += (variances[i] as number) * (a[i] as number) * (b[i] as number);
  return sum;
}

/** The variance of what lengths move that go with these slopes: v' M v. */
const varianceOf = ({ variances, told }: Covariance, slopes: Slopes): number =>
  Math.max(
    0,
    told.reduce((left, w) => left - times(w, slopes) ** 2, shareOf(variances, slopes, slopes)),
  );

/** The covariance after one more gap. */
function withGap({ variances, told }: Covariance, { slopes, sigmaM, shared, doubts }: MeasuredGap): Covariance {
  const known = slopes.slice();
  let noise = sigmaM ** 2;
  TUBE_LENGTHS.forEach((name, i) => {
    if (shared.has(name)) return;
    noise += ((known[i] as number) * doubts[name].sigmaM) ** 2;
    known[i] = 0;
  });
  const gain = known.map((slope, i) =>
    told.reduce((sum, w) => sum - (w[i] as number) * times(w, known), slope * (variances[i] as number)),
  );
  const sigma = Math.sqrt(times(known, gain) + noise);
  return { variances, told: [...told, gain.map((one) => one / sigma)] };
}

export type DoubtfulClearance = SlopedClearance & {
  sigmaM: number;
  /** The part of it that guesses make, and the rest. */
  guessSigmaM: number;
  knownSigmaM: number;
  /** How much a gap measured elsewhere says of this pose: 1 = as much as of its own, 0 = nothing; 0 without any. */
  likeness: number;
};

export type DoubtAbout = {
  latDeg: number;
  doubts: LengthDoubts;
  /** The measured ones, in any order. */
  gaps: readonly MeasuredGap[];
  /** Pairs that come so much less near than the nearest are told too: they may be the ones that touch. */
  withinM: number;
};

/** Clearance with its doubt at any place of the sky: of the nearest pair, then of the others. */
export function doubtfulClearances(
  g: ClearanceGeometry,
  { latDeg, doubts, gaps, withinM }: DoubtAbout,
): (at: SkyPose) => [DoubtfulClearance, ...DoubtfulClearance[]] {
  const variances = Float64Array.from(TUBE_LENGTHS, (name) => doubts[name].sigmaM ** 2);
  const known = gaps.reduce<Covariance>(withGap, { variances, told: [] });
  const measured = gaps.map(({ slopes }) => ({
    slopes,
    variance: Math.max(LEAST_VARIANCE, shareOf(variances, slopes, slopes)),
  }));
  const isGuess = TUBE_LENGTHS.map((name) => doubts[name].guessed);
  const hasGuesses = isGuess.includes(true);
  const doubtful = ({ clearanceM, closest, slopes }: SlopedClearance): DoubtfulClearance => {
    const all = varianceOf(known, slopes);
    const ofGuesses = hasGuesses
      ? Math.min(
          all,
          varianceOf(
            known,
            slopes.map((slope, i) => (isGuess[i] ? slope : 0)),
          ),
        )
      : 0;
    const likeness = measured.reduce((most, m) => Math.max(most, shareOf(variances, m.slopes, slopes) / m.variance), 0);
    return {
      clearanceM,
      closest,
      slopes,
      sigmaM: Math.sqrt(all),
      guessSigmaM: Math.sqrt(ofGuesses),
      knownSigmaM: Math.sqrt(all - ofGuesses),
      likeness: Math.min(1, likeness),
    };
  };
  const slopedAt = slopedClearances(g, latDeg, withinM);
  return (at) => {
    const [first, ...others] = slopedAt(at);
    return [doubtful(first), ...others.map(doubtful)];
  };
}
const LEAST_VARIANCE = 1e-12;

/** No clearance of this geometry is in greater doubt: no length moves it by more than its own size. */
export const mostDoubtM = (doubts: LengthDoubts): number =>
  Math.sqrt(TUBE_LENGTHS.reduce((sum, name) => sum + doubts[name].sigmaM ** 2, 0));

/** Which shims bring a stack nearest to its length. */
export type Shim = { thicknessMm: number; count: number };

/** A set of shims, thinnest first. */
export type ShimSet = { totalMm: number; shimsMm: readonly number[] };

const MOST_SETS = 20_000;
/** Sums of tenths and hundredths come out a hair off. */
const SLACK_MM = 1e-9;

/** All sets up to a total, the empty one first; of equal totals the one with fewer shims, then the lexically smaller list. */
export function shimSets(shims: readonly Shim[], mostMm: number): ShimSet[] {
  const sorted = [...shims].sort((a, b) => a.thicknessMm - b.thicknessMm);
  let sets: ShimSet[] = [{ totalMm: 0, shimsMm: [] }];
  for (const { thicknessMm, count } of sorted) {
    sets = sets.flatMap((set) =>
      Array.from({ length: count + 1 }, (_, n) => n)
        .map((n) => ({
          totalMm: set.totalMm + n * thicknessMm,
          shimsMm: [...set.shimsMm, ...Array<number>(n).fill(thicknessMm)],
        }))
        .filter(({ totalMm }) => totalMm <= mostMm + SLACK_MM),
    );
    if (sets.length > MOST_SETS) sets = sets.slice(0, MOST_SETS);
  }
  const best = new Map<number, ShimSet>();
  for (const set of sets) {
    const key = Math.round(set.totalMm * 1e6);
    const known = best.get(key);
    if (!known || isBefore(set, known)) best.set(key, set);
  }
  return [...best.values()].sort((a, b) => a.totalMm - b.totalMm);
}

/** Fewer shims, then the lexically smaller list. */
export function isBefore(a: ShimSet, b: ShimSet): boolean {
  if (a.shimsMm.length !== b.shimsMm.length) return a.shimsMm.length < b.shimsMm.length;
  const at = a.shimsMm.findIndex((mm, i) => mm !== b.shimsMm[i]);
  return at !== -1 && (a.shimsMm[at] ?? 0) < (b.shimsMm[at] ?? 0);
}

/** An error as it is ranked: hundredths of a millimetre, halves up. */
export const hundredths = (errorMm: number): number => Math.floor(Math.abs(errorMm) * 100 + 0.5 + 1e-7);

/** By how much a set lengthens a stack: what lies in an open gap does not. */
export const lengthensMm = ({ totalMm }: ShimSet, gapMm: number): number => Math.max(0, totalMm - gapMm);

/** The set that leaves the smallest error of a stack that is off by so much; shims only lengthen.
 *  @param gapMm of it that stands open where the shims lie. */
export function bestShims(sets: readonly ShimSet[], errorMm: number, gapMm = 0): ShimSet {
  const none: ShimSet = { totalMm: 0, shimsMm: [] };
  if (errorMm >= 0) return none;
  let [best, bestError] = [none, hundredths(errorMm)];
  for (const set of sets) {
    const left = hundredths(errorMm + lengthensMm(set, gapMm));
    if (left < bestError || (left === bestError && isBefore(set, best))) [best, bestError] = [set, left];
  }
  return best;
}

/** Which pieces of a box reach a length: every set that screws together, the nearest first.
 *  Ranked by the error in hundredths of a millimetre, then fewest pieces, then fewest shims, then the ids. */
import { wayOf, type BoxPiece, type Ends, type Way } from './joints.ts';
import { bestShims, hundredths, shimSets, type Shim, type ShimSet } from './shims.ts';
import { endsMet, firstOrder, screwsTogether, type Taken } from './trail.ts';

export type FitInput = {
  /** Of pieces and shims together; may be 0 or less: then the camera stands too deep already. */
  neededMm: number;
  ends: Ends;
  box: readonly BoxPiece[];
  shims: readonly Shim[];
  mostShimsMm: number;
  mostPieces: number;
  /** Sets looked at; beyond it the best found is not proven to be the best. */
  mostSteps: number;
};

export type Stack = { ids: string[]; shimsMm: readonly number[]; lengthMm: number; errorMm: number };
export type Fit = { best: Stack[]; proven: boolean };

const SHOWN = 5;

type Candidate = { errorKey: number; pieces: number; shims: ShimSet; lengthMm: number; ids: string[] };

function compareIds(a: readonly string[], b: readonly string[]): number {
  for (const [i, id] of a.entries()) {
    const other = b[i];
    if (other === undefined) return 1;
    if (id !== other) return id < other ? -1 : 1;
  }
  return a.length - b.length;
}

const rank = (a: Candidate, b: Candidate): number =>
  a.errorKey - b.errorKey ||
  a.pieces - b.pieces ||
  a.shims.shimsMm.length - b.shims.shimsMm.length ||
  compareIds(a.ids, b.ids);

/** What a search goes on with. */
type Search = {
  input: FitInput;
  shims: readonly ShimSet[];
  mostShimMm: number;
  best: Candidate[];
  steps: number;
};

/** Nothing with a larger error enters the list any more, mm. */
function worstMm({ best }: Search): number {
  const last = best.length < SHOWN ? undefined : best[SHOWN - 1];
  return last === undefined ? Infinity : (last.errorKey + 0.5) / 100 + 1e-6;
}

function enter(search: Search, taken: readonly Taken[], lengthMm: number, pieces: number): void {
  const { input, shims, best } = search;
  const bareMm = lengthMm - input.neededMm;
  const set: ShimSet = pieces > 0 ? bestShims(shims, bareMm) : { totalMm: 0, shimsMm: [] };
  const errorKey = hundredths(bareMm + set.totalMm);
  const last = best[SHOWN - 1];
  if (last && (errorKey > last.errorKey || (errorKey === last.errorKey && pieces > last.pieces))) return;
  const one = { errorKey, pieces, shims: set, lengthMm: lengthMm + set.totalMm, ids: firstOrder(taken, input.ends) };
  best.push(one);
  best.sort(rank);
  best.length = Math.min(best.length, SHOWN);
}

/** Sums of the shortest and of the longest so many copies, of the pieces from an index on. */
type Sums = { least: number[][]; most: number[][] };

function sumsOf(ways: readonly Way[]): Sums {
  const running = (lengths: readonly number[]): number[] =>
    lengths.reduce<number[]>((sums, mm) => [...sums, (sums.at(-1) ?? 0) + mm], [0]);
  const from = ways.map((_, i) => {
    const copies = ways.slice(i).flatMap(({ piece }) => Array<number>(piece.count).fill(piece.lengthMm));
    return copies.sort((a, b) => a - b);
  });
  return {
    least: [...from.map((l) => running(l)), [0]],
    most: [...from.map((l) => running([...l].reverse())), [0]],
  };
}

/** Adapters are chosen first: they alone decide whether the threads meet. */
const isRing = ({ from, to }: Way): boolean => from === to;

type RingPlace = { index: number; left: number; lengthMm: number; pieces: number };

/** False when no choice of the rings that are left comes near enough any more. */
function mayReach(search: Search, { least, most }: Sums, { index, left, lengthMm }: RingPlace): boolean {
  const [shortest, longest] = [least[index]?.[left], most[index]?.[left]];
  if (shortest === undefined || longest === undefined) return false;
  const { neededMm } = search.input;
  const worst = worstMm(search);
  return lengthMm + shortest <= neededMm + worst && lengthMm + longest + search.mostShimMm >= neededMm - worst;
}

/** Chooses exactly so many copies of rings, all of open ends that are met. */
function chooseRings(search: Search, rings: readonly Way[], sums: Sums, taken: Taken[], at: RingPlace): void {
  const { index, left, lengthMm, pieces } = at;
  if (search.steps >= search.input.mostSteps) return;
  search.steps += 1;
  if (left === 0) {
    if (rings.slice(index).every(({ piece }) => piece.required !== true)) enter(search, taken, lengthMm, pieces);
    return;
  }
  const way = rings[index];
  if (!way || !mayReach(search, sums, at)) return;
  const { piece } = way;
  for (let count = Math.min(piece.count, left); count >= leastOf(piece); count -= 1) {
    taken.push({ way, count });
    const longerMm = lengthMm + count * piece.lengthMm;
    chooseRings(search, rings, sums, taken, { index: index + 1, left: left - count, lengthMm: longerMm, pieces });
    taken.pop();
  }
}

const leastOf = ({ required }: BoxPiece): number => (required === true ? 1 : 0);

type Chosen = { taken: Taken[]; lengthMm: number; pieces: number; rings: Way[]; sums: Sums };

/** Every set of adapters that leads from corrector to camera, with the rings that fit somewhere on its way. */
function adapterSets({ ends, box, mostPieces, mostSteps }: FitInput): { sets: Chosen[]; proven: boolean } {
  const ways = box.filter((p) => p.count > 0).map(wayOf);
  const adapters = ways.filter((w) => !isRing(w));
  const rings = ways.filter(isRing);
  const sets: Chosen[] = [];
  let steps = 0;
  const choose = (index: number, taken: Taken[], pieces: number): void => {
    steps += 1;
    if (steps > mostSteps || pieces > mostPieces) return;
    const way = adapters[index];
    if (!way) {
      if (!screwsTogether(taken, ends)) return;
      const met = endsMet(taken, ends.from);
      if (rings.some((r) => r.piece.required === true && !met.has(r.from))) return;
      const fitting = rings.filter((r) => met.has(r.from)).sort((a, b) => b.piece.lengthMm - a.piece.lengthMm);
      const lengthMm = taken.reduce((sum, t) => sum + t.count * t.way.piece.lengthMm, 0);
      sets.push({ taken: taken.filter((t) => t.count > 0), lengthMm, pieces, rings: fitting, sums: sumsOf(fitting) });
      return;
    }
    for (let count = leastOf(way.piece); count <= way.piece.count; count += 1)
      choose(index + 1, [...taken, { way, count }], pieces + count);
  };
  choose(0, [], 0);
  return { sets, proven: steps <= mostSteps };
}

/** How many sets screw together, whatever their length; null when that is more work than allowed. */
export function countStacks(input: FitInput): number | null {
  const { sets, proven } = adapterSets(input);
  if (!proven) return null;
  // Rings that fit may be taken in any number of copies, those that are required at least once.
  return sets.reduce(
    (sum, { rings }) => sum + rings.reduce((ways, { piece }) => ways * (piece.count + 1 - leastOf(piece)), 1),
    0,
  );
}

/** The five nearest stacks. Looked for by their number of pieces, so that five that fit to the hundredth end the search.
 *  @param onProgress told before each number of pieces. */
export function fitStack(input: FitInput, onProgress: (pieces: number) => void = () => undefined): Fit {
  const sets = shimSets(input.shims, input.mostShimsMm);
  const search: Search = { input, shims: sets, mostShimMm: sets.at(-1)?.totalMm ?? 0, best: [], steps: 0 };
  const { sets: adapters, proven } = adapterSets(input);
  const copies = input.box.reduce((sum, p) => sum + p.count, 0);
  for (let pieces = 0; pieces <= Math.min(input.mostPieces, copies); pieces += 1) {
    if (search.best.length === SHOWN && search.best[SHOWN - 1]?.errorKey === 0) break;
    onProgress(pieces);
    for (const set of adapters) {
      const left = pieces - set.pieces;
      if (left < 0) continue;
      chooseRings(search, set.rings, set.sums, [...set.taken], { index: 0, left, lengthMm: set.lengthMm, pieces });
    }
  }
  return {
    best: search.best.map(({ ids, shims, lengthMm }) => ({
      ids,
      shimsMm: shims.shimsMm,
      lengthMm,
      errorMm: lengthMm - input.neededMm,
    })),
    proven: proven && search.steps < input.mostSteps,
  };
}

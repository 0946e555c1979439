/** Which pieces of a box reach a length: every set that screws together, the nearest first.
 *  Ranked by the error in hundredths of a millimetre, then fewest pieces, then fewest shims, then the ids. */
import { wayOf, type BoxPiece, type Ends, type StackEnds, type Way } from './joints.ts';
import { bestShims, hundredths, lengthensMm, shimSets, type Shim, type ShimSet } from './shims.ts';
import { oneOrder, ordersOf, widestGapMm, type Order } from './standOff.ts';
import { endsMet, screwsTogether, type Taken } from './trail.ts';

export type FitInput = {
  /** Of pieces and shims together; may be 0 or less: then the camera stands too deep already. */
  neededMm: number;
  ends: StackEnds;
  box: readonly BoxPiece[];
  shims: readonly Shim[];
  mostShimsMm: number;
  mostPieces: number;
  /** Sets looked at; beyond it the best found is not proven to be the best. */
  mostSteps: number;
};

/** `openMm`: what of a gap before the camera no shim fills yet; counted in its length. */
export type Stack = { ids: string[]; shimsMm: readonly number[]; lengthMm: number; errorMm: number; openMm: number };
export type Fit = { best: Stack[]; proven: boolean };

const SHOWN = 5;

type Candidate = { errorKey: number; pieces: number; shims: ShimSet; lengthMm: number; openMm: number; ids: string[] };

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

/** What a search goes on with: adapters first, since they alone decide whether the threads meet, then rings. */
type Search = {
  input: FitInput;
  ways: readonly Way[];
  adapters: number;
  sums: Sums;
  /** How often each open end was left more than entered so far; the ends that no later adapter touches, by index. */
  net: Map<string, number>;
  closing: readonly (readonly string[])[];
  shims: readonly ShimSet[];
  mostShimMm: number;
  /** That a thread too long for its hole can leave open at one joint. */
  widestGapMm: number;
  best: Candidate[];
  /** For this number of pieces. */
  stepsLeft: number;
};

/** Sums of the shortest and of the longest so many copies, of the pieces from an index on. */
type Sums = { least: number[][]; most: number[][] };

function sumsOf(ways: readonly Way[], mostPieces: number): Sums {
  const running = (lengths: readonly number[]): number[] => {
    const sums = [0];
    for (const mm of lengths.slice(0, mostPieces)) sums.push((sums.at(-1) ?? 0) + mm);
    return sums;
  };
  const from = ways.map((_, i) =>
    ways
      .slice(i)
      .flatMap(({ piece }) => Array<number>(piece.count).fill(piece.lengthMm))
      .sort((a, b) => a - b),
  );
  return {
    least: [...from.map((lengths) => running(lengths)), [0]],
    most: [...from.map((lengths) => running([...lengths].reverse())), [0]],
  };
}

/** Nothing with a larger error enters the list any more, mm. */
function worstMm({ best }: Search): number {
  const last = best.length < SHOWN ? undefined : best[SHOWN - 1];
  return last === undefined ? Infinity : (last.errorKey + 0.5) / 100 + 1e-6;
}

const NO_SHIMS: ShimSet = { totalMm: 0, shimsMm: [] };

/** A set in one order, with the shims that bring it nearest. */
function candidateOf({ input, shims }: Search, order: Order, lengthMm: number, pieces: number): Candidate {
  const wholeMm = lengthMm + order.gapsMm + order.lastMm;
  const set = pieces > 0 ? bestShims(shims, wholeMm - input.neededMm, order.lastMm) : NO_SHIMS;
  const withShimsMm = wholeMm + lengthensMm(set, order.lastMm);
  const errorKey = hundredths(withShimsMm - input.neededMm);
  const openMm = Math.max(0, order.lastMm - set.totalMm);
  return { errorKey, pieces, shims: set, lengthMm: withShimsMm, openMm, ids: order.ids };
}

function enter(search: Search, taken: readonly Taken[], lengthMm: number, pieces: number): void {
  const { input, best } = search;
  const orders = (search.widestGapMm > 0 ? ordersOf : oneOrder)(taken, input.ends);
  const [first, ...others] = orders.map((order) => candidateOf(search, order, lengthMm, pieces));
  if (!first) return;
  const one = others.reduce((least, other) => (rank(other, least) < 0 ? other : least), first);
  const last = best[SHOWN - 1];
  if (last && (one.errorKey > last.errorKey || (one.errorKey === last.errorKey && pieces > last.pieces))) return;
  best.push(one);
  best.sort(rank);
  best.length = Math.min(best.length, SHOWN);
}

const isRing = ({ from, to }: Way): boolean => from === to;
const leastOf = ({ required }: BoxPiece): number => (required === true ? 1 : 0);

/** Where a choice stands: the next way, how many copies are still to be taken, the length so far; once the adapters are
 *  chosen, the open ends that they lead by. */
type Place = { index: number; left: number; lengthMm: number; pieces: number; met: ReadonlySet<string> | null };

/** False when no choice of what is left comes near enough any more. */
function mayReach(search: Search, { index, left, lengthMm, pieces }: Place): boolean {
  const [shortest, longest] = [search.sums.least[index]?.[left], search.sums.most[index]?.[left]];
  if (shortest === undefined || longest === undefined) return false;
  const { neededMm } = search.input;
  const worst = worstMm(search);
  const longestMm = lengthMm + longest + search.mostShimMm + search.widestGapMm * (pieces + 1);
  return lengthMm + shortest <= neededMm + worst && longestMm >= neededMm - worst;
}

/** Left once more than entered where the stack begins, entered once more where it ends. */
const wantedNet = ({ from, to }: Ends, end: string): number => Number(end === from) - Number(end === to);

/** False when an open end that nothing touches any more is left hanging. */
const mayClose = ({ net, closing, input }: Search, index: number): boolean =>
  (closing[index] ?? []).every((end) => (net.get(end) ?? 0) === wantedNet(input.ends, end));

/** The open ends by the index from which on no adapter touches them. */
function closingOf(adapters: readonly Way[], { from, to }: Ends): string[][] {
  const last = new Map<string, number>([
    [from, 0],
    [to, 0],
  ]);
  adapters.forEach((way, i) => {
    last.set(way.from, i + 1);
    last.set(way.to, i + 1);
  });
  return Array.from({ length: adapters.length + 1 }, (_, i) =>
    [...last].flatMap(([end, index]) => (index === i ? [end] : [])),
  );
}

function passed({ net }: Search, { from, to }: Way, count: number): void {
  net.set(from, (net.get(from) ?? 0) + count);
  net.set(to, (net.get(to) ?? 0) - count);
}

/** The open ends on the way, as soon as the adapters are chosen; undefined where they do not lead to the camera. */
function metAt({ adapters, input }: Search, taken: readonly Taken[], { index, met }: Place): Place['met'] | undefined {
  if (index !== adapters) return met;
  return screwsTogether(taken, input.ends) ? endsMet(taken, input.ends.from) : undefined;
}

/** Chooses exactly so many copies. */
function choose(search: Search, taken: Taken[], at: Place): void {
  const { index, left, lengthMm, pieces } = at;
  if (search.stepsLeft <= 0) return;
  search.stepsLeft -= 1;
  if (!mayClose(search, index)) return;
  const met = metAt(search, taken, at);
  if (met === undefined) return;
  const way = search.ways[index];
  if (!way) {
    if (left === 0) enter(search, taken, lengthMm, pieces);
    return;
  }
  if (!mayReach(search, at)) return;
  const { piece } = way;
  const most = met === null || met.has(way.from) ? Math.min(piece.count, left) : 0;
  for (let count = most; count >= leastOf(piece); count -= 1) {
    if (count > 0) taken.push({ way, count });
    passed(search, way, count);
    choose(search, taken, {
      index: index + 1,
      left: left - count,
      lengthMm: lengthMm + count * piece.lengthMm,
      pieces,
      met,
    });
    passed(search, way, -count);
    if (count > 0) taken.pop();
  }
}

/** Every set of adapters that leads from corrector to camera, with the rings that fit somewhere on its way. */
function adapterSets({ ends, box, mostPieces, mostSteps }: FitInput): { rings: Way[]; taken: Taken[] }[] | null {
  const ways = box.filter((p) => p.count > 0).map(wayOf);
  const adapters = ways.filter((w) => !isRing(w));
  const rings = ways.filter(isRing);
  const sets: { rings: Way[]; taken: Taken[] }[] = [];
  let steps = 0;
  const chooseAll = (index: number, taken: Taken[], pieces: number): void => {
    steps += 1;
    if (steps > mostSteps || pieces > mostPieces) return;
    const way = adapters[index];
    if (way) {
      for (let count = leastOf(way.piece); count <= way.piece.count; count += 1)
        chooseAll(index + 1, [...taken, { way, count }], pieces + count);
      return;
    }
    if (!screwsTogether(taken, ends)) return;
    const met = endsMet(taken, ends.from);
    if (rings.some((r) => r.piece.required === true && !met.has(r.from))) return;
    sets.push({ rings: rings.filter((r) => met.has(r.from)), taken });
  };
  chooseAll(0, [], 0);
  return steps <= mostSteps ? sets : null;
}

/** How many sets screw together, whatever their length; null when that is more work than allowed. */
export function countStacks(input: FitInput): number | null {
  const sets = adapterSets(input);
  // Rings that fit may be taken in any number of copies, those that are required at least once.
  const ways = ({ rings }: { rings: Way[] }): number =>
    rings.reduce((product, { piece }) => product * (piece.count + 1 - leastOf(piece)), 1);
  return sets && sets.reduce((sum, set) => sum + ways(set), 0);
}

function searchOf(input: FitInput): Search {
  const ways = input.box.filter((p) => p.count > 0).map(wayOf);
  const longestFirst = (a: Way, b: Way): number => b.piece.lengthMm - a.piece.lengthMm;
  const adapters = ways.filter((w) => !isRing(w)).sort(longestFirst);
  const all = [...adapters, ...ways.filter(isRing).sort(longestFirst)];
  const shims = shimSets(input.shims, input.mostShimsMm);
  return {
    input,
    ways: all,
    adapters: adapters.length,
    net: new Map(),
    closing: closingOf(adapters, input.ends),
    sums: sumsOf(all, input.mostPieces),
    shims,
    mostShimMm: shims.at(-1)?.totalMm ?? 0,
    widestGapMm: widestGapMm(input.box, input.ends),
    best: [],
    stepsLeft: 0,
  };
}

const UM_PER_MM = 1000;

/** No set can come nearer than this, in hundredths: all lengths lie on a grid, as tenths of a millimetre do, and what is
 *  needed lies off it. Lengths finer than a micrometre have none, nor do open gaps. */
function leastErrorKey({ box, shims, neededMm, ends }: FitInput): number {
  if (widestGapMm(box, ends) > 0) return 0;
  const lengthsUm = [...box.map((p) => p.lengthMm), ...shims.map((s) => s.thicknessMm)].map((mm) => mm * UM_PER_MM);
  if (lengthsUm.some((um) => Math.abs(um - Math.round(um)) > 1e-6)) return 0;
  const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b));
  const gridMm = lengthsUm.map(Math.round).reduce(common, 0) / UM_PER_MM;
  if (gridMm === 0) return 0;
  const overMm = neededMm - gridMm * Math.floor(neededMm / gridMm);
  return hundredths(Math.min(overMm, gridMm - overMm));
}

/** The five nearest stacks, step by step: tells each number of pieces before it looks at it, so that a worker can report and
 *  be cancelled. Five that come as near as these lengths can end the search: what follows has more pieces. */
export function* fitSteps(input: FitInput): Generator<{ pieces: number; of: number }, Fit> {
  const search = searchOf(input);
  const copies = input.box.reduce((sum, p) => sum + p.count, 0);
  const mostPieces = Math.min(input.mostPieces, copies);
  const leastKey = leastErrorKey(input);
  let proven = true;
  for (let pieces = 0; pieces <= mostPieces; pieces += 1) {
    if ((search.best[SHOWN - 1]?.errorKey ?? Infinity) <= leastKey) break;
    yield { pieces, of: mostPieces };
    // Each number of pieces gets its share, so that a box with too many ways still shows some of every kind.
    search.stepsLeft = Math.ceil(input.mostSteps / (mostPieces + 1));
    choose(search, [], { index: 0, left: pieces, lengthMm: 0, pieces, met: null });
    proven = proven && search.stepsLeft > 0;
  }
  return {
    best: search.best.map(({ ids, shims, lengthMm, openMm }) => ({
      ids,
      shimsMm: shims.shimsMm,
      lengthMm,
      errorMm: lengthMm - input.neededMm,
      openMm,
    })),
    proven,
  };
}

/** All steps at once. */
export function fitStack(input: FitInput): Fit {
  const steps = fitSteps(input);
  for (let step = steps.next(); ; step = steps.next()) if (step.done === true) return step.value;
}

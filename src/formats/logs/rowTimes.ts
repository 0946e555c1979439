/** What the times of a log's rows come to: rows told twice counted once, stray times left out, rows put in order where their
 *  times say how, clocks that were set carried on, sessions parted. What cannot be told is refused. */
import { ok, refuse, type Result } from '../../core/result.ts';
import { clockTurns, type Turned } from './clockTurns.ts';
import { spread } from './coarseTimes.ts';
import { LEAST_STEP_S, stepOf, usualStepS, type RawRows } from './rawRows.ts';
import { APART_S, withoutStrays } from './strayTimes.ts';

export type TimeNote =
  | { code: 'strayTimes' | 'toldTwice' | 'inOrder'; rows: number }
  | { code: 'newestFirst' }
  | { code: 'clockSet' | 'summerTime'; afterS: number; byS: number }
  | { code: 'sessions'; count: number }
  | { code: 'spread'; everyS: number };

export type RowTimes = {
  /** Which row stands at each place, earliest first. */
  order: number[];
  /** Of each place, from the first row of data. */
  timeS: Float64Array;
  /** Places from which on a session of its own begins. */
  starts: number[];
  /** Where the clock was set while the log ran, s. */
  clockSteps: number[];
  notes: TimeNote[];
  /** Rows that are left out because they tell no time that fits. */
  left: number[];
};

/** Rows to a time from which on equal ones may well be two. */
const COARSE = 1.5;

/** Of each so many equal rows the first. */
function everyNth(rows: readonly number[], prints: Float64Array, each: number): number[] {
  const counts = new Map<number, number>();
  return rows.filter((i) => {
    const count = counts.get(prints[i] as number) ?? 0;
    counts.set(prints[i] as number, count + 1);
    return count % each === 0;
  });
}

/** Rows that say nothing else than an earlier one. Of a coarse clock single ones may well be alike, but not all of them twice. */
function toldOnce({ rawS, prints }: RawRows, rows: number[]): number[] {
  const counts = new Map<number, number>();
  const kept = rows.filter((i) => {
    const print = prints[i] as number;
    const count = counts.get(print) ?? 0;
    counts.set(print, count + 1);
    return count === 0;
  });
  if (kept.length === rows.length) return kept;
  const times = new Set(kept.map((i) => rawS[i] as number));
  if (kept.length <= COARSE * times.size) return kept;
  // What is alike by itself is told twice as often, with all the rest.
  const each = [...counts.values()].reduce((a, b) => Math.min(a, b), Infinity);
  return each > 1 && [...counts.values()].every((count) => count % each === 0) ? everyNth(rows, prints, each) : rows;
}

/** So many of all steps run backwards where the newest row stands first. */
const NEWEST_FIRST = 0.95;
/** Where more run backwards and no date says when, nobody knows the order. */
const FEW_BACKWARD = 3;
const FEW_OF_ROWS = 0.005;
/** Where more rows with dates do, their dates tell the order; fewer are clocks that were set. */
const SHUFFLED = 0.02;

function backwardOf({ rawS, clock }: RawRows, rows: readonly number[], byS: number): number {
  const step = stepOf(clock);
  let count = 0;
  for (let k = 1; k < rows.length; k += 1)
    if (step(rawS[rows[k - 1] as number] as number, rawS[rows[k] as number] as number) < -byS) count += 1;
  return count;
}

/** Places in the order of their times; those of one time as they stand. */
function placesByTime(timeS: Float64Array): number[] {
  const places = Array.from(timeS.keys());
  if (timeS.every((s, k) => k === 0 || s >= (timeS[k - 1] as number))) return places;
  return places.sort((a, b) => (timeS[a] as number) - (timeS[b] as number) || a - b);
}

const inOrderOf = ({ rawS }: RawRows, rows: readonly number[], notes: TimeNote[]): number[] => {
  const sorted = placesByTime(Float64Array.from(rows, (i) => rawS[i] as number)).map((k) => rows[k] as number);
  notes.push({ code: 'inOrder', rows: rows.filter((row, k) => row !== sorted[k]).length });
  return sorted;
};

/** Where the end of one part meets the beginning of the next, within so many of the usual steps. */
const MEETS_STEPS = 20;
type Ends = { first: number; last: number };

function partsOfRows({ rawS }: RawRows, rows: readonly number[]): Ends[] {
  const parts: Ends[] = [];
  let open: Ends | null = null;
  for (const row of rows) {
    const s = rawS[row] as number;
    if (open === null || s < open.last - LEAST_STEP_S) parts.push((open = { first: s, last: s }));
    else open.last = Math.max(open.last, s);
  }
  return parts;
}

/** Parts of one log that stand in the wrong order: put in order each goes on where another one ends. After a clock was set they
 *  overlap, or stand far apart. */
function areParts(raw: RawRows, rows: readonly number[], usualS: number): boolean {
  const parts = partsOfRows(raw, rows).sort((a, b) => a.first - b.first);
  return parts.every(({ first }, i) => {
    const gapS = first - (parts[i - 1]?.last ?? first);
    return gapS >= 0 && (raw.clock === 'dated' || gapS <= MEETS_STEPS * usualS);
  });
}

const isMixed = (raw: RawRows, rows: readonly number[]): boolean =>
  backwardOf(raw, rows, LEAST_STEP_S) > Math.max(FEW_BACKWARD, SHUFFLED * rows.length);

/** Nothing has to be done to times that only rise, of a clock that nobody turns: quick, for logs of a million rows. */
function plainTimes({ rawS, isCivil }: RawRows): RowTimes | null {
  const first = rawS[0] ?? 0;
  const isPlain =
    !isCivil && rawS.every((s, k) => k === 0 || (s > (rawS[k - 1] as number) && s - (rawS[k - 1] as number) < APART_S));
  if (!isPlain || !Number.isFinite(first)) return null;
  const timeS = rawS.map((s) => s - first);
  return { order: Array.from(rawS.keys()), timeS, starts: [], clockSteps: [], notes: [], left: [] };
}

export function rowTimes(raw: RawRows): Result<RowTimes, 'logTimesBackward'> {
  const plain = plainTimes(raw);
  if (plain) return ok(plain);
  const notes: TimeNote[] = [];
  const timed = Array.from(raw.rawS.keys()).filter((i) => Number.isFinite(raw.rawS[i]));
  let rows = toldOnce(raw, timed);
  if (rows.length < timed.length) notes.push({ code: 'toldTwice', rows: timed.length - rows.length });
  if (rows.length > 2 && backwardOf(raw, rows, 0) > NEWEST_FIRST * (rows.length - 1)) {
    rows.reverse();
    notes.push({ code: 'newestFirst' });
  }
  if (raw.clock === 'dated' && isMixed(raw, rows)) rows = inOrderOf(raw, rows, notes);
  const usualS = usualStepS(raw, rows);
  let straight = withoutStrays(raw, rows, usualS);
  if (straight.length < rows.length) notes.push({ code: 'strayTimes', rows: rows.length - straight.length });
  const backward = backwardOf(raw, straight, LEAST_STEP_S);
  if (backward > Math.max(FEW_BACKWARD, FEW_OF_ROWS * straight.length))
    return refuse('logTimesBackward', { backward, rows: straight.length });
  if (backward > 0 && areParts(raw, straight, usualS)) straight = inOrderOf(raw, straight, notes);
  return ok({ ...carriedOn(raw, straight, usualS, notes), left: leftOut(raw, rows, straight) });
}

function leftOut({ rawS }: RawRows, rows: readonly number[], straight: readonly number[]): number[] {
  const untimed = Array.from(rawS.keys()).filter((i) => !Number.isFinite(rawS[i]));
  if (straight.length === rows.length) return untimed;
  const kept = new Set(straight);
  return [...untimed, ...rows.filter((row) => !kept.has(row))];
}

/** Times that only rise, over midnights, clocks that were set and sessions. */
function carriedOn(raw: RawRows, rows: readonly number[], usualS: number, notes: TimeNote[]): Omit<RowTimes, 'left'> {
  const turned = clockTurns(raw, rows, usualS);
  const places = placesByTime(turned.timeS);
  const sorted = Float64Array.from(places, (k) => turned.timeS[k] as number);
  const fine = spread(sorted);
  if (fine) notes.push({ code: 'spread', everyS: fine.everyS });
  const timeS = fine?.timeS ?? sorted;
  const first = timeS[0] ?? 0;
  return {
    order: places.map((k) => rows[k] as number),
    timeS: timeS.map((s) => s - first),
    starts: turned.starts.map((k) => places.indexOf(k)),
    clockSteps: turned.steps.map(({ at }) => (turned.timeS[at] as number) - first),
    notes: [...notes, ...turnNotes(turned, first)],
  };
}

function turnNotes({ timeS, steps, starts }: Turned, firstS: number): TimeNote[] {
  const set = steps.map(({ at, code, byS }): TimeNote => ({ code, byS, afterS: (timeS[at] as number) - firstS }));
  return starts.length > 0 ? [...set, { code: 'sessions', count: starts.length + 1 }] : set;
}

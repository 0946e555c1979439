/** Rows in the order of their times as a series of numbers. Rows without usable numbers are counted and left out; what a guider
 *  sent in them still counts. */
import { ok, refuse, type Result } from '../../core/result.ts';
import { cadenceOf, HOLE_OF_CADENCES, placesFrom, type TrackSeries } from '../../core/tracking/trackSeries.ts';
import { pulseSense } from './directions.ts';
import type { RowTimes, TimeNote } from './rowTimes.ts';

export const VALUES = ['ra', 'dec', 'sentRa', 'sentDec', 'aimRa', 'aimDec'] as const;
type ValueName = (typeof VALUES)[number];
/** Of all rows as they stand; null = the log has no such column. */
export type LogValues = Record<ValueName, Float64Array | null>;

/** What was made of a log that does not go without saying. */
export type LogNote = TimeNote | { code: 'pulsesTurned' | 'pulsesUntold'; axis: 'ra' | 'dec' };

export type LogRead = {
  series: TrackSeries;
  /** Rows of data, usable or not. */
  rows: number;
  unusable: number;
  /** Where the clock was set while the log ran, s. */
  clockSteps: number[];
  notes: LogNote[];
};

type Pulses = { sent: Float64Array | null; notes: LogNote[] };

/** What was sent as it moved the star. @param isToward a column of its own says which way.  @returns null without a sign. */
function signed(axis: 'ra' | 'dec', error: Float64Array, sent: Float64Array | null, isToward: boolean): Pulses | null {
  if (!sent) return { sent, notes: [] };
  const sense = pulseSense(error, sent);
  if (sense === 'unsigned') return null;
  if (sense === 'with') return { sent: sent.map((s) => -s), notes: [{ code: 'pulsesTurned', axis }] };
  return { sent, notes: isToward && sense === 'untold' ? [{ code: 'pulsesUntold', axis }] : [] };
}

/** Rows in their order: sums of what was sent before each, or what was aimed at. */
function inOrder(values: Float64Array, order: readonly number[], isSum: boolean): Float64Array {
  let sum = 0;
  return Float64Array.from(order, (row) => {
    const value = values[row] as number;
    const own = Number.isFinite(value) ? value : 0;
    if (!isSum) return own;
    sum += own;
    return sum - own;
  });
}

type Options = { raFromXDeg: number | null; isToward: boolean };

export function seriesRead(
  values: LogValues,
  times: RowTimes,
  { raFromXDeg, isToward }: Options,
): Result<LogRead, 'logEmpty' | 'logUnsigned'> {
  const rows = values.ra?.length ?? 0;
  const zeros = new Float64Array(rows);
  const [ra, dec] = turned(values.ra ?? zeros, values.dec ?? zeros, raFromXDeg);
  const [sentRa, sentDec] = [signed('ra', ra, values.sentRa, isToward), signed('dec', dec, values.sentDec, isToward)];
  if (!sentRa || !sentDec) return refuse('logUnsigned');
  const told = { ...values, ra, dec, sentRa: sentRa.sent, sentDec: sentDec.sent };
  const series = usableSeries(told, times);
  if (series.timeS.length === 0) return refuse('logEmpty');
  const unusable = rows - series.timeS.length - toldTwice(times.notes);
  const notes = [...times.notes, ...sentRa.notes, ...sentDec.notes];
  return ok({ series, rows, unusable, clockSteps: times.clockSteps, notes });
}

/** Of the rows with usable errors, in order. */
function usableSeries(values: LogValues & Record<'ra' | 'dec', Float64Array>, times: RowTimes): TrackSeries {
  const { ra, dec, sentRa, sentDec, aimRa, aimDec } = values;
  const { order, timeS, starts } = times;
  const usable = Array.from(order.keys()).filter(
    (k) => Number.isFinite(ra[order[k] as number]) && Number.isFinite(dec[order[k] as number]),
  );
  const isGuided = sentRa !== null || sentDec !== null;
  // Most logs are in order and whole: nothing is copied then.
  const asItIs = usable.length === ra.length && order.every((row, k) => row === k);
  const of = (all: Float64Array): Float64Array =>
    asItIs ? all : Float64Array.from(usable, (k) => all[order[k] as number] as number);
  const beside = (all: Float64Array | null, isSum: boolean): Float64Array => {
    const ordered = inOrder(all ?? new Float64Array(ra.length), order, isSum);
    return Float64Array.from(usable, (k) => ordered[k] as number);
  };
  return {
    timeS: asItIs ? timeS : Float64Array.from(usable, (k) => timeS[k] as number),
    raArcsec: of(ra),
    decArcsec: of(dec),
    sentRaArcsec: isGuided ? beside(sentRa, true) : null,
    sentDecArcsec: isGuided ? beside(sentDec, true) : null,
    aimRaArcsec: aimRa && beside(aimRa, false),
    aimDecArcsec: aimDec && beside(aimDec, false),
    starts: placesFrom(usable, starts),
    unlogged: isGuided ? placesFrom(usable, unloggedIn(times)) : [],
  };
}

/** Places before which rows are missing: a hole in the times, or a row that stood there and could not be read. */
function unloggedIn({ timeS, order, left }: RowTimes): number[] {
  const longest = HOLE_OF_CADENCES * cadenceOf(timeS);
  const after = new Set(left.map((row) => row + 1));
  return Array.from(order.keys()).filter((k) => {
    if (k === 0) return false;
    return (timeS[k] as number) - (timeS[k - 1] as number) > longest || after.has(order[k] as number);
  });
}

const toldTwice = (notes: readonly TimeNote[]): number =>
  notes.reduce((sum, note) => sum + (note.code === 'toldTwice' ? note.rows : 0), 0);

/** Columns of a camera as right ascension and declination. */
function turned(x: Float64Array, y: Float64Array, raFromXDeg: number | null): [Float64Array, Float64Array] {
  if (raFromXDeg === null || raFromXDeg === 0) return [x, y];
  const [c, s] = [Math.cos((raFromXDeg * Math.PI) / 180), Math.sin((raFromXDeg * Math.PI) / 180)];
  return [x.map((v, i) => c * v + s * (y[i] as number)), y.map((v, i) => c * v - s * (x[i] as number))];
}

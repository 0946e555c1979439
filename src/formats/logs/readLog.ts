/** A log's text as a series of numbers, row by row: it may come in pieces of any size, and go on growing.
 *  Rows without usable numbers are counted and left out; what a guider sent in them still counts. */
import { ok, refuse, type Result } from '../../core/result.ts';
import type { TrackSeries } from '../../core/tracking/trackSeries.ts';
import type { ColumnRole, CorrectionUnit, ErrorUnit } from './columnRoles.ts';
import { cellsOf, isHeaderRow, isRemark, type LogLayout } from './layout.ts';
import { numberIn, timeIn } from './timeCells.ts';

export type LogMapping = {
  roles: readonly ColumnRole[];
  /** For errors without a unit of their own. */
  unit: ErrorUnit;
  /** Needed for pixels. */
  scaleArcsecPerPx: number | null;
  /** Needed for corrections in time. */
  rateArcsecPerS: number | null;
  /** Of the camera: right ascension lies so far from the columns' x, counter-clockwise; null = along it. */
  raFromXDeg: number | null;
};

export type LogCode =
  | 'logEmpty'
  | 'logNoTime'
  | 'logNoError'
  | 'logNoScale'
  | 'logNoRate'
  | 'logTooLong'
  | 'logNotText';
export type LogRead = {
  series: TrackSeries;
  /** Rows of data, usable or not. */
  rows: number;
  unusable: number;
  /** Where the clock was set while the log ran, s. */
  clockSteps: number[];
};

const MIDNIGHT_S = 43_200;
const DAY_S = 86_400;
/** No clock tells more, whatever it counts from; no star is farther off than round the sky. */
const MOST_SECONDS = 1e11;
const MOST_ARCSEC = 1_296_000;
/** A clock that goes back by less is a row that came late. */
const LEAST_STEP_S = 5;
const PER_UNIT: Record<Exclude<ErrorUnit, 'px'>, number> = { arcsec: 1, arcmin: 60, deg: 3600, mas: 0.001 };

type Growing = { push: (v: number) => void; done: () => Float64Array };

/** Numbers that are added one by one. */
function growing(): Growing {
  let values = new Float64Array(1024);
  let length = 0;
  return {
    push: (v) => {
      if (length === values.length) {
        const more = new Float64Array(2 * length);
        more.set(values);
        values = more;
      }
      values[length] = v;
      length += 1;
    },
    done: () => values.slice(0, length),
  };
}

type Column = { at: number; factor: number };

/** Which cell holds a value and what makes arcsec of it; a word where that is not known. */
function columnOf(mapping: LogMapping, is: ColumnRole['is']): Column | LogCode | null {
  const at = mapping.roles.findIndex((r) => r.is === is);
  const role = mapping.roles[at];
  if (!role || !('unit' in role)) return null;
  const unit: CorrectionUnit = role.unit ?? mapping.unit;
  const { scaleArcsecPerPx, rateArcsecPerS } = mapping;
  if (unit === 'px') return scaleArcsecPerPx === null ? 'logNoScale' : { at, factor: role.sign * scaleArcsecPerPx };
  if (unit === 'ms' || unit === 's') {
    if (rateArcsecPerS === null) return 'logNoRate';
    return { at, factor: role.sign * rateArcsecPerS * (unit === 'ms' ? 0.001 : 1) };
  }
  return { at, factor: role.sign * PER_UNIT[unit] };
}

const VALUES = ['ra', 'dec', 'sentRa', 'sentDec', 'aimRa', 'aimDec'] as const;
type ValueName = (typeof VALUES)[number];
type Columns = Record<ValueName, Column | null>;

function columnsOf(mapping: LogMapping): Result<Columns, LogCode> {
  const columns = {} as Columns;
  for (const name of VALUES) {
    const column = columnOf(mapping, name);
    if (typeof column === 'string') return refuse(column);
    columns[name] = column;
  }
  if (!columns.ra) return refuse('logNoError');
  return mapping.roles.some((r) => r.is === 'time') ? ok(columns) : refuse('logNoTime');
}

/** Times that run on over midnight and over a clock that was set. */
function clock() {
  let [first, last, shift, step]: [number | null, number, number, number] = [null, 0, 0, 0];
  const steps: number[] = [];
  return {
    steps,
    /** Seconds from the first row; a row may come late by less than a step of the clock. */
    at: (seconds: number, wraps: boolean): number => {
      if (!(Math.abs(seconds) < MOST_SECONDS)) return Number.NaN;
      first ??= seconds;
      let now = seconds - first + shift;
      if (wraps && now < last - MIDNIGHT_S) {
        shift += DAY_S;
        now += DAY_S;
      }
      if (now < last - LEAST_STEP_S) {
        shift += last + step - now;
        now = last + step;
        steps.push(now);
      } else if (now > last && last > 0) step = step === 0 ? now - last : Math.min(step, now - last);
      // A row that came late stands where its own time says.
      last = Math.max(last, now);
      return now;
    },
  };
}

/** How a row's cells become numbers. */
function rowParser(layout: LogLayout, { roles }: LogMapping) {
  const { decimalComma } = layout;
  const timeAt = roles.findIndex((r) => r.is === 'time');
  const dateAt = roles.findIndex((r) => r.is === 'date');
  const role = roles[timeAt];
  const kind = role?.is === 'time' ? role.kind : 's';
  return {
    wraps: kind === 'timeOfDay' && dateAt === -1,
    seconds: (cells: readonly string[]): number => timeIn(cells[timeAt] ?? '', kind, decimalComma, cells[dateAt] ?? ''),
    value: (cells: readonly string[], column: Column | null): number => {
      if (!column) return 0;
      const arcsec = numberIn(cells[column.at] ?? '', decimalComma) * column.factor;
      return Math.abs(arcsec) <= MOST_ARCSEC ? arcsec : Number.NaN;
    },
  };
}

const finite = (v: number): number => (Number.isFinite(v) ? v : 0);

/** Rows that are kept, and what was sent and aimed at until each. Nothing is made anew for a row: there may be a million. */
function rowsKept(columns: Columns, parser: ReturnType<typeof rowParser>) {
  const times = clock();
  const t = growing();
  const lists = VALUES.map(() => growing());
  const order = VALUES.map((name) => columns[name]);
  const now = new Float64Array(VALUES.length);
  /** What stands beside an error: sums of what was sent, the last aim. */
  const beside = new Float64Array(VALUES.length);
  let [last, isSorted] = [Number.NEGATIVE_INFINITY, true];
  const [SENT, AIM] = [2, 4];
  const keep = (at: number): void => {
    isSorted &&= at >= last;
    last = at;
    t.push(at);
    for (let k = 0; k < VALUES.length; k += 1) {
      if (k >= AIM) beside[k] = finite(now[k] as number);
      if (order[k]) lists[k]?.push((k < SENT ? now[k] : beside[k]) as number);
    }
  };
  /** False: without usable numbers. */
  const add = (cells: readonly string[]): boolean => {
    const at = times.at(parser.seconds(cells), parser.wraps);
    for (let k = 0; k < VALUES.length; k += 1) now[k] = parser.value(cells, order[k] ?? null);
    const usable = Number.isFinite(at) && Number.isFinite(now[0]) && Number.isFinite(now[1]);
    if (usable) keep(at);
    for (let k = SENT; k < AIM; k += 1) beside[k] = (beside[k] as number) + finite(now[k] as number);
    return usable;
  };
  const series = (raFromXDeg: number | null): TrackSeries => {
    const found = seriesOf(t, lists, columns, raFromXDeg);
    return isSorted ? found : byTime(found);
  };
  return { add, series, clockSteps: times.steps };
}

/** Rows in the order of their times; those of one time in the order of the log. */
function byTime(series: TrackSeries): TrackSeries {
  const order = Uint32Array.from(series.timeS.keys()).sort(
    (a, b) => (series.timeS[a] as number) - (series.timeS[b] as number) || a - b,
  );
  const sorted = <T extends Float64Array | null>(values: T): T =>
    (values === null ? null : Float64Array.from(order, (i) => values[i] as number)) as T;
  return {
    timeS: sorted(series.timeS),
    raArcsec: sorted(series.raArcsec),
    decArcsec: sorted(series.decArcsec),
    sentRaArcsec: sorted(series.sentRaArcsec),
    sentDecArcsec: sorted(series.sentDecArcsec),
    aimRaArcsec: sorted(series.aimRaArcsec),
    aimDecArcsec: sorted(series.aimDecArcsec),
  };
}

function seriesOf(t: Growing, lists: readonly Growing[], columns: Columns, raFromXDeg: number | null): TrackSeries {
  const timeS = t.done();
  const of = (name: ValueName): Float64Array => lists[VALUES.indexOf(name)]?.done() ?? timeS.map(() => 0);
  const or0 = (name: ValueName): Float64Array => (columns[name] ? of(name) : timeS.map(() => 0));
  const [raArcsec, decArcsec] = turned(of('ra'), or0('dec'), raFromXDeg);
  const logged = columns.sentRa !== null || columns.sentDec !== null;
  return {
    timeS,
    raArcsec,
    decArcsec,
    sentRaArcsec: logged ? or0('sentRa') : null,
    sentDecArcsec: logged ? or0('sentDec') : null,
    aimRaArcsec: columns.aimRa ? of('aimRa') : null,
    aimDecArcsec: columns.aimDec ? of('aimDec') : null,
  };
}

export type LogReader = { line: (text: string) => void; done: () => Result<LogRead, LogCode> };

/** Reads lines as they come. */
export function logReader(layout: LogLayout, mapping: LogMapping): LogReader {
  const columns = columnsOf(mapping);
  if (!columns.ok) return { line: () => undefined, done: () => columns };
  const { delimiter, headerLines, header } = layout;
  const parser = rowParser(layout, mapping);
  const kept = rowsKept(columns.value, parser);
  let [rows, unusable] = [0, 0];
  // Rows above the line that names the columns belong to something else.
  let inside = headerLines.length === 0;
  const isOurs = (text: string): boolean => headerLines.includes(text.trim());
  const data = (cells: readonly string[], usable: boolean): void => {
    rows += 1;
    if (!usable || !kept.add(cells)) unusable += 1;
  };
  return {
    line: (text) => {
      if (text.trim() === '' || isRemark(text)) return;
      const cells = cellsOf(text, delimiter);
      if (Number.isFinite(parser.seconds(cells))) {
        if (inside) data(cells, true);
      } else if (isHeaderRow(cells)) inside = isOurs(text) || (inside && rows === 0);
      else if (inside && cells.length === header.length) data(cells, false);
    },
    done: () => {
      const series = kept.series(mapping.raFromXDeg);
      if (series.timeS.length === 0) return refuse('logEmpty');
      return ok({ series, rows, unusable, clockSteps: kept.clockSteps });
    },
  };
}

/** Columns of a camera as right ascension and declination. */
function turned(x: Float64Array, y: Float64Array, raFromXDeg: number | null): [Float64Array, Float64Array] {
  if (raFromXDeg === null || raFromXDeg === 0) return [x, y];
  const [c, s] = [Math.cos((raFromXDeg * Math.PI) / 180), Math.sin((raFromXDeg * Math.PI) / 180)];
  return [x.map((v, i) => c * v + s * (y[i] as number)), y.map((v, i) => c * v - s * (x[i] as number))];
}

/** A log's text as a series of numbers, row by row: it may come in pieces of any size, and go on growing.
 *  Rows without usable numbers are counted and left out; what a guider sent in them still counts. */
import { ok, refuse, type Result } from '../../core/result.ts';
import type { ColumnRole, CorrectionUnit, ErrorUnit } from './columnRoles.ts';
import { directionIn } from './directions.ts';
import { namesColumns } from './columnWords.ts';
import { cellsOf, isHeaderRow, isRemark, type LogLayout } from './layout.ts';
import type { RawRows } from './rawRows.ts';
import { rowTimes } from './rowTimes.ts';
import { seriesRead, VALUES, type LogRead, type LogValues } from './seriesRead.ts';
import { namesOffset, numberIn, timeIn } from './timeCells.ts';

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

/** Why a log is refused. */
export const LOG_CODES = [
  'logEmpty',
  'logNoTime',
  'logNoError',
  'logNoScale',
  'logNoRate',
  'logTooLong',
  'logNotText',
  'logUnsigned',
  'logTimeUnit',
  'logTimesBackward',
] as const;
export type LogCode = (typeof LOG_CODES)[number];

/** No clock tells more, whatever it counts from; no star is farther off than round the sky. */
const MOST_SECONDS = 1e12;
const MOST_ARCSEC = 1_296_000;
/** Seconds that are counted from so long ago are dates. */
const DATED_S = 1e8;
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

/** @field towardAt cell that says which way it went; null = its sign does. */
type Column = { at: number; factor: number; towardAt: number | null };

/** Which cell holds a value and what makes arcsec of it; a word where that is not known. */
function columnOf(mapping: LogMapping, is: ColumnRole['is']): Column | LogCode | null {
  const at = mapping.roles.findIndex((r) => r.is === is);
  const role = mapping.roles[at];
  if (!role || !('unit' in role)) return null;
  const factor = factorOf(role.unit ?? mapping.unit, mapping);
  if (typeof factor === 'string') return factor;
  const toward = TOWARD[is];
  const towardAt = toward ? mapping.roles.findIndex((r) => r.is === toward) : -1;
  return { at, factor: role.sign * factor, towardAt: towardAt === -1 ? null : towardAt };
}

const TOWARD: Partial<Record<ColumnRole['is'], ColumnRole['is']>> = { sentRa: 'towardRa', sentDec: 'towardDec' };

/** Arcsec of one of the unit. */
function factorOf(unit: CorrectionUnit, { scaleArcsecPerPx, rateArcsecPerS }: LogMapping): number | LogCode {
  if (unit === 'px') return scaleArcsecPerPx ?? 'logNoScale';
  if (unit !== 'ms' && unit !== 's') return PER_UNIT[unit];
  if (rateArcsecPerS === null) return 'logNoRate';
  return rateArcsecPerS * (unit === 'ms' ? 0.001 : 1);
}

type Columns = Record<keyof LogValues, Column | null>;

function columnsOf(mapping: LogMapping): Result<Columns, LogCode> {
  const columns: Partial<Columns> = {};
  for (const name of VALUES) {
    const column = columnOf(mapping, name);
    if (typeof column === 'string') return refuse(column);
    columns[name] = column;
  }
  if (!columns.ra) return refuse('logNoError');
  return mapping.roles.some((r) => r.is === 'time') ? ok(columns as Columns) : refuse('logNoTime');
}

/** How a row's cells become numbers. */
function rowParser(layout: LogLayout, { roles }: LogMapping) {
  const { decimalComma } = layout;
  const timeAt = roles.findIndex((r) => r.is === 'time');
  const dateAt = roles.findIndex((r) => r.is === 'date');
  const role = roles[timeAt];
  const kind = role?.is === 'time' ? role.kind : 's';
  return {
    kind,
    timeAt,
    hasDate: dateAt !== -1,
    seconds: (cells: readonly string[]): number => {
      const s = timeIn(cells[timeAt] ?? '', kind, decimalComma, cells[dateAt] ?? '');
      return Math.abs(s) < MOST_SECONDS ? s : Number.NaN;
    },
    value: (cells: readonly string[], column: Column | null): number => {
      if (!column) return 0;
      const way = column.towardAt === null ? 1 : directionIn(cells[column.towardAt] ?? '');
      const arcsec = numberIn(cells[column.at] ?? '', decimalComma) * column.factor * way;
      return Math.abs(arcsec) <= MOST_ARCSEC ? arcsec : Number.NaN;
    },
  };
}
type RowParser = ReturnType<typeof rowParser>;

/** A number that tells equal lines. Source: two runs of FNV-1a with other beginnings (Fowler, Noll and Vo 1991). */
function printOf(text: string): number {
  let [a, b] = [0x811c9dc5, 0x5bd1e995];
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 0x01000193);
    b = Math.imul(b ^ code, 0x01000193) ^ (a >>> 15);
  }
  return (a >>> 0) * 2 ** 21 + ((b >>> 0) & 0x1fffff);
}

/** Rows that tell whether times name how far they are from universal time. */
const MOST_LOOKED_AT = 1000;

/** Rows as they come. Nothing is made anew for a row: there may be a million. */
function rowsKept(columns: Columns, parser: RowParser) {
  const [rawS, prints] = [growing(), growing()];
  const lists = VALUES.map(() => growing());
  const order = VALUES.map((name) => columns[name]);
  let [offsets, rows] = [false, 0];
  return {
    add: (text: string, cells: readonly string[], isWhole: boolean): void => {
      if (rows < MOST_LOOKED_AT) offsets ||= namesOffset(cells[parser.timeAt] ?? '');
      rows += 1;
      rawS.push(isWhole ? parser.seconds(cells) : Number.NaN);
      prints.push(printOf(text));
      for (let k = 0; k < VALUES.length; k += 1)
        if (order[k]) lists[k]?.push(isWhole ? parser.value(cells, order[k] ?? null) : Number.NaN);
    },
    done: (): Table => ({
      rawS: rawS.done(),
      prints: prints.done(),
      values: Object.fromEntries(
        VALUES.map((name, k) => [name, order[k] ? (lists[k] as Growing).done() : null]),
      ) as LogValues,
      namesOffsets: offsets,
    }),
  };
}

/** All rows as they stand. */
type Table = { rawS: Float64Array; prints: Float64Array; values: LogValues; namesOffsets: boolean };

function rawRowsOf({ rawS, prints, namesOffsets }: Table, parser: RowParser, name: string): RawRows {
  const first = rawS.find((s) => Number.isFinite(s)) ?? 0;
  const isDay = parser.kind === 'timeOfDay';
  const isDated = parser.kind === 'dateTime' || (isDay && parser.hasDate) || (!isDay && Math.abs(first) > DATED_S);
  const isCivil = (parser.kind === 'dateTime' || isDay) && !namesOffsets && !/\b(utc|ut|gmt)\b/i.test(name);
  return { rawS, prints, isCivil, clock: isDated ? 'dated' : isDay ? 'dayClock' : 'counting' };
}

export type LogReader = { line: (text: string) => void; done: () => Result<LogRead, LogCode> };

/** Reads lines as they come. */
export function logReader(layout: LogLayout, mapping: LogMapping): LogReader {
  const columns = columnsOf(mapping);
  if (!columns.ok) return { line: () => undefined, done: () => columns };
  const { delimiter, headerLines, header, widths } = layout;
  const parser = rowParser(layout, mapping);
  const kept = rowsKept(columns.value, parser);
  // Rows above the line that names the columns belong to something else.
  let [inside, rows] = [headerLines.length === 0, 0];
  /** Names of another table end this one; a sentence tells of an event. */
  const isOthers = (cells: readonly string[]): boolean => rows > 0 && namesColumns(cells);
  const isOurs = (text: string): boolean => headerLines.includes(text.trim());
  const isWhole = (cells: readonly string[]): boolean => cells.length >= header.length || widths.includes(cells.length);
  return {
    line: (text) => {
      if (text.trim() === '' || isRemark(text)) return;
      const cells = cellsOf(text, delimiter);
      const isTimed = Number.isFinite(parser.seconds(cells));
      if (!isTimed && isHeaderRow(cells) && (rows === 0 || cells.length === header.length))
        inside = isOurs(text) || (inside && !isOthers(cells));
      else if (inside && (isTimed || cells.length === header.length)) {
        rows += 1;
        kept.add(text, cells, isWhole(cells));
      }
    },
    done: () => {
      const table = kept.done();
      const times = rowTimes(rawRowsOf(table, parser, header[parser.timeAt] ?? ''));
      if (!times.ok) return times;
      const isToward = mapping.roles.some((r) => r.is === 'towardRa' || r.is === 'towardDec');
      return seriesRead(table.values, times.value, { raFromXDeg: mapping.raFromXDeg, isToward });
    },
  };
}

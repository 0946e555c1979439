/** Times as logs write them, in seconds of a clock of their own: only differences count. */

export type TimeKind =
  /** Numbers. */
  | 's'
  | 'ms'
  | 'us'
  | 'ns'
  | 'min'
  | 'h'
  | 'days'
  /** A date with a time, a time of day that runs over midnight, or minutes and seconds since a start. */
  | 'dateTime'
  | 'timeOfDay'
  | 'minutesSeconds';

const PER_UNIT_S: Record<Exclude<TimeKind, 'dateTime' | 'timeOfDay' | 'minutesSeconds'>, number> = {
  s: 1,
  ms: 1e-3,
  us: 1e-6,
  ns: 1e-9,
  min: 60,
  h: 3600,
  days: 86_400,
};

/** A number with a point or a comma, a unit behind it left out; NaN for anything else. */
export function numberIn(cell: string, decimalComma: boolean): number {
  const text = decimalComma ? cell.replace(',', '.') : cell;
  if (!/^[+\-−]?(\d|\.\d)/.test(text)) return Number.NaN;
  const value = Number(text);
  return Number.isNaN(value) ? Number(text.replace('−', '-').replace(UNIT, '')) : value;
}
/** A unit behind the number of a cell. */
const UNIT = /\s*(["″]|''|arcsec|px|ms|s)$/;

const CLOCK = /(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,](\d+))?)?\s*([ap]m)?/i;
const YEAR_FIRST = /(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})/;
const YEAR_LAST = /(\d{1,2})[-/.](\d{1,2})[-/.](\d{4})/;
/** How far a clock is ahead of universal time, behind its seconds or minutes. */
const OFFSET = /:\d{2}(?:[.,]\d+)?\s*([+\-−])(\d{2}):?(\d{2})?\s*$/;
const MINUTES_SECONDS = /^(\d{1,4}):([0-5]\d)(?:[.,](\d+))?$/;
const WITH_PARTS = /^\d{1,4}:[0-5]\d[.,]\d+$/;

const fraction = (digits: string | undefined): number => (digits === undefined ? 0 : Number(`0.${digits}`));

/** Seconds since midnight; NaN when there is no clock in it, or none that there is. */
function clockS(cell: string): number {
  const found = CLOCK.exec(cell);
  if (!found) return Number.NaN;
  const [, h = '0', m = '0', s = '0', part, half = ''] = found;
  const hours = half === '' ? Number(h) : (Number(h) % 12) + (half.toLowerCase() === 'pm' ? 12 : 0);
  if (hours > 24 || Number(m) > 59 || Number(s) > 60) return Number.NaN;
  return hours * 3600 + Number(m) * 60 + Number(s) + fraction(part);
}

/** Seconds by which the cell's own offset is ahead; 0 where it names none. */
function offsetS(cell: string): number {
  const found = OFFSET.exec(cell);
  if (!found) return 0;
  const [, sign, h = '0', m = '0'] = found;
  return (sign === '+' ? 1 : -1) * (Number(h) * 3600 + Number(m) * 60);
}
export const namesOffset = (cell: string): boolean => /z\s*$/i.test(cell) || OFFSET.test(cell);

/** Midnight of a date, s; day before month where the year stands last, unless that cannot be. */
function dateS(cell: string): number {
  const first = YEAR_FIRST.exec(cell);
  if (first) return dayS(Number(first[1]), Number(first[2]), Number(first[3]));
  const last = YEAR_LAST.exec(cell);
  if (!last) return Number.NaN;
  const [a, b] = [Number(last[1]), Number(last[2])];
  return b > 12 ? dayS(Number(last[3]), a, b) : dayS(Number(last[3]), b, a);
}

/** NaN for a day that the month has not. */
function dayS(year: number, month: number, day: number): number {
  const at = Date.UTC(year, month - 1, day);
  return new Date(at).getUTCDate() === day ? at / 1000 : Number.NaN;
}

function minutesSecondsS(cell: string): number {
  const found = MINUTES_SECONDS.exec(cell.trim());
  if (!found) return clockS(cell);
  return Number(found[1]) * 60 + Number(found[2]) + fraction(found[3]);
}

/** Seconds of one cell; a date in a cell of its own is added to it. */
export function timeIn(cell: string, kind: TimeKind, decimalComma: boolean, dateCell = ''): number {
  if (kind === 'minutesSeconds') return minutesSecondsS(cell);
  if (kind === 'timeOfDay') return clockS(cell) + (dateCell === '' ? 0 : dateS(dateCell)) - offsetS(cell);
  if (kind === 'dateTime') return dateS(cell) + (CLOCK.test(cell) ? clockS(cell) - offsetS(cell) : 0);
  return numberIn(cell, decimalComma) * PER_UNIT_S[kind];
}

/** What a cell without a name looks like; null for plain numbers and words. */
export function timeKindOf(cell: string): 'dateTime' | 'timeOfDay' | 'minutesSeconds' | 'date' | null {
  const hasDate = YEAR_FIRST.test(cell) || YEAR_LAST.test(cell);
  if (hasDate) return CLOCK.test(cell) ? 'dateTime' : 'date';
  if (WITH_PARTS.test(cell)) return 'minutesSeconds';
  return CLOCK.test(cell) ? 'timeOfDay' : null;
}

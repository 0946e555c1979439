/** Times as logs write them, in seconds of a clock of their own: only differences count. */

export type TimeKind =
  /** Numbers. */
  | 's'
  | 'ms'
  | 'min'
  | 'h'
  | 'days'
  /** A date with a time, or a time of day that runs over midnight. */
  | 'dateTime'
  | 'timeOfDay';

const PER_UNIT_S: Record<Exclude<TimeKind, 'dateTime' | 'timeOfDay'>, number> = {
  s: 1,
  ms: 0.001,
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

/** Seconds since midnight; NaN when there is no clock in it. */
function clockS(cell: string): number {
  const found = CLOCK.exec(cell);
  if (!found) return Number.NaN;
  const [, h = '0', m = '0', s = '0', part = '', half = ''] = found;
  const hours = half === '' ? Number(h) : (Number(h) % 12) + (half.toLowerCase() === 'pm' ? 12 : 0);
  return hours * 3600 + Number(m) * 60 + Number(s) + (part === '' ? 0 : Number(`0.${part}`));
}

/** Midnight of a date, s; day before month where the year stands last, unless that cannot be. */
function dateS(cell: string): number {
  const first = YEAR_FIRST.exec(cell);
  if (first) return Date.UTC(Number(first[1]), Number(first[2]) - 1, Number(first[3])) / 1000;
  const last = YEAR_LAST.exec(cell);
  if (!last) return Number.NaN;
  const [a, b] = [Number(last[1]), Number(last[2])];
  const [day, month] = b > 12 ? [b, a] : [a, b];
  return Date.UTC(Number(last[3]), month - 1, day) / 1000;
}

/** Seconds of one cell; a date in a cell of its own is added to it. */
export function timeIn(cell: string, kind: TimeKind, decimalComma: boolean, dateCell = ''): number {
  if (kind === 'timeOfDay') return clockS(cell) + (dateCell === '' ? 0 : dateS(dateCell));
  if (kind === 'dateTime') return dateS(cell) + (CLOCK.test(cell) ? clockS(cell) : 0);
  return numberIn(cell, decimalComma) * PER_UNIT_S[kind];
}

/** What a cell without a name looks like; null for plain numbers and words. */
export function timeKindOf(cell: string): 'dateTime' | 'timeOfDay' | 'date' | null {
  const hasDate = YEAR_FIRST.test(cell) || YEAR_LAST.test(cell);
  if (hasDate) return CLOCK.test(cell) ? 'dateTime' : 'date';
  return CLOCK.test(cell) ? 'timeOfDay' : null;
}

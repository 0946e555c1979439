/** How a column tells the time: by the look of its cells, by its name, and by how far apart rows can be. */
import { median } from '../../core/math/statistics.ts';
import { numberIn, timeIn, timeKindOf, type TimeKind } from './timeCells.ts';

export type TimeGuess = {
  kind: TimeKind;
  /** Guessed by how far apart rows can be, until the log's length says more; or one of two ways that both can be. */
  doubt: 'timeUnit' | 'clockParts' | null;
};

type Counted = Exclude<TimeKind, 'dateTime' | 'timeOfDay' | 'minutesSeconds'>;
/** Rows of a log stand so far apart, s. */
const NEAREST_S = 0.15;
const FARTHEST_S = 200;
const FEWEST_ROWS = 20;

const ABOUT_MS = /^(ms|msec\w*|millis\w*)$/;
const ABOUT_US = /^(us|µs|μs|usec\w*|micros\w*)$/;
const ABOUT_NS = /^(ns|nsec\w*|nanos\w*)$/;
const ABOUT_S = /^(s|sec\w*|sek\w*|seg\w*|elapsed|epoch|unix)$/;
const ABOUT_MIN = /^(mins?|minutes?|minuten|minutos?)$/;
const ABOUT_H = /^(hours?|h|std|stunden|heures|horas?)$/;
const ABOUT_DAYS = /^(jd|mjd|julian\w*|days?|tage|jours|dias)$/;

/** Since 1970 as programs count it, by its size alone, whatever its name; null where it is none. */
function unixBySize(first: number): Counted | null {
  if (first > 1e17) return 'ns';
  if (first > 1e14) return 'us';
  if (first > 1e11) return 'ms';
  return first > 1e8 ? 's' : null;
}

/** Null where neither its size nor a word of its name says it. */
function unitNamed(words: readonly string[], first: number): Counted | null {
  const has = (pattern: RegExp): boolean => words.some((w) => pattern.test(w));
  const unix = unixBySize(first);
  if (unix) return unix;
  if (has(ABOUT_MS)) return 'ms';
  if (has(ABOUT_US)) return 'us';
  if (has(ABOUT_NS)) return 'ns';
  if (has(ABOUT_DAYS) || (first > 2.4e6 && first < 2.5e6)) return 'days';
  if (has(ABOUT_MIN)) return 'min';
  if (has(ABOUT_H)) return 'h';
  return has(ABOUT_S) ? 's' : null;
}

function usualStep(values: readonly number[]): number {
  const steps = values.slice(1).map((v, i) => Math.abs(v - (values[i] as number)));
  return median(steps.filter((s) => s > 0)) ?? 1;
}

/** Numbers of a time that names no unit: seconds, unless rows would stand too near or too far apart; the log's own length has
 *  to agree. */
function unitByStep(values: readonly number[]): TimeGuess {
  const step = usualStep(values);
  const fits = (kind: Counted): boolean => {
    const s = step * timeIn('1', kind, false);
    return s >= NEAREST_S && s <= FARTHEST_S;
  };
  const kind = (['s', 'min', 'h', 'days', 'ms'] as const).find(fits) ?? 's';
  return { kind, doubt: 'timeUnit' };
}

/** Two parts of a clock: hours and minutes, or minutes and seconds where no hour is so late or no night so long. */
function twoParts(cells: readonly string[]): TimeGuess {
  const asHours = cells.map((c) => timeIn(c, 'timeOfDay', false));
  if (!asHours.every(Number.isFinite)) return { kind: 'minutesSeconds', doubt: null };
  const changes = asHours.slice(1).filter((s, i) => s !== asHours[i]).length;
  const isMinutes = changes * 2 < asHours.length;
  return isMinutes || cells.length < FEWEST_ROWS
    ? { kind: 'timeOfDay', doubt: null }
    : { kind: 'minutesSeconds', doubt: 'clockParts' };
}
const TWO_PARTS = /^\d{1,4}:\d{2}$/;

/** @param cells those that tell something.  @param words of the column's name. */
export function timeGuess(words: readonly string[], cells: readonly string[], decimalComma: boolean): TimeGuess {
  const seen = cells.map(timeKindOf).find((kind) => kind !== null);
  if (seen === 'timeOfDay' && cells.every((c) => TWO_PARTS.test(c))) return twoParts(cells);
  if (seen && seen !== 'date') return { kind: seen, doubt: null };
  const values = cells.map((c) => numberIn(c, decimalComma)).filter(Number.isFinite);
  const named = unitNamed(words, values[0] ?? 0);
  return named === null ? unitByStep(values) : { kind: named, doubt: null };
}

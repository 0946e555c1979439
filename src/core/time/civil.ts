/** The civil clock of a site: wall time from a zone of the IANA database (with summer time), through `Intl`. */
import { MS_PER_DAY } from './utc.ts';

export type WallTime = { year: number; month: number; day: number; hour: number; minute: number; second: number };

const formats = new Map<string, Intl.DateTimeFormat>();

function zoneFormat(zoneIana: string): Intl.DateTimeFormat {
  const known = formats.get(zoneIana);
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-GB', {
    timeZone: zoneIana,
    calendar: 'gregory',
    numberingSystem: 'latn',
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    era: 'short',
  });
  formats.set(zoneIana, made);
  return made;
}

/** True when the name is a zone this runtime knows. */
export function isKnownZone(zoneIana: string): boolean {
  try {
    zoneFormat(zoneIana);
    return true;
  } catch {
    return false;
  }
}

/** The zone by which a place is reckoned: its own where this runtime knows it, else the whole hour nearest by longitude
 *  (`Etc/GMT-1` is one hour ahead of Greenwich). */
export function usableZone({ zoneIana, lonDeg }: { zoneIana: string; lonDeg: number }): string {
  if (isKnownZone(zoneIana)) return zoneIana;
  const hours = Math.round(lonDeg / 15);
  return hours === 0 ? 'Etc/GMT' : `Etc/GMT${hours > 0 ? '-' : '+'}${Math.abs(hours)}`;
}

/** The wall clock of a zone at an instant. @throws RangeError for an unknown zone. */
export function wallTime(utcMs: number, zoneIana: string): WallTime {
  const parts = new Map(
    zoneFormat(zoneIana)
      .formatToParts(utcMs)
      .map((part) => [part.type, part.value]),
  );
  const read = (type: Intl.DateTimeFormatPartTypes): number => Number(parts.get(type));
  return {
    year: read('year'),
    month: read('month'),
    day: read('day'),
    hour: read('hour'),
    minute: read('minute'),
    second: read('second'),
  };
}

/** Minutes that the zone's clock is ahead of UTC at an instant; summer time included. */
export function zoneOffsetMin(utcMs: number, zoneIana: string): number {
  const w = wallTime(utcMs, zoneIana);
  const asUtc = Date.UTC(w.year, w.month - 1, w.day, w.hour, w.minute, w.second);
  return Math.round((asUtc - Math.floor(utcMs / 1000) * 1000) / 60_000);
}

/** The instant of a wall time. A time that the clock skips is read with the offset before the change (it lands after
 *  the gap); a time that occurs twice gives the first. */
export function instantOfWallTime(wall: WallTime, zoneIana: string): number {
  const asUtc = Date.UTC(wall.year, wall.month - 1, wall.day, wall.hour, wall.minute, wall.second);
  const before = zoneOffsetMin(asUtc - MS_PER_DAY, zoneIana);
  const after = zoneOffsetMin(asUtc + MS_PER_DAY, zoneIana);
  const candidates = [before, after].map((offset) => asUtc - offset * 60_000);
  const exact = candidates.filter((utcMs) => utcMs + zoneOffsetMin(utcMs, zoneIana) * 60_000 === asUtc);
  return exact.length > 0 ? Math.min(...exact) : (candidates[0] ?? asUtc);
}

/** Local noon of a date `YYYY-MM-DD` at the zone, as an instant: where the 24 hours of a night begin. */
export function localNoon(date: string, zoneIana: string): number {
  const [year = 1970, month = 1, day = 1] = date.split('-').map(Number);
  return instantOfWallTime({ year, month, day, hour: 12, minute: 0, second: 0 }, zoneIana);
}

const two = (n: number): string => String(n).padStart(2, '0');

/** The date of the evening that an instant belongs to: before local noon it is still the evening before. */
export function eveningDate(utcMs: number, zoneIana: string): string {
  const w = wallTime(utcMs, zoneIana);
  const day = Date.UTC(w.year, w.month - 1, w.day) - (w.hour < 12 ? MS_PER_DAY : 0);
  return new Date(day).toISOString().slice(0, 10);
}

/** A date shifted by whole days. */
export function shiftDate(date: string, days: number): string {
  return new Date(Date.parse(`${date}T00:00:00Z`) + days * MS_PER_DAY).toISOString().slice(0, 10);
}

/** Hour and minute as somebody writes them, `21:30`, `9.05` or `9:30 pm`; null for what is no time of a clock, as 25:00. */
export function readClock(text: string): { hour: number; minute: number } | null {
  const half = /^(0?[1-9]|1[0-2])(?:[:.]([0-5]\d))?\s*([ap])\.?m\.?$/i.exec(text.trim());
  if (half) {
    const afternoon = half[3]?.toLowerCase() === 'p';
    return { hour: (Number(half[1]) % 12) + (afternoon ? 12 : 0), minute: Number(half[2] ?? 0) };
  }
  const read = /^([01]?\d|2[0-3])[:.]([0-5]\d)$/.exec(text.trim());
  return read && { hour: Number(read[1]), minute: Number(read[2]) };
}

/** The instant of a clock's time within the night of an evening: from noon on that day, before noon the next. Null for what is
 *  no time of a clock. */
export function instantInNight(clock: string, evening: string, zoneIana: string): number | null {
  const read = readClock(clock);
  if (!read) return null;
  const { hour, minute } = read;
  const [year = 0, month = 1, day = 1] = (hour < 12 ? shiftDate(evening, 1) : evening).split('-').map(Number);
  return instantOfWallTime({ year, month, day, hour, minute, second: 0 }, zoneIana);
}

/** `21:14`, or `9:14 pm`, of an hour and minute. */
export const clockWords = ({ hour, minute }: Pick<WallTime, 'hour' | 'minute'>, halfDays: boolean): string =>
  halfDays
    ? `${hour % 12 === 0 ? 12 : hour % 12}:${two(minute)} ${hour < 12 ? 'am' : 'pm'}`
    : `${two(hour)}:${two(minute)}`;

/** On the site's clock, rounded down to the minute as clocks show it. */
export const formatClock = (utcMs: number, zoneIana: string, halfDays = false): string =>
  clockWords(wallTime(utcMs, zoneIana), halfDays);

const EVENING: Intl.DateTimeFormatOptions = { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' };
const writers = (locale: string): { short: Intl.DateTimeFormat; withYear: Intl.DateTimeFormat } => ({
  short: new Intl.DateTimeFormat(locale, EVENING),
  withYear: new Intl.DateTimeFormat(locale, { ...EVENING, year: 'numeric' }),
});
const DAY_FIRST = writers('en-GB');
const MONTH_FIRST = writers('en-US');

const written = (writer: Intl.DateTimeFormat, date: string): string =>
  writer.format(new Date(`${date}T12:00:00Z`)).replace(',', '');

/** `Tue 24 Nov`, or `Tue Nov 24`, of a date `YYYY-MM-DD`. */
export const formatDate = (date: string, monthFirst = false): string =>
  written((monthFirst ? MONTH_FIRST : DAY_FIRST).short, date);

const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' });

/** Month and year of a day: "Nov 2026". */
export function formatMonth(dayMs: number): string {
  return MONTH.format(new Date(dayMs));
}

/** The same in a list over several years: with its year unless that is the list's own. @param year four digits. */
export const formatDateIn = (year: string, date: string, monthFirst = false): string =>
  date.slice(0, 4) === year
    ? formatDate(date, monthFirst)
    : written((monthFirst ? MONTH_FIRST : DAY_FIRST).withYear, date);

/** The instant in [fromMs, toMs) when the zone's clock jumps, with the jump in minutes (+ = forward), or null. */
export function clockChange(fromMs: number, toMs: number, zoneIana: string): { utcMs: number; minutes: number } | null {
  const start = zoneOffsetMin(fromMs, zoneIana);
  const end = zoneOffsetMin(toMs, zoneIana);
  if (start === end) return null;
  let [low, high] = [fromMs, toMs];
  while (high - low > 1000) {
    const middle = (low + high) / 2;
    if (zoneOffsetMin(middle, zoneIana) === start) low = middle;
    else high = middle;
  }
  return { utcMs: Math.round(high / 60_000) * 60_000, minutes: end - start };
}

export type ZoneAnswer = {
  /** Minutes ahead of UTC without summer time. */
  standardMin: number;
  /** Minutes that summer time adds at the instant; 0 = none. */
  summerMin: number;
};

/** A zone's offset as hand controllers ask for it: the standard offset and the summer-time answer apart. The standard
 *  offset is the smallest of the year's January and July offsets and the present one (some zones set the clock back for
 *  a month instead). */
export function zoneAnswer(utcMs: number, zoneIana: string): ZoneAnswer {
  const year = wallTime(utcMs, zoneIana).year;
  const offsets = [0, 6].map((month) => zoneOffsetMin(Date.UTC(year, month, 1, 12), zoneIana));
  const nowMin = zoneOffsetMin(utcMs, zoneIana);
  const standardMin = Math.min(...offsets, nowMin);
  return { standardMin, summerMin: nowMin - standardMin };
}

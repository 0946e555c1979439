/** The one formatter: figures as this user reads them, on this site's clock. */
import { eveningDate, formatClock, formatDate, formatDateIn } from '../core/time/civil.ts';
import { formatCoordinate, formatHoursMinutes } from '../core/units/sexagesimal.ts';
import {
  formatDoubt,
  formatNumber,
  formatQuantity,
  toDisplay,
  type QuantityKind,
  type UnitSystem,
} from '../core/units/quantities.ts';

/** How this user's times are written. `halfDays`: the clock counts twice to twelve; `monthFirst`: the month before the day. */
export type Written = { halfDays: boolean; monthFirst: boolean };

export type Format = {
  system: UnitSystem;
  zoneIana: string;
  /** `3.50 kg`, `293 mm`, `1.8′`. */
  quantity: (base: number, kind: QuantityKind, decimals?: number) => string;
  /** `±0.2′`, one sigma. */
  doubt: (sigma: number, kind: QuantityKind, decimals?: number) => string;
  /** A quantity in the other system, to show on demand. */
  otherQuantity: (base: number, kind: QuantityKind) => string;
  number: (value: number, decimals: number) => string;
  /** The bare number in the user's unit, for figures that share one unit sign. */
  shown: (base: number, kind: QuantityKind) => number;
  written: Written;
  /** `Tue 24 Nov`, or `Tue Nov 24`, of a date `YYYY-MM-DD`. */
  date: (date: string) => string;
  /** With its year unless that is the list's own. */
  dateIn: (year: string, date: string) => string;
  /** The same of the evening that an instant belongs to at the site. */
  evening: (utcMs: number) => string;
  /** `21:14`, or `9:14 pm`, at the site. */
  clock: (utcMs: number) => string;
  /** `4:12` from hours. */
  hours: (hours: number) => string;
  /** `2 h 31` or `8 min`. */
  duration: (seconds: number) => string;
  /** The length of a sub, as it is set: nothing is rounded away. */
  exposure: (seconds: number) => string;
  latitude: (deg: number) => string;
  longitude: (deg: number) => string;
};

export const LATITUDE_LETTERS = { positive: 'N', negative: 'S' };
export const LONGITUDE_LETTERS = { positive: 'E', negative: 'W' };

/** Whole minutes as such, all else in seconds. */
function formatExposure(seconds: number): string {
  return seconds < 90 || seconds % 60 === 0 ? formatDuration(seconds) : `${Math.round(seconds)} s`;
}

function formatDuration(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  // Short subs are shutter times.
  if (seconds > 0 && seconds < 10) return `${Number(seconds.toPrecision(2))} s`;
  if (seconds < 90) return `${Math.round(seconds)} s`;
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
}

const AS_WRITTEN: Written = { halfDays: false, monthFirst: false };

export function makeFormat(system: UnitSystem, zoneIana: string, written: Written = AS_WRITTEN): Format {
  const { halfDays, monthFirst } = written;
  const date = (day: string): string => formatDate(day, monthFirst);
  return {
    system,
    zoneIana,
    quantity: (base, kind, decimals) => formatQuantity(base, kind, system, decimals),
    doubt: (sigma, kind, decimals) => formatDoubt(sigma, kind, system, decimals),
    otherQuantity: (base, kind) => formatQuantity(base, kind, system === 'metric' ? 'imperial' : 'metric'),
    number: formatNumber,
    shown: (base, kind) => toDisplay(base, kind, system),
    written,
    date,
    dateIn: (year, day) => formatDateIn(year, day, monthFirst),
    evening: (utcMs) => date(eveningDate(utcMs, zoneIana)),
    clock: (utcMs) => formatClock(utcMs, zoneIana, halfDays),
    hours: formatHoursMinutes,
    duration: formatDuration,
    exposure: formatExposure,
    latitude: (deg) => formatCoordinate(deg, LATITUDE_LETTERS),
    longitude: (deg) => formatCoordinate(deg, LONGITUDE_LETTERS),
  };
}

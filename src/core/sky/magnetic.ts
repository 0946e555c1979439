/** Magnetic declination and dip from the World Magnetic Model that covers the date. */
import geomagnetism from 'geomagnetism';
import { requireRange } from '../result.ts';
import { MS_PER_DAY } from '../time/utc.ts';

export type MagneticField = {
  /** East positive: compass reading + declination = true bearing. */
  declinationDeg: number;
  /** Dip, down positive. */
  inclinationDeg: number;
  horizontalNt: number;
  totalNt: number;
  /** False when the date lies outside the model's years: the value is extrapolated, show a warning. */
  insideModelYears: boolean;
  /** Under 6000 nT of horizontal field a compass is unreliable, under 2000 nT unusable. */
  compass: 'reliable' | 'unreliable' | 'unusable';
};

const DAYS_LIBRARY_YEAR = 365;

/** The library divides by 365 days also in leap years; the model's own convention is the year's true length. */
function onLibraryCalendar(utcMs: number): Date {
  const year = new Date(utcMs).getUTCFullYear();
  const start = Date.UTC(year, 0, 1);
  const share = (utcMs - start) / (Date.UTC(year + 1, 0, 1) - start);
  return new Date(start + share * DAYS_LIBRARY_YEAR * MS_PER_DAY);
}

/** Field at a geodetic place (WGS84). Typical uncertainty 0.4 degrees at mid latitude, before any iron nearby. */
export function magneticField(utcMs: number, latDeg: number, lonDeg: number, heightM: number): MagneticField {
  requireRange('latDeg', latDeg, -90, 90);
  requireRange('lonDeg', lonDeg, -180, 360);
  const model = geomagnetism.model(onLibraryCalendar(utcMs), { allowOutOfBoundsModel: true });
  const point = model.point([latDeg, lonDeg, heightM / 1000]);
  return {
    declinationDeg: point.decl,
    inclinationDeg: point.incl,
    horizontalNt: point.h,
    totalNt: point.f,
    insideModelYears: utcMs >= model.start_date.getTime() && utcMs <= model.end_date.getTime(),
    compass: point.h < 2000 ? 'unusable' : point.h < 6000 ? 'unreliable' : 'reliable',
  };
}

/** A log of a mount that does not exist, written in the ways that people's programs write them. */
import { normal, type Random } from '../../src/core/math/random.ts';
import type { LoggedRow } from '../../src/standins/mountLog.ts';

const pad = (n: number, digits = 2): string => String(Math.floor(n)).padStart(digits, '0');
const BEGAN_MS = Date.UTC(2026, 4, 11, 21, 40, 0);
const shifted = (s: number, hours: number): Date => new Date(BEGAN_MS + Math.round(s * 1000) + hours * 3_600_000);
const clock = (at: Date): string =>
  `${pad(at.getUTCHours())}:${pad(at.getUTCMinutes())}:${pad(at.getUTCSeconds())}.${pad(at.getUTCMilliseconds(), 3)}`;
const day = (at: Date): string => `${at.getUTCFullYear()}-${pad(at.getUTCMonth() + 1)}-${pad(at.getUTCDate())}`;
const julian = (s: number): number => 2_461_171.5 + (21 * 3600 + 2400 + s) / 86_400;

type TimeForm = { name: string; cell: (s: number) => string; isDated: boolean };

export const TIME_FORMS = {
  seconds: { name: 'time_s', cell: (s) => s.toFixed(2), isDated: false },
  millis: { name: 'elapsed_ms', cell: (s) => (1000 * s).toFixed(0), isDated: false },
  minutes: { name: 'Time (min)', cell: (s) => (s / 60).toFixed(5), isDated: false },
  unnamedMinutes: { name: 'Time', cell: (s) => (s / 60).toFixed(5), isDated: false },
  partsOfHour: { name: 'Time', cell: (s) => `${pad(s / 60)}:${(s % 60).toFixed(1).padStart(4, '0')}`, isDated: false },
  dayClock: { name: 'Uhrzeit', cell: (s) => clock(shifted(s, 2)), isDated: false },
  zulu: { name: 'UTC', cell: (s) => shifted(s, 0).toISOString(), isDated: true },
  offset: { name: 'timestamp', cell: (s) => `${day(shifted(s, -5))}T${clock(shifted(s, -5))}-05:00`, isDated: true },
  local: { name: 'local time', cell: (s) => `${day(shifted(s, 2))} ${clock(shifted(s, 2))}`, isDated: true },
  julianDate: { name: 'JD', cell: (s) => julian(s).toFixed(8), isDated: true },
  modifiedJulian: { name: 'MJD', cell: (s) => (julian(s) - 2_400_000.5).toFixed(8), isDated: true },
  unix: { name: 'epoch', cell: (s) => (BEGAN_MS / 1000 + s).toFixed(2), isDated: true },
} satisfies Record<string, TimeForm>;
export type TimeFormName = keyof typeof TIME_FORMS;

const AXIS_NAMES = [
  ['ra_arcsec', 'dec_arcsec'],
  ['RA err ["]', 'Dec err ["]'],
  ['RA-Fehler ["]', 'Dek-Fehler ["]'],
  ['AD (arcsec)', 'Déc (arcsec)'],
] as const;

export type LogForm = { time: TimeFormName; axes: number; delimiter: ',' | ';' | '\t'; snr: boolean };

/** One row as it is written: its time apart, so that what befalls the clock can befall it. */
export type Written = { timeS: number; ra: string; dec: string; rest: string[] };

export function writtenRows(rows: readonly LoggedRow[], isGuided: boolean, form: LogForm, random: Random): Written[] {
  const cell = (v: number | null): string => (v === null ? 'lost' : v.toFixed(3));
  return rows.map((row) => ({
    timeS: row.timeS,
    ra: cell(row.ra),
    dec: cell(row.dec),
    rest: [
      ...(isGuided ? [row.sentRa, row.sentDec, row.aimRa, row.aimDec].map(cell) : []),
      ...(form.snr ? [(20 + 3 * normal(random)).toFixed(1)] : []),
    ],
  }));
}

export function headingOf({ time, axes, snr }: LogForm, isGuided: boolean): string[] {
  const [ra, dec] = AXIS_NAMES[axes % AXIS_NAMES.length] ?? AXIS_NAMES[0];
  const sent = ['ra_corr_arcsec', 'dec_corr_arcsec', 'aim_ra_arcsec', 'aim_dec_arcsec'];
  return [TIME_FORMS[time].name, ra, dec, ...(isGuided ? sent : []), ...(snr ? ['SNR'] : [])];
}

export const cellsOfRow = ({ time }: LogForm, row: Written): string[] => [
  TIME_FORMS[time].cell(row.timeS),
  row.ra,
  row.dec,
  ...row.rest,
];

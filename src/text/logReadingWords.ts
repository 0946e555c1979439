/** Words of how a log is read: what its columns are taken for, what was made of its rows, why it is refused. */
import type { LostRows } from '../core/tracking/lostRows.ts';
import type { ColumnRole, Doubt, ErrorUnit } from '../formats/logs/columnRoles.ts';
import type { LogCode, LogMapping } from '../formats/logs/readLog.ts';
import type { LogNote } from '../formats/logs/seriesRead.ts';
import type { TimeKind } from '../formats/logs/timeCells.ts';
import type { Format } from './format.ts';

const REFUSALS: Record<Exclude<LogCode, 'logTimesBackward'>, string> = {
  logEmpty: 'This log holds no row with usable numbers. Choose another one, or say below which columns hold them.',
  logNoTime: 'No column holds times. Say below which one does.',
  logNoError: 'No column holds the error in right ascension. Say below which one does.',
  logNoScale: 'The errors are in pixels. Type in the scale of the log’s camera, then read it again.',
  logNoRate: 'The corrections are in milliseconds. Type in the guiding rate, then read it again.',
  logTooLong: 'This is no log: a line of it has no end. Nothing was read. Choose another file.',
  logNotText: 'This is no log of numbers in columns. Nothing was read. Choose another file.',
  logTimeUnit:
    'Its time names no unit, and as seconds the whole log would be over within minutes. Say below what its time counts.',
  logUnsigned:
    'Its corrections never go below zero though the errors do. Say below which column holds their direction, or call them something else.',
};

/** Why a log is not told, and what to do. */
export function logRefusal(why: LogCode, figures: Readonly<Record<string, number | string>>): string {
  if (why !== 'logTimesBackward') return REFUSALS[why];
  return `The times of ${figures['backward']} of ${figures['rows']} rows run backwards, and no date says which came first. Choose a log in the order in which it was kept, or say below which column holds the time.`;
}

export const DOUBT_WORDS: Record<Doubt, string> = {
  namesMissing: 'Its columns have no names: the one that rises is taken for the time.',
  unitMissing: 'No unit is named: the errors are taken for arcseconds.',
  axesByOrder: 'Its axes have no names: right ascension is taken to stand before declination.',
  timeUnit: 'No unit of the time is named: it is guessed by how far apart rows can be. Check it below.',
  clockParts: 'The time is taken for minutes and seconds; it may be hours and minutes. Check it below.',
  pixelAxes: 'x is taken for right ascension and y for declination.',
};

type RoleKey = Exclude<ColumnRole['is'], never>;
export const ROLE_NAMES: Record<RoleKey, string> = {
  time: 'time',
  date: 'date',
  ra: 'error in right ascension',
  dec: 'error in declination',
  sentRa: 'correction in right ascension',
  sentDec: 'correction in declination',
  aimRa: 'aim in right ascension',
  aimDec: 'aim in declination',
  towardRa: 'direction in right ascension',
  towardDec: 'direction in declination',
  other: 'something else',
};
/** Which way a column's numbers grow, by its axis: as the star moves, or against it. */
export const SIGN_NAMES: Record<'ra' | 'dec', Record<'1' | '-1', string>> = {
  ra: { '1': 'plus is east', '-1': 'plus is west' },
  dec: { '1': 'plus is north', '-1': 'plus is south' },
};
export const UNIT_NAMES: Record<ErrorUnit | 'ms' | 's', string> = {
  arcsec: 'arcseconds',
  px: 'pixels',
  arcmin: 'arcminutes',
  deg: 'degrees',
  mas: 'milliarcseconds',
  ms: 'milliseconds',
  s: 'seconds',
};
export const TIME_KIND_NAMES: Record<TimeKind, string> = {
  s: 'seconds',
  ms: 'milliseconds',
  us: 'microseconds',
  ns: 'nanoseconds',
  min: 'minutes',
  h: 'hours',
  days: 'days',
  dateTime: 'date and time',
  timeOfDay: 'time of day',
  minutesSeconds: 'minutes and seconds',
};

const AXES = { ra: 'right ascension', dec: 'declination' } as const;
const rowsHave = (n: number): string => (n === 1 ? 'One row has' : `${n} rows have`);
const rowsAre = (n: number): string => (n === 1 ? 'One row is' : `${n} rows are`);

function clockWords({ afterS, byS }: { afterS: number; byS: number }, isSummerTime: boolean, f: Format): string {
  const way = byS < 0 ? 'back' : 'forward';
  const how = isSummerTime ? `was turned ${way} an hour` : `was set ${way} by ${f.duration(Math.abs(byS))}`;
  return `After ${f.duration(afterS)} its clock ${how}: the rows go on from there as if it had not.`;
}

/** What was made of its rows that does not go without saying. */
export function noteWords(note: LogNote, f: Format): string {
  switch (note.code) {
    case 'strayTimes':
      return `${rowsHave(note.rows)} a time that fits no neighbour: left out.`;
    case 'toldTwice':
      return `${rowsAre(note.rows)} told twice: each counts once.`;
    case 'inOrder':
      return 'Its rows did not stand in the order of their times: they were put in order.';
    case 'newestFirst':
      return 'Its newest row stands first: it is read from its end.';
    case 'clockSet':
    case 'summerTime':
      return clockWords(note, note.code === 'summerTime', f);
    case 'sessions':
      return `It holds ${note.count} sessions, and nothing says how long they are apart.`;
    case 'spread':
      return `Its times are told in steps of ${f.quantity(note.everyS, 'seconds')}: its rows are spread evenly over them.`;
    case 'pulsesTurned':
      return `Its corrections in ${AXES[note.axis]} run with the error, which no guider does: they are taken the other way round.`;
    case 'pulsesUntold':
      return `Its errors do not tell which way the corrections in ${AXES[note.axis]} went: they are taken as their directions are named.`;
  }
}

/** Rows that held numbers of no star. */
export function lostWords({ codes, stuck, leaps }: LostRows): string[] {
  return [
    ...(codes > 0 ? [`${rowsHave(codes)} a number in place of a lost star: left out.`] : []),
    ...(stuck > 0 ? [`${rowsHave(stuck)} the star standing still while all else moves: left out.`] : []),
    ...(leaps > 0 ? [`${rowsHave(leaps)} a single leap away and back: left out.`] : []),
  ];
}

function unitOf(role: ColumnRole, unit: LogMapping['unit']): string {
  if (role.is === 'time') return TIME_KIND_NAMES[role.kind];
  return 'unit' in role ? UNIT_NAMES[role.unit ?? unit] : '';
}

/** Which columns were taken for what, and what else there is. @param header empty names where the log has none. */
export function columnsWords(header: readonly string[], { roles, unit }: LogMapping): string {
  const nameOf = (i: number): string => header[i] || `column ${i + 1}`;
  const taken = (['time', 'ra', 'dec', 'sentRa', 'sentDec'] as const).flatMap((is) => {
    const at = roles.findIndex((r) => r.is === is);
    const role = roles[at];
    return role ? [`${ROLE_NAMES[is]}: ${nameOf(at)} (${unitOf(role, unit)})`] : [];
  });
  const others = roles.flatMap((r, i) => (r.is === 'other' ? [nameOf(i)] : []));
  const rest = others.length === 0 ? '' : ` Not used: ${listed(others)}.`;
  return `Read as ${taken.join(', ')}.${rest}`;
}

const MOST_LISTED = 8;
const listed = (names: readonly string[]): string =>
  names.length <= MOST_LISTED
    ? names.join(', ')
    : `${names.slice(0, MOST_LISTED).join(', ')} and ${names.length - MOST_LISTED} more`;

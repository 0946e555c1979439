/** What the columns of a log are, guessed from their names and numbers; what the guess rests on is told with it. */
import type { LogLayout } from './layout.ts';
import { numberIn, timeKindOf, type TimeKind } from './timeCells.ts';

export type ErrorUnit = 'arcsec' | 'px' | 'arcmin' | 'deg' | 'mas';
export type CorrectionUnit = ErrorUnit | 'ms' | 's';
export type ColumnRole =
  | { is: 'time'; kind: TimeKind }
  | { is: 'date' }
  | { is: 'ra' | 'dec' | 'aimRa' | 'aimDec'; unit: ErrorUnit | null; sign: 1 | -1 }
  | { is: 'sentRa' | 'sentDec'; unit: CorrectionUnit | null; sign: 1 | -1 }
  | { is: 'other' };
export type Doubt = 'namesMissing' | 'unitMissing' | 'axesByOrder' | 'pixelAxes';
export type GuessedRoles = { roles: ColumnRole[]; doubts: Doubt[] };

const OTHER: ColumnRole = { is: 'other' };

/** Words of a name: accents off, parted at signs and at capitals. */
function wordsOf(name: string): string[] {
  return name
    .replace(/([a-zα-ω])([A-Z])/g, '$1 $2')
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^\p{L}\p{N}"″'°%]+/u)
    .filter(Boolean);
}

const RA = /^(ra|ar|ad|rekt\w*|rektaszension|ascension|rightascension|alpha|α|raerr\w*|rax|x|dx|ew|east|west)$/;
const DEC = /^(dec|de|dek|dekl\w*|decl\w*|delta|δ|decerr\w*|y|dy|ns|north|south)$/;
const SENT = /^(corr\w*|korr\w*|puls\w*|impuls\w*|guid\w*|move\w*|cmd|command|sent|duration|dur)$/;
const AIM = /^(target|aim|lock|dither|ziel|soll|setpoint|goal|cible|objetivo)$/;
const ASIDE =
  /^(snr|flux|mass|fwhm|hfd|mag|adu|count\w*|temp\w*|sky|peak|frame|nr|no|row|index|idx|id|num\w*|zeile|status|code|airmass|alt\w*|az\w*)$/;
const TIME =
  /^(time|zeit|t|ts|utc|ut|uhrzeit|heure|temps|hora|tiempo|tempo|sec\w*|sek\w*|seg\w*|s|elapsed|clock|timestamp|datetime|jd|mjd|mins?|minutes?|hours?|ms|millis\w*|epoch|lt|local)$/;
const DATE = /^(date|datum|fecha|data|jour|dia)$/;

const hasWord = (words: readonly string[], pattern: RegExp): boolean => words.some((w) => pattern.test(w));

function errorUnitOf(name: string, words: readonly string[]): ErrorUnit | null {
  if (hasWord(words, /^(mas|milliarcsec\w*)$/)) return 'mas';
  if (/["″]|''|arc ?sec|asec|bogensek|seg(undos)? de arco/i.test(name)) return 'arcsec';
  if (hasWord(words, /^(px|pix\w*)$/)) return 'px';
  if (/arc ?min|bogenmin|′/i.test(name)) return 'arcmin';
  return hasWord(words, /^(deg\w*|°|grad)$/) ? 'deg' : null;
}

function correctionUnitOf(name: string, words: readonly string[]): CorrectionUnit | null {
  if (hasWord(words, /^(ms|msec\w*|millis\w*)$/)) return 'ms';
  return errorUnitOf(name, words) ?? (hasWord(words, /^(s|sec\w*|sek\w*)$/) ? 's' : null);
}

const signOf = (words: readonly string[]): 1 | -1 => (hasWord(words, /^(west|south|w|sud|sued|oeste|ouest)$/) ? -1 : 1);

function numberKind(words: readonly string[], first: number): Exclude<TimeKind, 'dateTime' | 'timeOfDay'> {
  if (hasWord(words, /^(ms|msec\w*|millis\w*)$/) || first > 1e11) return 'ms';
  if (hasWord(words, /^(mins?|minutes?|minuten)$/)) return 'min';
  if (hasWord(words, /^(hours?|h|stunden)$/)) return 'h';
  return hasWord(words, /^(jd|mjd|days?|tage)$/) || (first > 2.4e6 && first < 2.5e6) ? 'days' : 's';
}

/** A column of one of the axes; null when its name says neither or both. */
function axisRole(name: string, words: readonly string[]): ColumnRole | null {
  const [ra, dec] = [hasWord(words, RA), hasWord(words, DEC)];
  if (ra === dec || hasWord(words, ASIDE)) return null;
  const sign = signOf(words);
  const unit = correctionUnitOf(name, words);
  if (hasWord(words, AIM)) return { is: ra ? 'aimRa' : 'aimDec', unit: errorUnitOf(name, words), sign };
  if (hasWord(words, SENT) || unit === 'ms') return { is: ra ? 'sentRa' : 'sentDec', unit, sign };
  return { is: ra ? 'ra' : 'dec', unit: errorUnitOf(name, words), sign };
}

/** By its name and first cell alone; null when neither says anything. */
function roleByName(name: string, cell: string, decimalComma: boolean): ColumnRole | null {
  const words = wordsOf(name);
  const seen = timeKindOf(cell);
  if (seen === 'date') return { is: 'date' };
  if (seen !== null) return { is: 'time', kind: seen };
  const axis = axisRole(name, words);
  if (axis) return axis;
  if (hasWord(words, DATE)) return { is: 'date' };
  if (hasWord(words, ASIDE)) return OTHER;
  if (hasWord(words, TIME)) return { is: 'time', kind: numberKind(words, numberIn(cell, decimalComma)) };
  return name === '' ? null : OTHER;
}

/** Only the first of several of one kind is taken; of errors one in arcsec before others. */
function firstOfEach(roles: readonly (ColumnRole | null)[]): (ColumnRole | null)[] {
  const chosen = new Map<string, number>();
  roles.forEach((role, i) => {
    if (role === null || role.is === 'other') return;
    const before = chosen.get(role.is);
    const better = before === undefined || ('unit' in role && role.unit === 'arcsec' && !isArcsec(roles[before]));
    if (better) chosen.set(role.is, i);
  });
  return roles.map((role, i) => (role === null || role.is === 'other' || chosen.get(role.is) === i ? role : OTHER));
}

const isArcsec = (role: ColumnRole | null | undefined): boolean => !!role && 'unit' in role && role.unit === 'arcsec';

/** A column that only rises, not by one from row to row. */
function risingColumn({ sample, decimalComma }: LogLayout, free: readonly number[]): number | null {
  const column = (i: number): number[] => sample.map((row) => numberIn(row[i] ?? '', decimalComma));
  const rising = free.filter((i) => {
    const values = column(i).filter(Number.isFinite);
    return values.length > 2 && values.every((v, k) => k === 0 || v > (values[k - 1] ?? v));
  });
  const counts = (i: number): boolean => column(i).every((v, k, all) => k === 0 || v - (all[k - 1] ?? 0) === 1);
  return rising.find((i) => !counts(i)) ?? rising[0] ?? null;
}

/** What has no name is taken by its order: time first, then right ascension and declination. */
function byOrder(layout: LogLayout, roles: (ColumnRole | null)[], doubts: Set<Doubt>): ColumnRole[] {
  const found = [...roles];
  const free = (): number[] => found.flatMap((role, i) => (role === null ? [i] : []));
  if (!found.some((r) => r?.is === 'time')) {
    const at = risingColumn(layout, free());
    if (at !== null) {
      const first = numberIn(tellingCell(layout, at), layout.decimalComma);
      found[at] = { is: 'time', kind: numberKind([], first) };
      doubts.add('namesMissing');
    }
  }
  for (const is of ['ra', 'dec'] as const) {
    const at = free()[0];
    if (found.some((r) => r?.is === is) || at === undefined) continue;
    found[at] = { is, unit: null, sign: 1 };
    doubts.add('axesByOrder');
  }
  return found.map((role) => role ?? OTHER);
}

/** A number or time that can be, past words such as for a lost star; else the first cell that is not empty. */
function tellingCell({ sample, decimalComma }: LogLayout, i: number): string {
  const cells = sample.map((row) => row[i] ?? '').filter((cell) => cell !== '');
  const tells = (cell: string): boolean =>
    timeKindOf(cell) !== null || Math.abs(numberIn(cell, decimalComma)) < MOST_TELLING;
  return cells.find(tells) ?? cells[0] ?? '';
}
const MOST_TELLING = 1e14;

export function guessRoles(layout: LogLayout): GuessedRoles {
  const { header, decimalComma } = layout;
  const filled = (i: number): string => tellingCell(layout, i);
  const named = header.map((name, i) => roleByName(name, filled(i), decimalComma));
  const doubts = new Set<Doubt>();
  const roles = byOrder(layout, firstOfEach(named), doubts);
  const errors = roles.flatMap((r, i) => (r.is === 'ra' || r.is === 'dec' ? [{ role: r, name: header[i] ?? '' }] : []));
  if (errors.some(({ role }) => role.unit === null)) doubts.add('unitMissing');
  if (errors.some(({ name }) => /^d?[xy]\b/i.test(name))) doubts.add('pixelAxes');
  return { roles, doubts: [...doubts] };
}

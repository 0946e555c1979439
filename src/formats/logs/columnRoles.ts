/** What the columns of a log are, guessed from their names and numbers; what the guess rests on is told with it. */
import type { LogLayout } from './layout.ts';
import { AIM, ASIDE, DATE, DEC, hasWord, RA, SENT, TIME, TOWARD, wordsOf } from './columnWords.ts';
import { numberIn, timeKindOf, type TimeKind } from './timeCells.ts';
import { timeGuess } from './timeRole.ts';

export type ErrorUnit = 'arcsec' | 'px' | 'arcmin' | 'deg' | 'mas';
export type CorrectionUnit = ErrorUnit | 'ms' | 's';
export type ColumnRole =
  | { is: 'time'; kind: TimeKind }
  | { is: 'date' }
  | { is: 'ra' | 'dec' | 'aimRa' | 'aimDec'; unit: ErrorUnit | null; sign: 1 | -1 }
  | { is: 'sentRa' | 'sentDec'; unit: CorrectionUnit | null; sign: 1 | -1 }
  /** Which way what was sent went, where that has a column of its own. */
  | { is: 'towardRa' | 'towardDec' }
  | { is: 'other' };
export type Doubt = 'namesMissing' | 'unitMissing' | 'axesByOrder' | 'pixelAxes' | 'timeUnit' | 'clockParts';
export type GuessedRoles = { roles: ColumnRole[]; doubts: Doubt[] };

const OTHER: ColumnRole = { is: 'other' };

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

/** A column of one of the axes; null when its name says neither or both. */
function axisRole(name: string, words: readonly string[]): ColumnRole | null {
  const [ra, dec] = [hasWord(words, RA), hasWord(words, DEC)];
  if (ra === dec || hasWord(words, ASIDE)) return null;
  const sign = signOf(words);
  const unit = correctionUnitOf(name, words);
  if (hasWord(words, TOWARD)) return { is: ra ? 'towardRa' : 'towardDec' };
  if (hasWord(words, AIM)) return { is: ra ? 'aimRa' : 'aimDec', unit: errorUnitOf(name, words), sign };
  if (hasWord(words, SENT) || unit === 'ms') return { is: ra ? 'sentRa' : 'sentDec', unit, sign };
  return { is: ra ? 'ra' : 'dec', unit: errorUnitOf(name, words), sign };
}

type Seen = { role: ColumnRole; doubt: Doubt | null };
const sure = (role: ColumnRole): Seen => ({ role, doubt: null });

function timeSeen(words: readonly string[], cells: readonly string[], decimalComma: boolean): Seen {
  const { kind, doubt } = timeGuess(words, cells, decimalComma);
  return { role: { is: 'time', kind }, doubt };
}

/** By its name and cells alone; null when neither says anything. */
function roleByName(name: string, cells: readonly string[], decimalComma: boolean): Seen | null {
  const words = wordsOf(name);
  const looks = timeKindOf(cells[0] ?? '');
  if (looks === 'date') return sure({ is: 'date' });
  if (looks !== null) return timeSeen(words, cells, decimalComma);
  const axis = axisRole(name, words);
  if (axis) return sure(axis);
  if (hasWord(words, DATE)) return sure({ is: 'date' });
  if (hasWord(words, ASIDE)) return sure(OTHER);
  if (hasWord(words, TIME)) return timeSeen(words, cells, decimalComma);
  return name === '' ? null : sure(OTHER);
}

/** Only one of several of one kind is taken: of errors one that is named for its axis before one of a camera's, one in arcsec
 *  before others, else the first. */
function oneOfEach(roles: readonly (ColumnRole | null)[], header: readonly string[]): (ColumnRole | null)[] {
  const chosen = new Map<string, { at: number; rank: number }>();
  roles.forEach((role, at) => {
    if (role === null || role.is === 'other') return;
    const rank = rankOf(role, header[at] ?? '');
    if (rank > (chosen.get(role.is)?.rank ?? -1)) chosen.set(role.is, { at, rank });
  });
  return roles.map((role, i) => (role === null || role.is === 'other' || chosen.get(role.is)?.at === i ? role : OTHER));
}

const isOfCamera = (name: string): boolean => wordsOf(name).some((w) => /^d?[xy]$/.test(w));
const rankOf = (role: ColumnRole, name: string): number =>
  (isOfCamera(name) ? 0 : 2) + ('unit' in role && role.unit === 'arcsec' ? 1 : 0);

/** Of all steps that go one way. */
const STEADY = 0.9;

/** A column that nearly only rises or falls, not by one from row to row. */
function steadyColumn({ sample, decimalComma }: LogLayout, free: readonly number[]): number | null {
  const column = (i: number): number[] =>
    sample.map((row) => numberIn(row[i] ?? '', decimalComma)).filter(Number.isFinite);
  const steps = (i: number): number[] => {
    const values = column(i);
    return values.slice(1).map((v, k) => v - (values[k] as number));
  };
  const steady = free.filter((i) => {
    const all = steps(i);
    const most = Math.max(all.filter((s) => s > 0).length, all.filter((s) => s < 0).length);
    return all.length > 1 && most > STEADY * all.length;
  });
  return steady.find((i) => !steps(i).every((s) => Math.abs(s) === 1)) ?? steady[0] ?? null;
}

/** What has no name is taken by its order: time first, then right ascension and declination. */
function byOrder(layout: LogLayout, roles: (ColumnRole | null)[], doubts: Set<Doubt>): ColumnRole[] {
  const found = [...roles];
  const free = (): number[] => found.flatMap((role, i) => (role === null ? [i] : []));
  if (!found.some((r) => r?.is === 'time')) {
    const at = steadyColumn(layout, free());
    if (at !== null) {
      const { role, doubt } = timeSeen([], tellingCells(layout, at), layout.decimalComma);
      found[at] = role;
      doubts.add('namesMissing');
      if (doubt) doubts.add(doubt);
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

/** Numbers and times that can be, past words such as for a lost star; else all cells that are not empty. */
function tellingCells({ sample, decimalComma }: LogLayout, i: number): string[] {
  const cells = sample.map((row) => row[i] ?? '').filter((cell) => cell !== '');
  const telling = cells.filter(
    (cell) => timeKindOf(cell) !== null || Math.abs(numberIn(cell, decimalComma)) < MOST_TELLING,
  );
  return telling.length > 0 ? telling : cells;
}
const MOST_TELLING = 1e14;

export function guessRoles(layout: LogLayout): GuessedRoles {
  const { header, decimalComma } = layout;
  const seen = header.map((name, i) => roleByName(name, tellingCells(layout, i), decimalComma));
  const doubts = new Set<Doubt>();
  const named = oneOfEach(
    seen.map((s) => s?.role ?? null),
    header,
  );
  seen.forEach((s, i) => {
    if (s?.doubt && named[i]?.is === 'time') doubts.add(s.doubt);
  });
  const roles = byOrder(layout, named, doubts);
  const errors = roles.flatMap((r, i) => (r.is === 'ra' || r.is === 'dec' ? [{ role: r, name: header[i] ?? '' }] : []));
  if (errors.some(({ role }) => role.unit === null)) doubts.add('unitMissing');
  if (errors.some(({ name }) => isOfCamera(name))) doubts.add('pixelAxes');
  return { roles, doubts: [...doubts] };
}

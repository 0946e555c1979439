/** Automatic copies of everything in the browser's own file storage: how their files are called, which are kept. */
import { MS_PER_DAY, toUtcText } from '../core/time/utc.ts';
import type { Held } from './held.ts';

export type Copy = Held & {
  fileName: string;
  /** Counts on from copy to copy: which is the newer one, whatever the clock said. Copies without one are older. */
  count: number;
  atUtc: string;
  /** Of what it holds: a state that is copied already is not copied again. */
  print: string;
};

export const COPIES_FOLDER = 'copies';
const NAME =
  /^tidy-owl_(?:n(\d+)_)?(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})_(\d+)_(\d+)_(\d+)_([0-9a-f]+)\.json\.gz$/;

export const nextCount = (existing: readonly Copy[]): number => 1 + Math.max(0, ...existing.map(({ count }) => count));

/** @param count of `nextCount`.  @param nowMs what the clock says, right or wrong. */
export function copyName(count: number, nowMs: number, { records, readings, nights }: Held, print: string): string {
  const at = toUtcText(nowMs).slice(0, 19).replaceAll(':', '-');
  return `tidy-owl_n${count}_${at}_${records}_${readings}_${nights}_${print}.json.gz`;
}

/** Null for a file that is none of ours, or only half written. */
export function copyOf(fileName: string): Copy | null {
  const found = NAME.exec(fileName);
  if (!found) return null;
  const [, count = '0', date = '', hour = '', minute = '', second = '', records, readings, nights, print = ''] = found;
  return {
    fileName,
    count: Number(count),
    atUtc: `${date}T${hour}:${minute}:${second}.000Z`,
    records: Number(records),
    readings: Number(readings),
    nights: Number(nights),
    print,
  };
}

/** The newest first. */
export function copiesIn(fileNames: readonly string[]): Copy[] {
  return fileNames
    .flatMap((name) => copyOf(name) ?? [])
    .sort((a, b) => b.count - a.count || (a.atUtc < b.atUtc ? 1 : -1));
}

const LAST_KEPT = 5;
const WEEKS_KEPT = 26;
const weekOf = ({ atUtc }: Copy): number => Math.floor(Date.parse(atUtc) / (7 * MS_PER_DAY));

/** The last five stay, and of each week the newest for half a year; the others go. */
export function copiesToRemove(fileNames: readonly string[]): string[] {
  const copies = copiesIn(fileNames);
  const weekly = new Map<number, Copy>();
  for (const copy of copies) if (!weekly.has(weekOf(copy))) weekly.set(weekOf(copy), copy);
  const kept = new Set([...copies.slice(0, LAST_KEPT), ...[...weekly.values()].slice(0, WEEKS_KEPT)]);
  return copies.filter((copy) => !kept.has(copy)).map((copy) => copy.fileName);
}

const HALF_WRITTEN = /^tidy-owl_.*\.part$/;
/** What killed pages left. */
export const leftovers = (fileNames: readonly string[]): string[] =>
  fileNames.filter((name) => HALF_WRITTEN.test(name));

/** Words of data in and out: what is wrong with a file, what an import would change. */
import type { BackupCode } from '../formats/readBackup.ts';
import type { Copy } from '../storage/copies.ts';
import type { Held } from '../storage/held.ts';
import type { WriteCode } from '../storage/transact.ts';
import { writeWords } from './errorWords.ts';
import type { Format } from './format.ts';
import { clipped, schemaWords } from './schemaWords.ts';
import { heldWords, LIST_NAMES, many, momentWords } from './storedWords.ts';

type Figures = Record<string, number | string>;

/** One record of a table, named. */
const recordWords = (f: Figures): string =>
  `${LIST_NAMES[String(f['list'])] ?? String(f['list'])}, record ${String(f['number'])}${f['id'] === '' ? '' : ` (${clipped(f['id'])})`}`;

const KEPT = 'Nothing was imported; what is here is unchanged.';

export const BACKUP_CODES = [
  'emptyFile',
  'notJson',
  'endsEarly',
  'otherProgram',
  'newerVersion',
  'damagedFrame',
  'damagedRecord',
  'sameIdTwice',
] as const satisfies readonly BackupCode[];

const BACKUP_WORDS: Record<BackupCode, (f: Figures) => string> = {
  emptyFile: () => `The file is empty. ${KEPT} Export it again on the other device.`,
  notJson: (f) =>
    `This is not JSON${f['line'] === undefined ? '' : `: the fault is in line ${f['line']}, column ${String(f['column'])}`}. ${KEPT} Choose the file that “Save everything” wrote.`,
  endsEarly: (f) =>
    `The file ends in the middle, after ${String(f['characters'])} characters. ${KEPT} Copy it again; the copy was cut off.`,
  otherProgram: () => `This JSON is not a Tidy Owl backup. ${KEPT} Choose the file that “Save everything” wrote.`,
  newerVersion: (f) =>
    `A newer Tidy Owl wrote this file (version ${String(f['version'])}, this one reads ${String(f['known'])}). ${KEPT} Reload the page to get the newer Tidy Owl, then import.`,
  damagedFrame: (f) =>
    `The file is damaged at “${clipped(f['where'])}”: ${schemaWords(String(f['what']))} ${KEPT} Export it again.`,
  damagedRecord: (f) =>
    `Damaged: ${recordWords(f)}, at “${clipped(f['where'])}”: ${schemaWords(String(f['what']))} ${KEPT} Mend that value in the file, or export it again.`,
  sameIdTwice: (f) =>
    `Two records have the same id: ${recordWords(f)}. ${KEPT} Take one out of the file, or export it again.`,
};

export function backupWords(code: BackupCode, figures: Figures): string {
  return BACKUP_WORDS[code](figures);
}

/** Of a file that is brought in: what is wrong with it, or what stood in the way of writing it. */
export function fileWords(code: BackupCode | WriteCode, figures: Figures): string {
  return code in BACKUP_WORDS ? backupWords(code as BackupCode, figures) : writeWords(code as WriteCode, figures);
}

/** A copy by its moment and what it holds. */
export function copyWords(copy: Copy): string {
  return `${momentWords(copy.atUtc)}: ${heldWords(copy)}`;
}

export const COPIES_WORDS = {
  title: 'Copies on this device',
  what: 'After a quiet minute, and when you leave the page, everything is copied beside the database: the last five and one a week. A copy does not leave this device; a file does.',
  look: 'Look at it',
  choose: 'Also keep a copy in a file',
  chosen: 'Kept in',
  leave: 'Stop keeping it there',
  fileChosen: 'From now on every copy is kept in that file too.',
  fileRefused: 'That file could not be written. Nothing was changed. Choose another place.',
  noFile: 'This browser cannot keep a file up to date by itself. Save everything now and then.',
  failed:
    'The last copy could not be written: there may be no room left. The database itself is untouched. Make room, or save everything to a file now.',
};

/** How old the last copy is. @param copies null = this browser keeps none. */
export function lastCopyWords(copies: readonly Copy[] | null, nowMs: number, f: Format): string {
  if (copies === null) return 'this browser keeps none';
  const [newest] = copies;
  if (!newest) return 'none yet';
  return `${f.duration(Math.max(0, (nowMs - Date.parse(newest.atUtc)) / 1000))} ago`;
}

export function roomWords(usedBytes: number, f: Format): string {
  return `${f.number(usedBytes / 1e6, 1)} MB`;
}

/** Whether the browser promised to keep what is here. */
export function promiseWords(isKept: boolean): string {
  return isKept
    ? 'The browser keeps all of it until you remove it.'
    : 'The browser has not promised to keep it: when the disk is full it may clear database and copies. A file is safe from that.';
}

export function demoRemovedWords(removed: number, kept: number): string {
  return `${many(removed, 'demo record')} removed.${kept === 0 ? '' : ` ${kept} stay, because your own records use them.`}`;
}

export const LOST_WORDS = {
  title: 'Your records are not here',
  what: 'The browser has removed the database of this page, which it may do when the disk is full. Bringing the copy back puts everything of it in place again.',
  noCopy: 'This browser holds no copy. If you saved a file, begin anew and bring it in on Data.',
  bringBack: 'Bring the copy back',
  working: 'Bringing it back…',
  beginAnew: 'Begin anew without it',
  older: 'Older copies',
  copyGone: 'That copy cannot be read any more. Nothing was changed. Take another one, or a file that you saved.',
};

export function lostSentence(held: Held, newest: Copy | null): string {
  const was = `This device held ${heldWords(held)}, and now the database is gone.`;
  return newest ? `${was} The newest copy is of ${momentWords(newest.atUtc)} and holds ${heldWords(newest)}.` : was;
}

export const JOB_WORDS: Record<string, string> = {
  beginning: 'Beginning',
  analysing: 'Working out what turns',
  fit: 'Trying the pieces of the box',
  reading: 'Reading the file',
  checking: 'Checking every record',
  collecting: 'Reading what is here',
  writing: 'Writing',
  putting: 'Putting the file together',
};
export const SAVE_WORDS = {
  cancelled: 'Cancelled. Nothing was saved.',
  died: 'The file could not be put together on this device: it may be too large for its memory. Nothing was changed. Close other pages and press again.',
};

/** @param damaged records that could not be read. */
export function savedWords(damaged: number): string {
  return damaged === 0
    ? 'Everything was saved to your downloads.'
    : `Saved, but ${damaged} damaged records could not be read and are not in the file.`;
}

export const WORKER_DIED = `The file could not be read on this device: it may be too large for its memory. ${KEPT} Try on a computer.`;

/** `3 parts, 1 rig and 240 readings`. */
export function countsWords(counts: Readonly<Record<string, number>>): string {
  const parts = Object.entries(counts)
    .filter(([, count]) => count > 0)
    .map(
      ([list, count]) =>
        `${count} ${count === 1 ? (LIST_NAMES[list] ?? list).replace(/s\b/, '') : (LIST_NAMES[list] ?? list)}`,
    );
  if (parts.length === 0) return 'nothing';
  return parts.length === 1 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1) ?? ''}`;
}

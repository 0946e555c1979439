/** Words for every code: what happened, what was kept, what to do. */
import type { RigGap } from '../core/rig/rigNumbers.ts';
import type { SexagesimalCode } from '../core/units/sexagesimal.ts';
import type { FailureCode, WriteCode } from '../storage/transact.ts';
import { clipped, schemaWords } from './schemaWords.ts';

type Figures = Record<string, number | string>;

export const WRITE_CODES = [
  'invalidRecord',
  'changedElsewhere',
  'missingRecord',
  'nothingToUndo',
  'stillUsed',
  'undecided',
  'changedSince',
  'diskFull',
  'databaseClosed',
  'newerDatabase',
  'writeFailed',
  'cancelled',
  'workerDied',
] as const satisfies readonly WriteCode[];
const WRITE_WORDS: Record<WriteCode, (f: Figures) => string> = {
  invalidRecord: (f) =>
    `Not saved, “${clipped(f['where'] ?? '')}”: ${schemaWords(String(f['what'] ?? ''))} What was stored before is unchanged. Correct the value and save again.`,
  changedElsewhere: (f) =>
    f['undo'] === undefined
      ? `${clipped(f['name'] ?? 'This record')} was changed in another tab since. Nothing was overwritten. Look at the newer version, then decide.`
      : `${clipped(f['name'] || 'This record')} was changed since, so it stays as it is. Undo once more takes back the change before.`,
  changedSince: () =>
    'Something here changed since you were shown what the file would do. Nothing was imported. Look at it again, then decide.',
  missingRecord: () => 'The record is no longer there. Nothing else was changed. Reload, then choose another one.',
  nothingToUndo: () => 'Nothing left to undo in this tab.',
  stillUsed: (f) =>
    f['undo'] === undefined
      ? `Still used by ${clipped(f['name'] ?? 'a rig or night')}. It was kept. Take it out there first, or archive it instead.`
      : `${clipped(f['name'] ?? 'A rig or night')} uses what this would take away, so it stays. Undo once more takes back the change before.`,
  diskFull: () =>
    'Not saved: this device has no room left. What was stored before is kept, and what you typed is still here. Make room, or save everything to a file on Data and remove what you no longer need; then press again.',
  databaseClosed: () =>
    'Not saved: the browser closed the database of this page. What was stored before is kept, and what you typed is still here. Copy it, then reload the page; if it closes again, make room on this device.',
  newerDatabase: () =>
    'Not saved: a newer Tidy Owl has changed the database. What was stored before is kept. Copy what you typed, then reload the page.',
  writeFailed: (f) =>
    `Not saved: the browser broke the write off (${clipped(f['what'] ?? 'no reason told')}). What was stored before is kept, and what you typed is still here. Press again; if it goes on, this device’s disk may be full: make room, save everything to a file on Data, and reload.`,
  cancelled: () => 'Cancelled. Nothing was changed.',
  workerDied: () =>
    'This could not be done to its end on this device: it may be too much for its memory. Nothing was changed. Close other pages and press again.',
  undecided: (f) =>
    `${String(f['open'] ?? 'Some')} fields are still undecided. Nothing was imported. Choose a side for each, then import.`,
};

export function writeWords(code: WriteCode, figures: Figures): string {
  return WRITE_WORDS[code](figures);
}

const ANGLE_WORDS: Record<SexagesimalCode, (f: Figures) => string> = {
  notANumber: () => 'Type degrees as 40.33 or 40 19 48, with a letter for the side when you like: 7 36 00 W.',
  minutesOutOfRange: () => 'Minutes and seconds must be below 60.',
  outOfRange: (f) => `Must lie between ${String(f['min'])} and ${String(f['max'])}.`,
  signAndLetter: () => 'Use either a sign or a letter for the side, not both.',
};

export function angleWords(code: SexagesimalCode, figures: Figures): string {
  return ANGLE_WORDS[code](figures);
}

/** What a rig lacks, and what to do about it. */
export function gapWords(gap: RigGap): string {
  switch (gap.code) {
    case 'mountMissing':
      return 'This rig has no mount. Choose one in Kit.';
    case 'tubeMissing':
      return 'This rig has no imaging tube or lens. Choose one in Kit.';
    case 'cameraMissing':
      return 'This rig has no camera. Choose one in Kit.';
    case 'barRangeMissing':
      return 'The mount has no bar range. Enter in Kit from where to where a weight can stand.';
    case 'noWeight':
      return 'No movable weight hangs on the bar. Add one to the rig in Kit.';
    case 'barTooShort':
      return `${gap.name} is thicker than the bar is long. Correct one of the two in Kit.`;
    case 'massMissing':
      return `${gap.name} has no mass and is left out. Weigh it and enter it in Kit.`;
  }
}

/** A night that ended while its page was open. */
export const NIGHT_OVER = {
  words:
    'This night is over: its noon has passed. Nothing was recorded. Open tonight, or record it on this night after all.',
  allTheSame: 'Record it on this night',
};
/** A fault of the program while writing. */
/** A part of the program could not be fetched. */
export const MISSING_PART = {
  words:
    'A part of Tidy Owl could not be loaded: a newer one may have taken its place, or there is no network. Nothing you recorded is lost. Reload; if it stays so, go where there is a network once.',
  kept: 'A part of Tidy Owl could not be loaded: a newer one may have taken its place, or there is no network. Nothing was written, and what you typed is still here. Reload, then press again.',
  reload: 'Reload',
} as const;

export const UNEXPECTED_WORDS =
  'Not saved: something unexpected went wrong. What was stored before is kept, and what you typed is still here. Press again, or reload.';

/** Why the app could not open, and what to do. */
export const OPENING_WORDS: Record<FailureCode | 'newerTab' | 'removed', string> = {
  newerTab: 'A newer Tidy Owl is open in another tab. Your records are safe. Reload to go on.',
  newerDatabase:
    'A newer Tidy Owl has written these records. This older one leaves them untouched. Reload to get the newer one; without a network, open the app again later.',
  removed:
    'The database of this page was removed. Nothing more can be recorded here. Reload: the newest copy is offered then.',
  diskFull:
    'This device has no room left, so the database cannot be opened. Your records are untouched. Make room, then reload.',
  databaseClosed:
    'This browser did not open the database. Your records are untouched. Reload; in a private window, use an ordinary one.',
  writeFailed: 'The browser broke off while opening the database. Your records are untouched. Reload.',
};

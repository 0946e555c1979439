/** Words for every code: what happened, what was kept, what to do. */
import type { RigGap } from '../core/night/rigNumbers.ts';
import type { SexagesimalCode } from '../core/units/sexagesimal.ts';

type Figures = Record<string, number | string>;

export const WRITE_CODES = [
  'invalidRecord',
  'changedElsewhere',
  'missingRecord',
  'nothingToUndo',
  'stillUsed',
  'undecided',
] as const;
export type WriteWordCode = (typeof WRITE_CODES)[number];

const WRITE_WORDS: Record<WriteWordCode, (f: Figures) => string> = {
  invalidRecord: (f) =>
    `Not saved: ${String(f['where'] ?? '')} ${String(f['what'] ?? '')}. What was stored before is unchanged. Correct the value and save again.`,
  changedElsewhere: (f) =>
    `${String(f['name'] ?? 'This record')} was changed in another tab since. Nothing was overwritten. Look at the newer version, then decide.`,
  missingRecord: () => 'The record is no longer there. Nothing else was changed. Reload, then choose another one.',
  nothingToUndo: () => 'Nothing left to undo in this tab.',
  stillUsed: (f) =>
    `Still used by ${String(f['name'] ?? 'a rig or night')}. It was kept. Take it out there first, or archive it instead.`,
  undecided: (f) =>
    `${String(f['open'] ?? 'Some')} fields are still undecided. Nothing was imported. Choose a side for each, then import.`,
};

export function writeWords(code: WriteWordCode, figures: Figures): string {
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

/** A value of the wrong kind. */
function kindWords(message: string): string {
  if (/expected int/.test(message)) return 'Type a whole number.';
  return /expected number/.test(message) ? 'Type a number.' : message;
}

/** Messages of form fields. `show` turns a stored number into the user's unit, so that a limit reads as it is typed. */
export function fieldWords(message: string | undefined, show: (value: number) => string = String): string {
  if (!message) return 'Check this value.';
  if (message === 'nameMissing') return 'Give it a name.';
  if (/expected string to have >=1/.test(message)) return 'Choose or type something here.';
  const bound = /expected \w+ to be (>=|<=|>|<)\s*(-?[\d.]+)/.exec(message);
  if (!bound) return kindWords(message);
  const words = {
    '>=': 'Must be at least',
    '<=': 'Must be at most',
    '>': 'Must be more than',
    '<': 'Must be less than',
  };
  return `${words[bound[1] as keyof typeof words]} ${show(Number(bound[2]))}.`;
}

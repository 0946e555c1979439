/** Words of a rig on its drawing. */
import type { RigHas } from '../core/rig/rigHas.ts';
import type { RigGap } from '../core/rig/rigNumbers.ts';
import type { Said } from './said.ts';

export const RIG = {
  behind: 'From behind, bar level',
  side: 'From the side, weights down',
  behindWords: { left: 'tube’s side', right: 'bar and weights' },
  why: 'Drag a piece or move it with the arrow keys; hatched: its mass or place is a guess.',
  pieces: 'Pieces on it',
  piece: 'This piece',
  name: 'Name of this piece',
  mass: 'It weighs',
  fromAxis: 'From the polar axis',
  along: 'Along the tube',
  sideways: 'Sideways',
  swap: 'Which part it is',
  save: 'Save this piece',
  off: 'Take it off',
  add: 'Hang another piece on it',
  fromBox: 'From your box',
  usual: 'Usual ones',
  what: 'Piece to hang on',
  hang: 'Hang it on',
  choose: 'choose…',
  numbers: 'All numbers',
} as const;

/** The axis across which the load hangs: toward the pole, or upright. */
export function axisWords(has: RigHas): { name: string; from: string; moment: string; right: string; sides: string } {
  const name = has.has('polarAxis') ? 'polar axis' : 'upright axis';
  return {
    name,
    from: `From the ${name}`,
    moment: `Moment about the ${name}`,
    right: has.has('bar') ? 'bar and weights' : 'other side',
    sides: has.has('bar') ? 'Tube’s side plus, bar and weights minus.' : 'Tube’s side plus.',
  };
}

/** What this rig wants next from its owner. */
export function rigSentence(gaps: readonly RigGap[], guesses: number): Said {
  if (gaps.some((gap) => gap.code === 'noWeight')) return 'Hang a **counterweight** on the bar.';
  const unweighed = gaps.find((gap) => gap.code === 'massMissing');
  if (unweighed) return `Weigh **${unweighed.name}**: tap it.`;
  if (guesses > 0)
    return guesses === 1
      ? 'Tap the hatched piece and **say what it weighs and where it sits**.'
      : `Tap the **${guesses} hatched pieces** and say what they weigh and where they sit.`;
  return 'Everything on it is **weighed and placed**. Tap a piece to change it.';
}

export const hungWords = (name: string): string => `${name} hangs on it.`;
export const offWords = (name: string): string => `${name} taken off.`;
export const savedWords = (name: string): string => `${name} saved.`;

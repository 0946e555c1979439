/** Sentences of the balance bench. */
import type { MountPart } from '../core/records/part.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

type Drive = MountPart['drive'];
export type Drops = 'tube' | 'weight' | 'none';
export type BalanceSaying =
  | { code: 'notNeeded'; drive: Drive }
  | { code: 'incomplete' }
  | { code: 'noWeight'; momentKgM: number }
  | { code: 'leave'; positionM: number; confirmed: boolean }
  | { code: 'move'; moveM: number; toM: number; lastDrop: Drops | null; momentKgM: number }
  | { code: 'beyondEnd'; positionM: number; endM: number; fits: number }
  | { code: 'insideStart'; positionM: number; startM: number; fits: number };

export const DROP_NAMES: Record<Drops, string> = {
  tube: 'Tube side dropped',
  none: 'Stays anywhere',
  weight: 'Weight side dropped',
};

/** The sentence for the hand. */
export function balanceSentence(saying: BalanceSaying, f: Format): Said {
  switch (saying.code) {
    case 'notNeeded':
      return saying.drive === 'strainWave'
        ? 'Nothing to balance: this drive has no clutch to open.'
        : 'Nothing to balance on a bar with this mount.';
    case 'incomplete':
      return 'Complete the rig in **Kit** first.';
    case 'noWeight':
      return 'Add a **movable weight** to the bar in Kit.';
    case 'leave':
      return saying.confirmed
        ? `Balanced at **${f.quantity(saying.positionM, 'barLength')}**. Tighten the weight and leave it.`
        : `Leave the weight at **${f.quantity(saying.positionM, 'barLength')}**. Hold the tube, open the right-ascension clutch and see which side drops.`;
    case 'move':
      return `Slide the **weight ${f.quantity(Math.abs(saying.moveM), 'barLength')} ${saying.moveM > 0 ? 'outward' : 'inward'}**, to **${f.quantity(saying.toM, 'barLength')}**. Hold the tube.`;
    case 'beyondEnd':
      return saying.fits > 0
        ? 'The bar is **too short for this weight**. Use another set.'
        : 'The bar is **too short**. Lengthen it or move the clamp.';
    case 'insideStart':
      return saying.fits > 0
        ? 'This weight is **too heavy for this bar**. Use another set.'
        : 'The weight is **too heavy**. Take a lighter one, or move the clamp.';
  }
}

/** The reason, one smaller line. */
export function balanceReason(saying: BalanceSaying, f: Format): string {
  switch (saying.code) {
    case 'notNeeded':
      return 'Clutch and counterweight steps are left out of this run.';
    case 'incomplete':
      return 'Without masses and distances there is no position to compute.';
    case 'noWeight':
      return `The tube’s side asks for ${f.quantity(saying.momentKgM, 'moment')} on the bar.`;
    case 'leave':
      return saying.confirmed ? 'It stayed anywhere when you tried.' : 'That is where your stated masses balance.';
    case 'move': {
      const why =
        saying.lastDrop === 'tube'
          ? 'The tube side dropped. '
          : saying.lastDrop === 'weight'
            ? 'The weight side dropped. '
            : '';
      return `${why}The weight has to carry ${f.quantity(saying.momentKgM, 'moment')} from the polar axis.`;
    }
    case 'beyondEnd':
      return `It would balance at ${f.quantity(saying.positionM, 'barLength')}; the bar ends at ${f.quantity(saying.endM, 'barLength')}.`;
    case 'insideStart':
      return `It would balance at ${f.quantity(saying.positionM, 'barLength')}; it cannot stand closer than ${f.quantity(saying.startM, 'barLength')}.`;
  }
}

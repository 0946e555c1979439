/** One sentence for weights whose place lies off the bar: on the bench, in the load, on Tonight and on the card. */
import type { OffBar } from '../core/mount/offBar.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

/** The name of a part by its id. */
export type NameOf = (partId: string) => string;

export function offBarSentence(off: OffBar, nameOf: NameOf, f: Format): Said {
  switch (off.code) {
    case 'noWeight':
      return 'Hang **no weight**: the bar alone is enough.';
    case 'otherSet':
      return `Hang **${off.set.ids.map(nameOf).join(' and ')}** instead, at **${f.quantity(off.set.positionM, 'barLength')}** from the polar axis.`;
    case 'lighter':
      return 'Hang a **lighter weight**, or bring the clamp further out.';
    case 'longer':
      return `The bar is **${f.quantity(off.byM, 'barLength')} too short**: lengthen it, hang more weight, or bring the clamp closer in.`;
  }
}

/** Under this nobody feels which side drops. */
const FELT_KG_M = 0.002;

export function offBarReason(off: OffBar, f: Format): string {
  switch (off.code) {
    case 'noWeight': {
      const left = f.quantity(Math.abs(off.leftKgM), 'moment');
      if (Math.abs(off.leftKgM) < FELT_KG_M) return 'Neither side stays heavier.';
      return off.leftKgM > 0
        ? `The tube’s side stays heavier by ${left}: less than the lightest weight would overdo.`
        : `The bar stays heavier by ${left}: draw it in as far as it goes.`;
    }
    case 'otherSet':
      return 'What hangs there now would balance off the bar.';
    case 'lighter':
      return `What hangs there now is too heavy even closest in, at ${f.quantity(off.nearestM, 'barLength')}.`;
    case 'longer':
      return 'What hangs there now would balance beyond the bar’s end, and no other set of your box does better.';
  }
}

/** What stands where a place would: `none`, or where the other set belongs. */
export function offBarPlace(off: OffBar, f: Format): string {
  if (off.code === 'noWeight') return 'none';
  return off.code === 'otherSet' ? f.quantity(off.set.positionM, 'barLength') : 'off the bar';
}

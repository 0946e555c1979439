/** Sentences of the payload bench. */
import type { LoadVerdict } from '../core/mount/load.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export type PayloadSaying =
  | { code: 'noMount' }
  | { code: 'empty' }
  | { code: 'load'; verdict: LoadVerdict; decides: 'mass' | 'moment'; massKg: number; allowedKg: number };

export const LOAD_NAMES: Record<LoadVerdict, string> = { fine: 'fine', near: 'near the limit', over: 'over the limit' };

export function payloadSentence(s: PayloadSaying, f: Format): Said {
  if (s.code === 'noMount') return 'Choose a **mount** for this rig in Kit.';
  if (s.code === 'empty') return 'Nothing with a mass hangs on this rig yet. **Place its parts** in Kit.';
  const carried = `**${f.quantity(s.massKg, 'mass', 1)} of ${f.quantity(s.allowedKg, 'mass', 1)}**`;
  switch (s.verdict) {
    case 'fine':
      return `Load it: the mount carries this rig, ${carried}.`;
    case 'near':
      return s.decides === 'mass'
        ? `Near the limit: ${carried}. Leave something off, or prefer a longer lever to another weight.`
        : `Near the limit: it hangs **far out**. Bring the heavy pieces closer to the axis.`;
    case 'over':
      return s.decides === 'mass'
        ? `Too heavy: ${carried}. **Take something off**, or use a larger mount.`
        : 'Too far out: **bring the tube closer** to the axis, or use a larger mount.';
  }
}

export function payloadReason(s: PayloadSaying, share: number, ratingIncludesWeights: boolean, f: Format): string {
  if (s.code === 'noMount') return 'Its rating is what the load is held against.';
  if (s.code === 'empty') return 'Mass and lever arm follow from the parts and where they sit.';
  const counted = ratingIncludesWeights
    ? 'bar and weights counted in, as by this rating'
    : 'bar and weights left out, as by this rating';
  return `You use ${f.quantity(share, 'percent')} of the rating; ${counted}. Lever arm, tube length and wind decide more than the number.`;
}

/** How much of the rating people use, and for what. */
export const SHARE_CHOICES: readonly { share: number; words: string }[] = [
  { share: 1 / 2, words: 'half: long tube or wind' },
  { share: 2 / 3, words: 'two thirds: imaging, sheltered' },
  { share: 4 / 5, words: 'four fifths: short lens' },
  { share: 0.95, words: 'nearly all: looking only' },
];

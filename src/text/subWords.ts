/** How long a sub may be, in the same words on every page. */
import type { Basis } from '../core/known.ts';
import { settableS, type Lever, type SubAnswer } from '../core/night/advice/stars/subAnswer.ts';
import type { UsableNight } from '../core/night/advice/stars/usableOfNight.ts';
import { WANTED_SHARE } from '../core/verdict/budget.ts';
import type { Format } from './format.ts';
import { shutterWords } from './handWords.ts';
import type { Said } from './said.ts';

type Length = Pick<SubAnswer, 'shortestS' | 'motion'>;

/** `65 s`; of what nothing follows a shutter's time. */
function lengthWords(s: number, { motion }: Pick<Length, 'motion'>, f: Format): string {
  return motion === 'still' ? shutterWords(s, f) : f.exposure(settableS(s));
}

/** `65 s`, `6 min and more`, or `under 2 s`. */
export function longestWords(
  { longestS, orMore }: Pick<UsableNight, 'longestS' | 'orMore'>,
  answer: Length,
  f: Format,
) {
  if (longestS === null) return `under ${lengthWords(answer.shortestS, answer, f)}`;
  return `${lengthWords(longestS, answer, f)}${orMore ? ' and more' : ''}`;
}

/** When an answer counts that waits for the pole. @param looksThrough there is a finder whose star has a mark. */
export const onceAligned = (looksThrough: boolean): string =>
  looksThrough ? 'once the star stands at its mark' : 'once the pole is found';

/** A share this near is all of them. */
const ALL = 0.995;
const toWords = (share: number, f: Format): string => (share >= ALL ? 'all' : f.quantity(share, 'percent'));

/** The movement that helps, as it is told. */
function leverWords({ code, value }: Lever, f: Format): string {
  switch (code) {
    case 'lookPole':
      return 'Look for the pole';
    case 'mendPole':
      return `Bring the pole within ${f.quantity(value, 'arcmin', 1)}`;
    case 'mendGuiding':
      return `Mend the guiding to ${f.quantity(value, 'arcsec', 1)}`;
  }
}

/** The best free movement first, and only then a shorter sub. */
export function subSentence(answer: SubAnswer, f: Format): Said {
  const { lever, share, plannedS, longestS, motion } = answer;
  const keep = `Keep **${f.exposure(plannedS)}**`;
  if (share >= ALL) return `${keep}: all subs stay usable.`;
  if (share >= WANTED_SHARE) return `${keep}: about ${f.quantity(share, 'percent')} of the subs stay usable.`;
  if (lever) {
    const until = longestWords(answer, answer, f);
    return `**${leverWords(lever, f)}**: it alone lifts the usable subs from ${f.quantity(share, 'percent')} to ${toWords(lever.share, f)}; until then ${until}.`;
  }
  if (longestS !== null) return `Shorten the sub to **${lengthWords(longestS, answer, f)}**.`;
  return motion === 'guided' || motion === 'guidedRa'
    ? '**Mend the first item** in the verdict: even the shortest subs trail.'
    : 'Guide, or **use a shorter focal length**: even the shortest subs trail.';
}

const MOTIONS: Record<SubAnswer['motion'], string> = {
  guided: 'Guided on both axes',
  guidedRa: 'Guided in right ascension',
  ownDrive: 'Your drive as it was measured',
  usualDrive: 'A drive as usual for its kind',
  still: 'Nothing follows the sky',
};

const POLES: Record<Basis, string> = {
  measured: 'the pole as you measured it',
  told: 'the pole as a star on its mark leaves it',
  learned: 'the pole as your turn left it',
  assumed: 'the pole as your turn left it, by pitch and lever',
  notLooked: 'the pole as bearing and scale leave it',
};

/** Where nothing follows there is no pole to speak of. */
const poleWords = ({ motion, pole }: Pick<SubAnswer, 'motion' | 'pole'>): string[] =>
  pole === null || motion === 'still' ? [] : [POLES[pole]];

/** What the answer rests on: `A drive as usual for its kind, the pole as a star on its mark leaves it, at this hour.` */
export function subRests({ motion, pole }: Pick<SubAnswer, 'motion' | 'pole'>): string {
  return `${[MOTIONS[motion], ...poleWords({ motion, pole }), 'at this hour'].join(', ')}.`;
}

/** Words of the guesses that an answer hangs on. */
import type { Guess } from '../core/rig/guesses.ts';
import type { Format } from './format.ts';

/** What the bench answers: a place on the bar, or a mass. */
export type GuessUnit = 'place' | 'load';

export const GUESS = {
  title: 'Guessed so far',
  save: 'Take this number',
  fine: 'Good enough as it is: do not ask for this rig',
} as const;

const amount = (moves: number, unit: GuessUnit, f: Format): string =>
  f.quantity(moves, unit === 'place' ? 'barLength' : 'mass');
const lower = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

/** `The place may be 40 mm off: bar and tube are guesses.` */
export function guessSentence(total: number, asked: readonly Guess[], unit: GuessUnit, f: Format): string {
  const names = [...new Set(asked.map((g) => lower(g.name)))];
  const what = unit === 'place' ? 'The place' : 'The load';
  const are = names.length > 1 ? `${names.join(' and ')} are guesses` : `${names[0] ?? ''} is a guess`;
  return `${what} may be ${amount(total, unit, f)} off: ${are}.`;
}

export const guessLabel = ({ name, what }: Guess): string =>
  what === 'mass' ? `${name}: weigh it` : `${name}: its middle from the polar axis`;

export const guessHint = ({ moves }: Guess, unit: GuessUnit, f: Format): string =>
  `Guessed as shown; that alone may move the answer by ${amount(moves, unit, f)}.`;

export const guessSaid = ({ name, what }: Guess): string =>
  what === 'mass' ? `${name} weighed.` : `${name}: its place is measured now.`;

/** Words of the guesses that an answer hangs on. */
import type { Guess } from '../core/rig/guesses.ts';
import type { Format } from './format.ts';

/** What the bench answers: a place on the bar, a mass, or the wind that tips it. */
export type GuessUnit = 'place' | 'load' | 'wind';

const KINDS = { place: 'barLength', load: 'mass', wind: 'speed' } as const;
const ANSWERS = { place: 'the place', load: 'the load', wind: 'the wind it stands' } as const;

export const GUESS = {
  title: 'Guessed so far',
  save: 'Take this number',
  fine: 'Good enough as it is: do not ask for this rig',
} as const;

const amount = (moves: number, unit: GuessUnit, f: Format): string =>
  f.quantity(moves, KINDS[unit], unit === 'wind' ? 1 : undefined);
const lower = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

/** `Tube and bar are guesses, and move the place most.` How far it may be off in all is said by the bench's own reason. */
export function guessSentence(asked: readonly Guess[], unit: GuessUnit): string {
  const [first = '', ...others] = [...new Set(asked.map((g) => g.name))];
  const names = [first, ...others.map(lower)];
  const what = ANSWERS[unit];
  return names.length > 1
    ? `${names.join(' and ')} are guesses, and move ${what} most.`
    : `${first} is a guess, and moves ${what} most.`;
}

/** @param axis what it is measured from, as `polar axis`. */
export const guessLabel = ({ name, what }: Guess, axis: string): string =>
  what === 'mass' ? `${name}: weigh it` : `${name}: its middle from the ${axis}`;

export const guessHint = ({ moves }: Guess, unit: GuessUnit, f: Format): string =>
  `Guessed as shown; that alone may move the answer by ${amount(moves, unit, f)}.`;

export const guessSaid = ({ name, what }: Guess): string =>
  what === 'mass' ? `${name} weighed.` : `${name}: its place is measured now.`;

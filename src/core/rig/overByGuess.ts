/** Is a load over its limit only as far as its guessed masses are true?
 *  Source: independent doubts add in squares. */
import { MASS_DOUBT_SHARE, type MassBasis } from '../mount/massDoubt.ts';
import { sum } from '../mount/levers.ts';
import type { Load } from '../mount/load.ts';
import type { RigNumbers } from './rigNumbers.ts';

type Counted = { name: string; massKg: number; massBasis: MassBasis };

/** What the rating counts. */
function countedOf({ mount, masses }: Pick<RigNumbers, 'mount' | 'masses'>): Counted[] {
  const bar: Counted = { name: 'the bar', massKg: masses.bar.massKg, massBasis: masses.barBasis };
  return [...masses.tubeSide, ...(mount?.ratingIncludesWeights ? [bar, ...masses.weights] : [])];
}

const SURE_SIGMAS = 2;

/** The heaviest guessed piece of a load that twice the doubt of its masses would bring within its limit; null when it is
 *  within, or over whatever the guesses turn out to be. */
export function overByGuess(numbers: Pick<RigNumbers, 'mount' | 'masses'>, { massKg }: Load): string | null {
  const counted = countedOf(numbers);
  const doubtKg = Math.sqrt(sum(counted, (p) => (MASS_DOUBT_SHARE[p.massBasis] * p.massKg) ** 2));
  if (massKg.share <= 1 || massKg.is - SURE_SIGMAS * doubtKg > massKg.allowed) return null;
  const [heaviest] = counted.filter((p) => p.massBasis === 'assumed').sort((a, b) => b.massKg - a.massKg);
  return heaviest?.name ?? null;
}

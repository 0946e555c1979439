/** How far the predicted place of the weights hangs on guesses. */
import { raBalance } from '../../core/mount/balance.ts';
import { oncePer } from '../../core/once.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { guessesOf, type Guesses } from '../../core/rig/guesses.ts';
import { rigNumbers } from '../../core/rig/rigNumbers.ts';

export const guessedPlace = oncePer(({ records, learned }: NightStatic): Guesses | null =>
  guessesOf(records.rig, records.parts, (rig, parts) => {
    const { balance } = rigNumbers(rig, parts, { momentKgM: learned.raMomentKgM });
    return balance && balance.movable.length > 0 ? raBalance(balance.input).positionM : null;
  }),
);

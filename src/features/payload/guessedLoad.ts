/** How far the load hangs on guessed masses. */
import { oncePer } from '../../core/once.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { guessesOf, type Guesses } from '../../core/rig/guesses.ts';
import { loadOfRig } from '../../core/rig/payloadOfRig.ts';
import { rigNumbers } from '../../core/rig/rigNumbers.ts';

export const guessedLoad = oncePer(({ records }: NightStatic): Guesses | null =>
  guessesOf(
    records.rig,
    records.parts,
    (rig, parts) => loadOfRig(rigNumbers(rig, parts), records.schools.loadShare, null)?.massKg.is ?? null,
  ),
);

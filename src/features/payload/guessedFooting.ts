/** How far the wind that an outfit stands hangs on guesses. */
import { oncePer } from '../../core/once.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { footingOfRig } from '../../core/rig/footingOfRig.ts';
import { guessesOf, type Guesses } from '../../core/rig/guesses.ts';
import { rigNumbers } from '../../core/rig/rigNumbers.ts';

export const guessedFooting = oncePer(({ records: { rig, parts, site } }: NightStatic): Guesses | null =>
  guessesOf(
    rig,
    parts,
    (other, others) =>
      footingOfRig(rigNumbers(other, others), site.latDeg, site.elevationM)?.worst.tipWindMPerS ?? null,
  ),
);

/** What balancing a fork's tube shows, as codes and figures. */
import { forkTrial } from '../../core/night/ledger/balancedTonight.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { forkBalance } from '../../core/rig/forkBalance.ts';
import type { ForkSaying } from '../../text/forkWords.ts';

/** The hand counts; the pieces' own figure goes with it only where it says the same. */
export function forkSaying(night: NightStatic): ForkSaying {
  const found = forkBalance(night.numbers);
  if (!found) return { code: 'noMasses' };
  const drops = forkTrial(night)?.values.drops;
  if (drops === 'none') return { code: 'balanced', found };
  if (drops !== 'front' && drops !== 'rear') return { code: 'try', found };
  const agrees = drops === 'front' ? found.momentKgM > 0 : found.momentKgM < 0;
  return { code: 'drops', end: drops, hang: agrees ? found.hang : null, found };
}

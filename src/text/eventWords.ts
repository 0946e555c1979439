/** Names of what happens during a night, and of its darkness. */
import type { SkyPhase } from '../core/night/nightAt.ts';

export const PHASE_NAMES: Record<SkyPhase, string> = {
  day: 'daylight',
  civil: 'civil twilight',
  nautical: 'nautical twilight',
  astronomical: 'astronomical twilight',
  night: 'astronomical darkness',
};

/** A clock that jumps during the night. */
export function clockChangeWords(clock: string, minutes: number): string {
  return `The clock goes ${minutes > 0 ? 'forward' : 'back'} ${Math.abs(minutes)} minutes at ${clock}.`;
}

/** Names of what happens during a night, and of its darkness. */
import type { NightEvent, SkyPhase } from '../core/night/nightAt.ts';

export const EVENT_NAMES: Record<NightEvent['code'], string> = {
  sunset: 'sunset',
  dark: 'dark',
  start: 'first sub',
  flip: 'flip',
  limit: 'limit',
  end: 'last sub ends',
  dawn: 'dawn',
  sunrise: 'sunrise',
};

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

/** A platform that follows for an hour and is set back. */
import type { PlatformRun } from '../core/night/advice/platformRun.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export const PLATFORM = {
  title: 'The platform',
  reset: 'It stands at its start',
  recorded: 'Set back: the run begins now.',
  left: 'Follows for another',
  why: 'At its end it stops, and the sky moves on. Set back, the tube must be pushed to the target once more.',
} as const;

/** `It follows until 21:40.` */
export function platformSentence({ runMin, endsMs }: PlatformRun, timeMs: number, f: Format): Said {
  const minutes = f.quantity(runMin, 'minutes', 0);
  if (endsMs === null) return `Tilt the platform **to its start** and switch it on: it follows for ${minutes}.`;
  const end = f.clock(endsMs);
  return timeMs < endsMs
    ? `It follows **until ${end}**: then set it back.`
    : `Its run ended at ${end}: **set it back**, then push the tube to the target.`;
}

/** What the length of a run rests on. */
export const platformRests = ({ assumed }: PlatformRun): string =>
  assumed ? 'As most do: time yours once and enter it in Kit.' : 'As you entered it.';

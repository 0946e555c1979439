/** Words of the night card and of its calendar file. */
import type { Motors } from '../core/mount/motors.ts';
import type { NightEvent } from '../core/night/nightAt.ts';
import type { Format } from './format.ts';

type CardCode = NightEvent['code'] | 'setUp' | 'align';

const CARD_EVENTS: Record<CardCode, string> = {
  setUp: 'Set up',
  align: 'Polar alignment',
  sunset: 'Sunset',
  dark: 'Dark',
  start: 'First sub',
  refocus: 'Refocus',
  flip: 'Flip',
  secondFlip: 'Second flip',
  limit: 'Tube must stop',
  end: 'Last sub ends',
  dawn: 'Dawn',
  sunrise: 'Sunrise',
};

/** What the calendar says at an event. */
const CALENDAR_TODO: Partial<Record<CardCode, string>> = {
  setUp: 'Set down, level, bearing; then load and balance in final dress.',
  align: 'The pole’s star shows: align, everything on.',
  dark: 'Fine focus, pointing, tracking.',
  start: 'Start the first sub.',
  refocus: 'Refocus before the next sub.',
  flip: 'Free the cables. Send the tube over.',
  secondFlip: 'It crosses below the pole. Free the cables. Send the tube back over.',
  limit: 'Stop tracking. No flip is planned.',
  end: 'The last sub of this target ends.',
  dawn: 'Last sub, then unload: camera and tube first, weights last.',
};

/** `Flip, M 33` where the night has several targets. */
export const cardEventName = ({ code, target }: { code: CardCode; target: string | null }): string =>
  target === null ? CARD_EVENTS[code] : `${CARD_EVENTS[code]}, ${target}`;

/** What the hand does at an event; nothing where there is nothing to do. */
export const calendarTodo = (code: CardCode, motors: Motors): string | undefined =>
  (code === 'flip' || code === 'secondFlip') && motors !== 'both'
    ? 'Free the cables. Carry the tube over by hand.'
    : CALENDAR_TODO[code];

/** What no card goes without; where the hand turns, nothing slews. */
export const cardCautions = (motors: Motors): readonly string[] => [
  'Weights on before the tube, off after it. The end stop stays on.',
  'Hold the tube whenever a clutch opens. Never push an axis with its clutch tight.',
  motors === 'none'
    ? 'Carry the tube over before it nears a leg.'
    : 'Cables free before every slew and the flip. Be at the mount for the first flip with a new rig.',
  'Never look for the sun through tube, finder or polar finder.',
];

/** `55.5 mm of 55.7 mm wanted` */
export const spacingLine = (spacing: { presentMm: number; neededMm: number }, f: Format): string =>
  `${f.quantity(spacing.presentMm, 'opticsMm')} of ${f.quantity(spacing.neededMm, 'opticsMm')} wanted`;

/** Words of the night card and of its calendar file. */
import type { RigHas } from '../core/rig/rigHas.ts';
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
  reset: 'Set the platform back',
  flip: 'Flip',
  secondFlip: 'Second flip',
  limit: 'Tube must stop',
  end: 'Last sub ends',
  dawn: 'Dawn',
  sunrise: 'Sunrise',
};

/** `Flip, M 33` where the night has several targets. */
export const cardEventName = ({ code, target }: { code: CardCode; target: string | null }): string =>
  target === null ? CARD_EVENTS[code] : `${CARD_EVENTS[code]}, ${target}`;

type Todo = string | ((has: RigHas) => string | undefined);

/** What the calendar says at an event, of what a rig has. */
const CALENDAR_TODO: Partial<Record<CardCode, Todo>> = {
  setUp: (has) => {
    const down = ['Set down', 'level', ...(has.has('polarAxis') ? ['bearing'] : [])].join(', ');
    return `${down}; then ${has.has('bar') ? 'load and balance in final dress' : 'put on what it carries'}.`;
  },
  align: (has) =>
    has.has('polarFinder') ? 'The pole’s star shows: align, everything on.' : 'Stars show: align, everything on.',
  dark: (has) => (has.has('camera') && has.has('motor') ? 'Fine focus, pointing, tracking.' : 'Fine focus, pointing.'),
  start: 'Start the first sub.',
  refocus: 'Refocus before the next sub.',
  reset: 'Set the platform back, push the tube to the target, look at the frame.',
  flip: (has) => freed(has, 'Send the tube over.', 'Carry the tube over by hand.'),
  secondFlip: (has) =>
    `It crosses below the pole. ${freed(has, 'Send the tube back over.', 'Carry the tube back over by hand.')}`,
  limit: (has) => (has.has('motor') ? 'Stop tracking. No flip is planned.' : undefined),
  end: 'The last sub of this target ends.',
  dawn: (has) => {
    const last = has.has('camera') ? 'Last sub, then unload' : 'Unload';
    if (!has.has('bar')) return `${last}.`;
    return `${last}: ${has.has('camera') ? 'camera and tube' : 'the tube'} first, weights last.`;
  },
};

const freed = (has: RigHas, sent: string, carried: string): string =>
  `${has.has('motor') ? 'Free the cables. ' : ''}${has.has('slew') ? sent : carried}`;

/** What the hand does at an event; nothing where there is nothing to do. */
export function calendarTodo(code: CardCode, has: RigHas): string | undefined {
  const todo = CALENDAR_TODO[code];
  return typeof todo === 'function' ? todo(has) : todo;
}

/** `55.5 mm of 55.7 mm wanted` */
export const spacingLine = (spacing: { presentMm: number; neededMm: number }, f: Format): string =>
  `${f.quantity(spacing.presentMm, 'opticsMm')} of ${f.quantity(spacing.neededMm, 'opticsMm')} wanted`;

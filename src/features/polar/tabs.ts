import type { NightStatic } from '../../core/night/nightStatic.ts';
import { polarStarsStand } from '../../core/pole/polarStars.ts';
import type { Tabs } from '../../session/tabs.ts';

export type PolarTab = 'dial' | 'find' | 'halfturn' | 'drift' | 'error';
const FIND = { key: 'find', name: 'Find the pole' } as const;
const DRIFT = { key: 'drift', name: 'Drift' } as const;
const ERROR = { key: 'error', name: 'Error and knobs' } as const;

/** Without a bore there is neither a dial nor anything to look through half a turn apart; near the equator no star to look
 *  for. */
export function polarTabs({ numbers, records }: NightStatic): Tabs<PolarTab> {
  if (!polarStarsStand(records.site.latDeg)) return [DRIFT, ERROR];
  return numbers.mount?.finder === null
    ? [FIND, DRIFT, ERROR]
    : [{ key: 'dial', name: 'Finder dial' }, FIND, { key: 'halfturn', name: 'Half-turn test' }, DRIFT, ERROR];
}

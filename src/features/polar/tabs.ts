import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Tab, Tabs } from '../../session/tabs.ts';

export type PolarTab = 'dial' | 'find' | 'halfturn' | 'drift' | 'error';
const FIND = { key: 'find', name: 'Find the pole' } as const;
const REST: readonly Tab<PolarTab>[] = [
  { key: 'drift', name: 'Drift' },
  { key: 'error', name: 'Error and knobs' },
];

/** Without a bore there is neither a dial nor anything to look through half a turn apart. */
export const polarTabs = ({ numbers }: NightStatic): Tabs<PolarTab> =>
  numbers.mount?.finder === null
    ? [FIND, ...REST]
    : [{ key: 'dial', name: 'Finder dial' }, FIND, { key: 'halfturn', name: 'Half-turn test' }, ...REST];

import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Tabs } from '../../session/tabs.ts';

export type MeridianTab = 'tonight' | 'plan' | 'flip' | 'tube';
const TONIGHT = { key: 'tonight', name: 'Tonight' } as const;
const PLAN = { key: 'plan', name: 'Plan' } as const;
const FLIP = { key: 'flip', name: 'The flip' } as const;
const TUBE = { key: 'tube', name: 'Tube and tripod' } as const;

/** What never flips has neither a flip to walk through nor a tripod to meet. */
export const meridianTabs = ({ flips }: NightStatic): Tabs<MeridianTab> =>
  flips ? [TONIGHT, PLAN, FLIP, TUBE] : [TONIGHT, PLAN];

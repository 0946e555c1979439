import type { NightStatic } from '../../core/night/nightStatic.ts';
import { rigHas } from '../../core/rig/rigHas.ts';
import type { Tabs } from '../../session/tabs.ts';

export type PointingTab = 'focus' | 'sheet' | 'circles';
const FOCUS = { key: 'focus', name: 'Focus' } as const;

/** A mount that the hand points has circles where others have a controller; a ball head has neither. */
export function pointingTabs({ numbers }: NightStatic): Tabs<PointingTab> {
  const has = rigHas(numbers);
  if (has.has('circles')) return [FOCUS, { key: 'circles', name: 'By circles' }];
  return has.has('slew') ? [FOCUS, { key: 'sheet', name: 'Hand controller' }] : [FOCUS];
}

import { motorsOf } from '../../core/mount/motors.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Tabs } from '../../session/tabs.ts';

export type PayloadTab = 'load' | 'footing' | 'power' | 'packing' | 'choice';
const LOAD = { key: 'load', name: 'Load' } as const;
const FOOTING = { key: 'footing', name: 'Footing' } as const;
const POWER = { key: 'power', name: 'Power' } as const;
const PACKING = { key: 'packing', name: 'Packing' } as const;
const CHOICE = { key: 'choice', name: 'Choose' } as const;

export function payloadTabs({ numbers, records }: NightStatic): Tabs<PayloadTab> {
  const powered = motorsOf(numbers.mount) !== 'none' || records.rig.supplies.length > 0;
  return powered ? [LOAD, FOOTING, POWER, PACKING, CHOICE] : [LOAD, FOOTING, PACKING, CHOICE];
}

import type { NightStatic } from '../../core/night/nightStatic.ts';
import { rigHas } from '../../core/rig/rigHas.ts';
import type { Tab, Tabs } from '../../session/tabs.ts';

export type LevelTab = 'bearing' | 'shadow' | 'level' | 'latitude';

/** What has no polar axis is levelled only; what has no scale stands at its latitude. */
export function levelTabs({ numbers }: NightStatic): Tabs<LevelTab> {
  const has = rigHas(numbers);
  const level: Tab<LevelTab> = { key: 'level', name: 'Level' };
  if (!has.has('polarAxis')) return [level];
  const scale: Tab<LevelTab>[] = has.has('scale') ? [{ key: 'latitude', name: 'Latitude' }] : [];
  return [{ key: 'bearing', name: 'Bearing' }, { key: 'shadow', name: 'Sun’s shadow' }, level, ...scale];
}

/** The tabs of the shown night's benches, for "Find anything". */
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Step } from '../../core/records/reading.ts';
import { balanceTabs } from '../../features/balance/tabs.ts';
import { levelTabs } from '../../features/level/tabs.ts';
import { lightPathTabs } from '../../features/light-path/tabs.ts';
import { meridianTabs } from '../../features/meridian/tabs.ts';
import { payloadTabs } from '../../features/payload/tabs.ts';
import { pointingTabs } from '../../features/pointing/tabs.ts';
import { polarTabs } from '../../features/polar/tabs.ts';
import { trackingTabs } from '../../features/tracking/tabs.ts';
import { stationOf } from '../../text/stations.ts';
import type { Tabs } from '../../session/tabs.ts';

const TABS: Partial<Record<Step, (night: NightStatic) => Tabs<string>>> = {
  'light-path': lightPathTabs,
  payload: payloadTabs,
  meridian: meridianTabs,
  level: levelTabs,
  balance: balanceTabs,
  polar: polarTabs,
  pointing: pointingTabs,
  tracking: trackingTabs,
};

export type FoundTab = { key: string; name: string; station: string; path: string };

/** Of every station that this rig has; where there is one way only the station is found itself. */
export function foundTabs(night: NightStatic): FoundTab[] {
  const steps = [...new Set(night.run.stops.map((stop) => stop.step))];
  return steps.flatMap((step) => {
    const tabs = TABS[step]?.(night) ?? [];
    if (tabs.length < 2) return [];
    const station = stationOf(step)?.name ?? step;
    return tabs.map(({ key, name }) => ({
      key: `${step} ${key}`,
      name,
      station,
      path: `/n/${night.records.night.id}/${step}?tab=${key}`,
    }));
  });
}

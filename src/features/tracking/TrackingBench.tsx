import type { ComponentType, ReactNode } from 'react';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { FlexureTab } from './FlexureTab.tsx';
import { FirstSubChecks } from './FirstSubChecks.tsx';
import { LogTab } from './log/LogTab.tsx';
import { HandTab } from './HandTab.tsx';
import { PlayTab } from './PlayTab.tsx';
import { trackingTabs, type TrackingTab } from './tabs.ts';
import { UsableSubs } from './UsableSubs.tsx';

const SHOWN: Record<TrackingTab, ComponentType<{ tabs: ReactNode }>> = {
  hand: HandTab,
  subs: UsableSubs,
  log: LogTab,
  play: PlayTab,
  flexure: FlexureTab,
  checks: FirstSubChecks,
};

export function TrackingBench() {
  const { active, row } = useBenchTabs('Tracking', trackingTabs(useNight()));
  const Shown = SHOWN[active];
  return <Shown tabs={row} />;
}

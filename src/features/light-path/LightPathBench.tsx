import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { CornersTab } from './corners/CornersTab.tsx';
import { CompareTab } from './numbers/CompareTab.tsx';
import { NumbersTab } from './numbers/NumbersTab.tsx';
import { SpacingTab } from './spacing/SpacingTab.tsx';
import { lightPathTabs } from './tabs.ts';

export function LightPathBench() {
  const { active, row } = useBenchTabs('Light path', lightPathTabs(useNight()));
  const Tab = { spacing: SpacingTab, numbers: NumbersTab, corners: CornersTab, compare: CompareTab }[active];
  return <Tab tabs={row} />;
}

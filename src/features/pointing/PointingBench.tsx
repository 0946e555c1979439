import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { Circles } from './Circles.tsx';
import { ControllerSheet } from './ControllerSheet.tsx';
import { Focus } from './Focus.tsx';
import { pointingTabs } from './tabs.ts';

export function PointingBench() {
  const { active, row } = useBenchTabs('Focus and pointing', pointingTabs(useNight()));
  if (active === 'circles') return <Circles tabs={row} />;
  return active === 'sheet' ? <ControllerSheet tabs={row} /> : <Focus tabs={row} />;
}

import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { ControllerSheet } from './ControllerSheet.tsx';
import { Focus } from './Focus.tsx';

export function PointingBench() {
  const { active, row } = useBenchTabs('Focus and pointing', [
    { key: 'focus', name: 'Focus' },
    { key: 'sheet', name: 'Hand controller' },
  ]);
  return active === 'sheet' ? <ControllerSheet tabs={row} /> : <Focus tabs={row} />;
}

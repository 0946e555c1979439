import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { FirstSubChecks } from './FirstSubChecks.tsx';
import { UsableSubs } from './UsableSubs.tsx';

export function TrackingBench() {
  const { active, row } = useBenchTabs('Tracking', [
    { key: 'subs', name: 'Usable subs' },
    { key: 'checks', name: 'Before the first sub' },
  ]);
  return active === 'checks' ? <FirstSubChecks tabs={row} /> : <UsableSubs tabs={row} />;
}

import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { Bearing } from './Bearing.tsx';
import { Latitude } from './Latitude.tsx';
import { Level } from './Level.tsx';

/** Three readings of one tripod: which way it looks, how level it stands, how high the axis points. */
export function LevelBench() {
  const { active, row } = useBenchTabs('Level and bearing', [
    { key: 'bearing', name: 'Bearing' },
    { key: 'level', name: 'Level' },
    { key: 'latitude', name: 'Latitude' },
  ]);
  if (active === 'level') return <Level tabs={row} />;
  return active === 'latitude' ? <Latitude tabs={row} /> : <Bearing tabs={row} />;
}

import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { Bearing } from './Bearing.tsx';
import { Latitude } from './Latitude.tsx';
import { Level } from './Level.tsx';
import { Shadow } from './Shadow.tsx';

/** Three readings of one tripod: which way it looks (by needle or shadow), how level it stands, how high the axis
 *  points. */
export function LevelBench() {
  const { active, row } = useBenchTabs('Level and bearing', [
    { key: 'bearing', name: 'Bearing' },
    { key: 'shadow', name: 'Sun’s shadow' },
    { key: 'level', name: 'Level' },
    { key: 'latitude', name: 'Latitude' },
  ]);
  switch (active) {
    case 'shadow':
      return <Shadow tabs={row} />;
    case 'level':
      return <Level tabs={row} />;
    case 'latitude':
      return <Latitude tabs={row} />;
    default:
      return <Bearing tabs={row} />;
  }
}

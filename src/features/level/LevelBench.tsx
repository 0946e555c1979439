import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { Bearing } from './Bearing.tsx';
import { Latitude } from './Latitude.tsx';
import { Level } from './Level.tsx';
import { Shadow } from './Shadow.tsx';
import { levelTabs } from './tabs.ts';

/** Three readings of one tripod: which way it looks (by needle or shadow), how level it stands, how high the axis
 *  points. */
export function LevelBench() {
  const { active, row } = useBenchTabs('Level and bearing', levelTabs(useNight()));
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

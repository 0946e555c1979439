import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { FinderDial } from './FinderDial.tsx';
import { TypedError } from './TypedError.tsx';

export function PolarBench() {
  const { active, row } = useBenchTabs('Ways of polar alignment', [
    { key: 'dial', name: 'Finder dial' },
    { key: 'error', name: 'Error and knobs' },
  ]);
  return active === 'dial' ? <FinderDial tabs={row} /> : <TypedError tabs={row} />;
}

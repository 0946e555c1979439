import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { CornersTab } from './corners/CornersTab.tsx';
import { CompareTab } from './numbers/CompareTab.tsx';
import { NumbersTab } from './numbers/NumbersTab.tsx';
import { SpacingTab } from './spacing/SpacingTab.tsx';

const SPACING = { key: 'spacing', name: 'Spacing' } as const;
const NUMBERS = { key: 'numbers', name: 'Numbers' } as const;
const CORNERS = { key: 'corners', name: 'Corners' } as const;
const COMPARE = { key: 'compare', name: 'Compare' } as const;

/** Who looks through an eyepiece has neither corners on a sensor nor another rig's exposure. */
export function LightPathBench() {
  const { numbers } = useNight();
  const shown = numbers.eyepiece ? [NUMBERS] : [NUMBERS, CORNERS, COMPARE];
  const { active, row } = useBenchTabs<'spacing' | 'numbers' | 'corners' | 'compare'>('Light path', [
    SPACING,
    ...shown,
  ]);
  const Tab = { spacing: SpacingTab, numbers: NumbersTab, corners: CornersTab, compare: CompareTab }[active];
  return <Tab tabs={row} />;
}

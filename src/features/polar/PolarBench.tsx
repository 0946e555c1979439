import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { Queries } from '../../session/Queries.tsx';
import { FinderDial } from './dial/FinderDial.tsx';

type Tab = ComponentType<{ tabs: ReactNode }>;
const FindPole: Tab = lazy(async () => ({ default: (await import('./find/FindPole.tsx')).FindPole }));
const HalfTurn: Tab = lazy(async () => ({ default: (await import('./halfturn/HalfTurn.tsx')).HalfTurn }));
const DriftTab: Tab = lazy(async () => ({ default: (await import('./drift/DriftTab.tsx')).DriftTab }));
const ErrorTab: Tab = lazy(async () => ({ default: (await import('./error/ErrorTab.tsx')).ErrorTab }));

/** From the bare eye to the turned knob: find the pole, set the star, test the finder, drift, error and knobs. */
export function PolarBench() {
  const { active, row } = useBenchTabs('Ways of polar alignment', [
    { key: 'dial', name: 'Finder dial' },
    { key: 'find', name: 'Find the pole' },
    { key: 'halfturn', name: 'Half-turn test' },
    { key: 'drift', name: 'Drift' },
    { key: 'error', name: 'Error and knobs' },
  ]);
  const tabs = { dial: FinderDial, find: FindPole, halfturn: HalfTurn, drift: DriftTab, error: ErrorTab };
  const Shown = tabs[active];
  return (
    <Queries>
      <Suspense fallback={<p role="status">Opening…</p>}>
        <Shown tabs={row} />
      </Suspense>
    </Queries>
  );
}

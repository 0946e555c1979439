import type { ReactNode } from 'react';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { Queries } from '../../session/Queries.tsx';
import { later } from '../../ui/later.tsx';
import { OpeningPage } from '../../ui/OpeningPage.tsx';
import { FinderDial } from './dial/FinderDial.tsx';
import { polarTabs } from './tabs.ts';

type Tab = { tabs: ReactNode };
const FindPole = later<Tab>(async () => (await import('./find/FindPole.tsx')).FindPole, OpeningPage);
const HalfTurn = later<Tab>(async () => (await import('./halfturn/HalfTurn.tsx')).HalfTurn, OpeningPage);
const DriftTab = later<Tab>(async () => (await import('./drift/DriftTab.tsx')).DriftTab, OpeningPage);
const ErrorTab = later<Tab>(async () => (await import('./error/ErrorTab.tsx')).ErrorTab, OpeningPage);

/** From the bare eye to the turned knob: find the pole, set the star, test the finder, drift, error and knobs. */
export function PolarBench() {
  const { active, row } = useBenchTabs('Ways of polar alignment', polarTabs(useNight()));
  const tabs = { dial: FinderDial, find: FindPole, halfturn: HalfTurn, drift: DriftTab, error: ErrorTab };
  const Shown = tabs[active];
  return (
    <Queries>
      <Shown tabs={row} />
    </Queries>
  );
}

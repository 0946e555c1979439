import { balancesTubeAlone } from '../../core/rig/rigNumbers.ts';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { AXIS_TABS } from '../../text/balanceWords.ts';
import { later } from '../../ui/later.tsx';
import { TipTab } from './TipTab.tsx';

/** Loaded when they are opened: the first bench of a first visit is the tip test. */
const DrivenTab = later(async () => (await import('./DrivenTab.tsx')).DrivenTab);
const ForkTab = later(async () => (await import('./ForkTab.tsx')).ForkTab);
const OrderTab = later(async () => (await import('./OrderTab.tsx')).OrderTab);
const PiecesTab = later(async () => (await import('./PiecesTab.tsx')).PiecesTab);

/** The axes one after the other, what another piece changes, and the order of it all. A drive without a clutch is checked
 *  instead. */
export function BalanceBench() {
  const { numbers } = useNight();
  const { active, row } = useBenchTabs('Balance', [
    { key: 'ra', name: AXIS_TABS.ra },
    { key: 'dec', name: AXIS_TABS.dec },
    { key: 'sideways', name: AXIS_TABS.sideways },
    { key: 'pieces', name: 'Another piece' },
    { key: 'order', name: 'Order' },
  ]);
  const driven = numbers.mount?.drive === 'strainWave';
  if (balancesTubeAlone(numbers.mount)) return <ForkTab />;
  if (!driven && active !== 'pieces' && active !== 'order') return <TipTab key={active} tabs={row} axis={active} />;
  if (driven) return <DrivenTab />;
  return active === 'pieces' ? <PiecesTab tabs={row} /> : <OrderTab tabs={row} />;
}

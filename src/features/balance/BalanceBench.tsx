import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { AXIS_TABS } from '../../text/balanceWords.ts';
import { DrivenTab } from './DrivenTab.tsx';
import { OrderTab } from './OrderTab.tsx';
import { PiecesTab } from './PiecesTab.tsx';
import { TipTab } from './TipTab.tsx';

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
  if (numbers.mount?.drive === 'strainWave') return <DrivenTab />;
  switch (active) {
    case 'pieces':
      return <PiecesTab tabs={row} />;
    case 'order':
      return <OrderTab tabs={row} />;
    default:
      return <TipTab key={active} tabs={row} axis={active} />;
  }
}

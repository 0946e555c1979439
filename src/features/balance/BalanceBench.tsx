import { tubeAloneOn } from '../../core/rig/assembly.ts';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { later } from '../../ui/later.tsx';
import { balanceTabs } from './tabs.ts';
import { TipTab } from './TipTab.tsx';

/** Loaded when they are opened: the first bench of a first visit is the tip test. */
const DrivenTab = later(async () => (await import('./DrivenTab.tsx')).DrivenTab);
const ForkTab = later(async () => (await import('./ForkTab.tsx')).ForkTab);
const OrderTab = later(async () => (await import('./OrderTab.tsx')).OrderTab);
const PiecesTab = later(async () => (await import('./PiecesTab.tsx')).PiecesTab);

export function BalanceBench() {
  const night = useNight();
  const { numbers } = night;
  const { active, row } = useBenchTabs('Balance', balanceTabs(night));
  const driven = numbers.mount?.drive === 'strainWave';
  const alone = tubeAloneOn(numbers.mount);
  if (alone) return <ForkTab on={alone} />;
  if (!driven && active !== 'pieces' && active !== 'order') return <TipTab key={active} tabs={row} axis={active} />;
  if (driven) return <DrivenTab />;
  return active === 'pieces' ? <PiecesTab tabs={row} /> : <OrderTab tabs={row} />;
}

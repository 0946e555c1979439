import { motorsOf } from '../../core/mount/motors.ts';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { FirstSubChecks } from './FirstSubChecks.tsx';
import { LogTab } from './log/LogTab.tsx';
import { HandTab } from './HandTab.tsx';
import { UsableSubs } from './UsableSubs.tsx';

const HAND = { key: 'hand', name: 'By hand' } as const;
const SUBS = { key: 'subs', name: 'Usable subs' } as const;
const LOG = { key: 'log', name: 'A log' } as const;
const CHECKS = { key: 'checks', name: 'Before the first sub' } as const;

/** Where no motor follows there is no drive to judge: the hand's bench tells the longest sub. An eye takes none. */
export function TrackingBench() {
  const { mount, eyepiece } = useNight().numbers;
  const byHand = motorsOf(mount) === 'none';
  const { active, row } = useBenchTabs<'hand' | 'subs' | 'log' | 'checks'>(
    'Tracking',
    eyepiece ? [HAND] : byHand ? [HAND, CHECKS] : [SUBS, LOG, CHECKS],
  );
  if (active === 'hand') return <HandTab tabs={row} />;
  if (active === 'log') return <LogTab tabs={row} />;
  return active === 'checks' ? <FirstSubChecks tabs={row} /> : <UsableSubs tabs={row} />;
}

import { motorsOf } from '../../core/mount/motors.ts';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { FirstSubChecks } from './FirstSubChecks.tsx';
import { LogTab } from './log/LogTab.tsx';
import { HandTab } from './HandTab.tsx';
import { PlayTab } from './PlayTab.tsx';
import { UsableSubs } from './UsableSubs.tsx';

const HAND = { key: 'hand', name: 'By hand' } as const;
const SUBS = { key: 'subs', name: 'Usable subs' } as const;
const LOG = { key: 'log', name: 'A log' } as const;
const PLAY = { key: 'play', name: 'Backlash' } as const;
const CHECKS = { key: 'checks', name: 'Before the first sub' } as const;

/** Where no motor follows there is no drive to judge: the hand's bench tells the longest sub. An eye takes none. */
export function TrackingBench() {
  const { numbers, records } = useNight();
  const { mount, eyepiece } = numbers;
  const motors = motorsOf(mount);
  // Without a motor, or without gears between it and the axis, nothing in declination has play; a night that is over cannot be
  // pressed any more.
  const hasPlay = motors === 'both' && mount?.drive !== 'frictionOrDirect' && !records.fromSnapshot;
  const { active, row } = useBenchTabs<'hand' | 'subs' | 'log' | 'play' | 'checks'>(
    'Tracking',
    eyepiece ? [HAND] : motors === 'none' ? [HAND, CHECKS] : [SUBS, LOG, ...(hasPlay ? [PLAY] : []), CHECKS],
  );
  if (active === 'hand') return <HandTab tabs={row} />;
  if (active === 'play') return <PlayTab tabs={row} />;
  if (active === 'log') return <LogTab tabs={row} />;
  return active === 'checks' ? <FirstSubChecks tabs={row} /> : <UsableSubs tabs={row} />;
}

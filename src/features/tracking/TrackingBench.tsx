import type { ComponentType, ReactNode } from 'react';
import { motorsOf } from '../../core/mount/motors.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { useBenchTabs } from '../../session/BenchTabs.tsx';
import { useNight } from '../../session/session.ts';
import { FlexureTab } from './FlexureTab.tsx';
import { FirstSubChecks } from './FirstSubChecks.tsx';
import { LogTab } from './log/LogTab.tsx';
import { HandTab } from './HandTab.tsx';
import { PlayTab } from './PlayTab.tsx';
import { UsableSubs } from './UsableSubs.tsx';

const HAND = { key: 'hand', name: 'By hand' } as const;
const SUBS = { key: 'subs', name: 'Usable subs' } as const;
const LOG = { key: 'log', name: 'A log' } as const;
const PLAY = { key: 'play', name: 'Backlash' } as const;
const FLEXURE = { key: 'flexure', name: 'Flexure' } as const;
const CHECKS = { key: 'checks', name: 'Before the first sub' } as const;

type Tab = 'hand' | 'subs' | 'log' | 'play' | 'flexure' | 'checks';
type OneTab = { key: Tab; name: string };

/** Without a motor, or without gears between it and the axis, nothing in declination has play; an off-axis guider looks through
 *  the same tube as the camera, and where one axis alone is guided the pole's drift hides what bends; a night that is over cannot be pressed any more. */
function tabsOf({ numbers, records }: NightStatic): [OneTab, ...OneTab[]] {
  const { mount, eyepiece } = numbers;
  const motors = motorsOf(mount);
  if (eyepiece) return [HAND];
  if (motors === 'none') return [HAND, CHECKS];
  const open = !records.fromSnapshot;
  const hasPlay = open && motors === 'both' && mount?.drive !== 'frictionOrDirect';
  const sags = open && motors === 'both' && numbers.train !== null && records.rig.guiding === 'guideScope';
  return [SUBS, LOG, ...(hasPlay ? [PLAY] : []), ...(sags ? [FLEXURE] : []), CHECKS];
}

const SHOWN: Record<Tab, ComponentType<{ tabs: ReactNode }>> = {
  hand: HandTab,
  subs: UsableSubs,
  log: LogTab,
  play: PlayTab,
  flexure: FlexureTab,
  checks: FirstSubChecks,
};

/** Where no motor follows there is no drive to judge: the hand's bench tells the longest sub. An eye takes none. */
export function TrackingBench() {
  const { active, row } = useBenchTabs<Tab>('Tracking', tabsOf(useNight()));
  const Shown = SHOWN[active];
  return <Shown tabs={row} />;
}

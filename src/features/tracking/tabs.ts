import { motorsOf } from '../../core/mount/motors.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Tabs } from '../../session/tabs.ts';

export type TrackingTab = 'hand' | 'subs' | 'log' | 'play' | 'flexure' | 'checks';
const HAND = { key: 'hand', name: 'By hand' } as const;
const SUBS = { key: 'subs', name: 'Usable subs' } as const;
const LOG = { key: 'log', name: 'A log' } as const;
const PLAY = { key: 'play', name: 'Backlash' } as const;
const FLEXURE = { key: 'flexure', name: 'Flexure' } as const;
const CHECKS = { key: 'checks', name: 'Before the first sub' } as const;

/** Where no motor follows there is no drive to judge: the hand's bench tells the longest sub, and an eye takes none. Without a motor, or without gears between it and the axis, nothing in declination has play; an off-axis guider looks through
 *  the same tube as the camera, and where one axis alone is guided the pole's drift hides what bends; a night that is over cannot be pressed any more. */
export function trackingTabs({ numbers, records }: NightStatic): Tabs<TrackingTab> {
  const { mount, eyepiece } = numbers;
  const motors = motorsOf(mount);
  if (eyepiece) return [HAND];
  if (motors === 'none') return [HAND, CHECKS];
  const open = !records.fromSnapshot;
  const hasPlay = open && motors === 'both' && mount?.drive !== 'frictionOrDirect';
  const sags = open && motors === 'both' && numbers.train !== null && records.rig.guiding === 'guideScope';
  return [SUBS, LOG, ...(hasPlay ? [PLAY] : []), ...(sags ? [FLEXURE] : []), CHECKS];
}

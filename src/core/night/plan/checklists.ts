/** Ticks that belong to a station, by mount. Words stand in the text layer. */
import { mountTraits } from '../../mount/mountKinds.ts';
import { motorsOf } from '../../mount/motors.ts';
import type { MountPart } from '../../records/part.ts';
import type { Reading } from '../../records/reading.ts';
import { lastReading } from '../../history/nightRecords.ts';

export const FIRST_SUB_LIST = 'beforeFirstSub';

export type FirstSubCheck =
  | 'clutches'
  | 'rate'
  | 'cables'
  | 'caps'
  | 'parked'
  | 'hemisphere'
  | 'lensSwitches'
  | 'focusTaped'
  | 'darkFrames'
  | 'longExposure'
  | 'shutterLead'
  | 'cardSpace'
  | 'dew';

const GERMAN: readonly FirstSubCheck[] = ['clutches', 'rate', 'cables', 'caps', 'parked', 'cardSpace', 'dew'];
/** What beginners with a tracker and a lens miss. */
const TRACKER: readonly FirstSubCheck[] = [
  'hemisphere',
  'rate',
  'clutches',
  'lensSwitches',
  'focusTaped',
  'darkFrames',
  'longExposure',
  'shutterLead',
  'cardSpace',
  'dew',
];

/** Only what a motor follows has a rate, a hemisphere and a place to park. */
const OF_MOTORS: Record<ReturnType<typeof motorsOf>, (check: FirstSubCheck) => boolean> = {
  both: () => true,
  raOnly: (check) => check !== 'parked',
  none: (check) => !['parked', 'rate', 'hemisphere', 'cables'].includes(check),
};

export function firstSubChecks(mount: MountPart | null): readonly FirstSubCheck[] {
  return (mountTraits(mount).isTracker ? TRACKER : GERMAN).filter(OF_MOTORS[motorsOf(mount)]);
}

/** True when the item's last tick of the night says done. */
export function isTicked(readings: readonly Reading[], listId: string, itemId: string): boolean {
  const last = lastReading(readings, 'check', (r) => r.values.listId === listId && r.values.itemId === itemId);
  return last?.values.done === true;
}

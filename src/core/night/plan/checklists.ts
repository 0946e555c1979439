/** Ticks that belong to a station, by mount. Words stand in the text layer. */
import type { MountPart } from '../../records/part.ts';
import type { Reading } from '../../records/reading.ts';
import { isTracker } from '../../rig/rigNumbers.ts';
import { lastReading } from '../nightRecords.ts';

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

export function firstSubChecks(mount: MountPart | null): readonly FirstSubCheck[] {
  return isTracker(mount) ? TRACKER : GERMAN;
}

/** True when the item's last tick of the night says done. */
export function isTicked(readings: readonly Reading[], listId: string, itemId: string): boolean {
  const last = lastReading(readings, 'check', (r) => r.values.listId === listId && r.values.itemId === itemId);
  return last?.values.done === true;
}

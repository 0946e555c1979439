/** Ticks that belong to a station, by mount. Words stand in the text layer. */
import { mountTraits } from '../../mount/mountKinds.ts';
import type { FirstSubCheck } from '../../records/checks.ts';
import type { Reading } from '../../records/reading.ts';
import { lastReading } from '../../history/nightRecords.ts';
import { rigHas, type RigParts, type RigThing } from '../../rig/rigHas.ts';

export const FIRST_SUB_LIST = 'beforeFirstSub';

/** What a rig needs to have for a check to be asked. */
const NEEDS: Partial<Record<FirstSubCheck, RigThing>> = {
  clutches: 'clutches',
  rate: 'motor',
  cables: 'motor',
  hemisphere: 'motor',
  parked: 'slew',
};

export function firstSubChecks(numbers: RigParts): readonly FirstSubCheck[] {
  const has = rigHas(numbers);
  return mountTraits(numbers.mount).checks.filter((check) => has.has(NEEDS[check] ?? 'mount'));
}

/** True when the item's last tick of the night says done. */
export function isTicked(readings: readonly Reading[], listId: string, itemId: string): boolean {
  const last = lastReading(readings, 'check', (r) => r.values.listId === listId && r.values.itemId === itemId);
  return last?.values.done === true;
}

/** A night's row as it lies in the database: whatever stands where its list should is kept beside what is written. */
import type { Reading } from '../core/records/reading.ts';
import { isObject } from '../core/records/loose.ts';

/** Its readings, each as it lies there, whole or spoiled: what is no list counts as what it holds, or as one spoiled reading.
 *  An empty place holds nothing. */
export function readingsIn(row: unknown): Reading[] {
  const held = isObject(row) ? row['readings'] : null;
  const list: unknown[] = Array.isArray(held) ? held : isObject(held) ? Object.values(held) : [held];
  return list.filter((one) => one !== null && one !== undefined) as Reading[];
}

/** Which reading it takes back, where that can still be read. */
export function takesBack({ kind, values }: Reading): string | null {
  const told: unknown = values;
  return kind === 'retract' && isObject(told) && typeof told['readingId'] === 'string' ? told['readingId'] : null;
}

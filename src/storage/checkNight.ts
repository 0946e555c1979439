/** A night's row as it was found, checked. */
import { nightReadingsSchema, readingSchema, type Reading } from '../core/records/reading.ts';
import { withoutDoubles } from '../core/records/upgrades.ts';
import { checkRows, type Damaged } from './checkRows.ts';

export type CheckedNight = { readings: readonly Reading[]; damaged: Damaged[]; doubles: number };

const listIn = (row: unknown): unknown[] =>
  typeof row === 'object' && row !== null && 'readings' in row && Array.isArray(row.readings) ? row.readings : [];

/** A damaged reading is named and left out, its neighbours are kept.
 *  @param seen ids of readings met before; lives as long as one reading of the whole table. */
export function checkNight(row: unknown, seen: Set<unknown> = new Set()): CheckedNight {
  const whole = nightReadingsSchema.safeParse(row);
  const { records, damaged } = whole.success
    ? { records: whole.data.readings, damaged: [] }
    : checkRows('nightReadings', readingSchema, listIn(row));
  const readings = withoutDoubles(records, seen) as Reading[];
  return { readings, damaged, doubles: records.length - readings.length };
}

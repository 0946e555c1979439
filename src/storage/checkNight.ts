/** A night's row as it was found, checked. */
import { nightReadingsSchema, readingSchema, type Reading } from '../core/records/reading.ts';
import { withoutDoubles } from '../core/records/upgrades.ts';
import { firstIssue } from '../core/records/issue.ts';
import { isObject, type Loose } from '../core/records/loose.ts';
import { checkRows, type Damaged } from './checkRows.ts';
import { readingsIn } from './nightRows.ts';

export type CheckedNight = { readings: readonly Reading[]; damaged: Damaged[]; doubles: number };

/** A row without any list: how much it held is not known. */
const emptied = (row: unknown): row is Loose => isObject(row) && (row['readings'] ?? null) === null;

/** A damaged reading is named and left out, its neighbours are kept.
 *  @param seen ids of readings met before; lives as long as one reading of the whole table. */
export function checkNight(row: unknown, seen: Set<unknown> = new Set()): CheckedNight {
  const whole = nightReadingsSchema.safeParse(row);
  const { records, damaged } = whole.success
    ? { records: whole.data.readings, damaged: [] }
    : checkRows('nightReadings', readingSchema, readingsIn(row));
  if (!whole.success && emptied(row))
    damaged.push({ table: 'nightReadings', id: String(row['nightId']), ...firstIssue(whole.error) });
  const readings = withoutDoubles(records, seen) as Reading[];
  return { readings, damaged, doubles: records.length - readings.length };
}

/** The readings of all nights as they are stored, validated, each night by itself. */
import type { ReadingsByNight } from '../core/night/readingIndex.ts';
import { nightReadingsSchema, readingSchema, type Reading } from '../core/records/reading.ts';
import { withoutDoubles } from '../core/records/upgrades.ts';
import { checkRows, type Checked, type Damaged } from './checkRows.ts';
import type { OwlDatabase } from './database.ts';
import { readTable, type TableReading } from './tableSource.ts';

export type StoredReadings = {
  byNight: ReadingsByNight;
  damaged: Damaged[];
  /** Readings that an earlier version stored once more than it should have; one of each counts. */
  doubles: number;
};

type Row = { readings: readonly Reading[]; damaged: Damaged[]; doubles: number };

const listIn = (row: unknown): unknown[] =>
  typeof row === 'object' && row !== null && 'readings' in row && Array.isArray(row.readings) ? row.readings : [];

/** A damaged reading is named and left out, its neighbours are kept. */
function checkRow(row: unknown, seen: Set<unknown>): Row {
  const whole = nightReadingsSchema.safeParse(row);
  const { records, damaged } = whole.success
    ? { records: whole.data.readings, damaged: [] }
    : checkRows('nightReadings', readingSchema, listIn(row));
  const readings = withoutDoubles(records, seen) as Reading[];
  return { readings, damaged, doubles: records.length - readings.length };
}

function gathered(rows: ReadonlyMap<string, Row>): StoredReadings {
  const all = [...rows.values()];
  return {
    byNight: new Map([...rows].map(([nightId, { readings }]) => [nightId, readings])),
    damaged: all.flatMap((row) => row.damaged),
    doubles: all.reduce((count, row) => count + row.doubles, 0),
  };
}

export const READINGS: TableReading<Row, StoredReadings> = {
  table: 'nightReadings',
  check: checkRow,
  gather: gathered,
};

/** Everything once, as one list: for files and copies. */
export async function readReadings(db: OwlDatabase): Promise<Checked<Reading> & { doubles: number }> {
  const { byNight, ...rest } = gathered(await readTable(db, READINGS));
  return { records: [...byNight.values()].flat(), ...rest };
}

/** Everything stored, validated: what the app derives from. */
import type { z } from 'zod';
import { nightReadingsSchema, readingSchema, type Reading } from '../core/records/reading.ts';
import { snapshotSchema, type Snapshot } from '../core/records/snapshot.ts';
import { withoutDoubles } from '../core/records/upgrades.ts';
import type { OwlDatabase } from './database.ts';
import { HEAD_SCHEMAS, type HeadRecord, type HeadTable } from '../core/records/heads.ts';
import { checkRows, type Checked, type Damaged } from './checkRows.ts';

export async function readHeads<T extends HeadTable>(db: OwlDatabase, table: T): Promise<Checked<HeadRecord<T>>> {
  // One generic table name stands for six schemas; TypeScript cannot follow the pairing, HEAD_SCHEMAS keeps it.
  const schema = HEAD_SCHEMAS[table] as unknown as z.ZodType<HeadRecord<T>>;
  return checkRows(table, schema, await db.heads(table).toArray());
}

export async function readSnapshots(db: OwlDatabase): Promise<Checked<Snapshot>> {
  return checkRows('snapshots', snapshotSchema, await db.snapshots.toArray());
}

/** Readings of all nights; a damaged reading is named and left out, its neighbours are kept. Of a reading that an earlier
 *  version stored twice one counts; `doubles` says how many more there are. */
export async function readReadings(db: OwlDatabase): Promise<Checked<Reading> & { doubles: number }> {
  const rows: unknown[] = await db.nightReadings.toArray();
  const records: Reading[] = [];
  const damaged: Damaged[] = [];
  for (const row of rows) {
    const whole = nightReadingsSchema.safeParse(row);
    if (whole.success) {
      records.push(...whole.data.readings);
      continue;
    }
    const inside =
      typeof row === 'object' && row !== null && 'readings' in row && Array.isArray(row.readings) ? row.readings : [];
    const single = checkRows('nightReadings', readingSchema, inside);
    records.push(...single.records);
    damaged.push(...single.damaged);
  }
  const once = withoutDoubles(records) as Reading[];
  return { records: once, damaged, doubles: records.length - once.length };
}

export async function isInitialised(db: OwlDatabase): Promise<boolean> {
  return (await db.meta.get('initialised')) !== undefined;
}

/** Everything stored, validated: what the app derives from. */
import type { z } from 'zod';
import { nightReadingsSchema, readingSchema, type Reading } from '../core/records/reading.ts';
import { snapshotSchema, type Snapshot } from '../core/records/snapshot.ts';
import type { OwlDatabase } from './database.ts';
import { HEAD_SCHEMAS, type HeadRecord, type HeadTable } from '../core/records/heads.ts';
import { checkRows, type Checked, type Damaged } from './heads.ts';

export async function readHeads<T extends HeadTable>(db: OwlDatabase, table: T): Promise<Checked<HeadRecord<T>>> {
  // One generic table name stands for six schemas; TypeScript cannot follow the pairing, HEAD_SCHEMAS keeps it.
  const schema = HEAD_SCHEMAS[table] as unknown as z.ZodType<HeadRecord<T>>;
  return checkRows(table, schema, await db.heads(table).toArray());
}

export async function readSnapshots(db: OwlDatabase): Promise<Checked<Snapshot>> {
  return checkRows('snapshots', snapshotSchema, await db.snapshots.toArray());
}

/** Readings of all nights; a damaged reading is named and left out, its neighbours are kept. */
export async function readReadings(db: OwlDatabase): Promise<Checked<Reading>> {
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
  return { records, damaged };
}

export async function isInitialised(db: OwlDatabase): Promise<boolean> {
  return (await db.meta.get('initialised')) !== undefined;
}

/** Everything stored, validated: what the app derives from. */
import type { z } from 'zod';
import { snapshotSchema, type Snapshot } from '../core/records/snapshot.ts';
import type { OwlDatabase } from './database.ts';
import { HEAD_SCHEMAS, type HeadRecord, type HeadTable } from '../core/records/heads.ts';
import { checkRows, type Checked } from './checkRows.ts';

export async function readHeads<T extends HeadTable>(db: OwlDatabase, table: T): Promise<Checked<HeadRecord<T>>> {
  // One generic table name stands for six schemas; TypeScript cannot follow the pairing, HEAD_SCHEMAS keeps it.
  const schema = HEAD_SCHEMAS[table] as unknown as z.ZodType<HeadRecord<T>>;
  return checkRows(table, schema, await db.heads(table).toArray());
}

export async function readSnapshots(db: OwlDatabase): Promise<Checked<Snapshot>> {
  return checkRows('snapshots', snapshotSchema, await db.snapshots.toArray());
}

export async function isInitialised(db: OwlDatabase): Promise<boolean> {
  return (await db.meta.get('initialised')) !== undefined;
}

/** Heads and snapshots as they are stored, validated: what the app derives from. */
import type { z } from 'zod';
import { HEAD_SCHEMAS, type HeadRecord, type HeadTable } from '../core/records/heads.ts';
import { snapshotSchema, type Snapshot } from '../core/records/snapshot.ts';
import { checkRows, type Checked } from './checkRows.ts';
import type { OwlDatabase } from './database.ts';
import { readTable, type TableReading } from './tableSource.ts';

type ById<T> = TableReading<Checked<T>, Checked<T>>;

/** Records in the order of their ids, whenever each was read. */
function gathered<T>(rows: ReadonlyMap<string, Checked<T>>): Checked<T> {
  const sorted = [...rows].sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)).map(([, row]) => row);
  return { records: sorted.flatMap((row) => row.records), damaged: sorted.flatMap((row) => row.damaged) };
}

const byId = <T>(table: string, schema: z.ZodType<T>): ById<T> => ({
  table,
  check: (row) => checkRows(table, schema, [row]),
  gather: gathered,
});

/** How the records of a table of heads are read. */
export function headsOf<T extends HeadTable>(table: T): ById<HeadRecord<T>> {
  // One generic table name stands for six schemas; TypeScript cannot follow the pairing, HEAD_SCHEMAS keeps it.
  return byId(table, HEAD_SCHEMAS[table] as unknown as z.ZodType<HeadRecord<T>>);
}

export const SNAPSHOTS: ById<Snapshot> = byId('snapshots', snapshotSchema);

export async function readHeads<T extends HeadTable>(db: OwlDatabase, table: T): Promise<Checked<HeadRecord<T>>> {
  return gathered(await readTable(db, headsOf(table)));
}

export async function readSnapshots(db: OwlDatabase): Promise<Checked<Snapshot>> {
  return gathered(await readTable(db, SNAPSHOTS));
}

export async function isInitialised(db: OwlDatabase): Promise<boolean> {
  return (await db.meta.get('initialised')) !== undefined;
}

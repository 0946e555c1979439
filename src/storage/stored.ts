/** Heads and snapshots as they are stored, validated: what the app derives from. */
import type { z } from 'zod';
import { HEAD_SCHEMAS, type HeadRecord, type HeadTable } from '../core/records/heads.ts';
import { snapshotSchema, type Snapshot } from '../core/records/snapshot.ts';
import { wholeSnapshot, type SnapshotsById, type StoredSnapshot } from '../core/history/storedSnapshot.ts';
import { checkRows, type Checked, type Damaged } from './checkRows.ts';
import type { OwlDatabase } from './database.ts';
import { digestedSnapshots } from './digests.ts';
import { rowsBy, wholeTable, type TableReading } from './tableSource.ts';

type ById<T> = TableReading<Checked<T>, Checked<T>>;

/** Records in the order of their ids, whenever each was read. */
function gathered<T>(rows: ReadonlyMap<string, Checked<T>>): Checked<T> {
  const sorted = [...rows].sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)).map(([, row]) => row);
  return { records: sorted.flatMap((row) => row.records), damaged: sorted.flatMap((row) => row.damaged) };
}

const byId = <T>(table: string, schema: z.ZodType<T>): ById<T> => ({
  table,
  ...rowsBy(table, (row) => checkRows(table, schema, [row])),
  gather: gathered,
});

/** How the records of a table of heads are read. */
export function headsOf<T extends HeadTable>(table: T): ById<HeadRecord<T>> {
  // One generic table name stands for six schemas; TypeScript cannot follow the pairing, HEAD_SCHEMAS keeps it.
  return byId(table, HEAD_SCHEMAS[table] as unknown as z.ZodType<HeadRecord<T>>);
}

type SnapshotRow = { snapshot: StoredSnapshot | null; damaged: Damaged[] };

async function snapshotRows(db: OwlDatabase, ids: readonly string[]): Promise<Map<string, SnapshotRow>> {
  const found = await db.snapshots.bulkGet([...ids]);
  return new Map(
    ids.flatMap((id, i) => {
      if (found[i] === undefined) return [];
      const { records, damaged } = checkRows('snapshots', snapshotSchema, [found[i]]);
      return [[id, { snapshot: records[0] ? wholeSnapshot(records[0]) : null, damaged }] as const];
    }),
  );
}

async function allSnapshots(db: OwlDatabase): Promise<Map<string, SnapshotRow>> {
  const [digested, ids] = await Promise.all([digestedSnapshots(db), db.snapshots.toCollection().primaryKeys()]);
  const rows = await snapshotRows(
    db,
    ids.filter((id) => !digested.has(id)),
  );
  for (const [id, snapshot] of digested) rows.set(id, { snapshot, damaged: [] });
  return rows;
}

export type StoredSnapshots = { byId: SnapshotsById; damaged: Damaged[] };

/** Whole for those that are new, put away small for the others. */
export const SNAPSHOTS: TableReading<SnapshotRow, StoredSnapshots> = {
  table: 'snapshots',
  readAll: allSnapshots,
  readRows: snapshotRows,
  gather: (rows) => ({
    byId: new Map([...rows].flatMap(([id, { snapshot }]) => (snapshot ? [[id, snapshot] as const] : []))),
    damaged: [...rows.values()].flatMap((row) => row.damaged),
  }),
};

export async function readHeads<T extends HeadTable>(db: OwlDatabase, table: T): Promise<Checked<HeadRecord<T>>> {
  return gathered(await headsOf(table).readAll(db));
}

/** Everything once, in the order of the ids: for files and copies. */
export async function readSnapshots(db: OwlDatabase): Promise<Checked<Snapshot>> {
  return gathered(await wholeTable(db, 'snapshots', (row) => checkRows('snapshots', snapshotSchema, [row])));
}

export async function isInitialised(db: OwlDatabase): Promise<boolean> {
  return (await db.meta.get('initialised')) !== undefined;
}

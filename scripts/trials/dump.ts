/** The whole database as one value, and back: for trials and tests that compare states. */
import type { OwlDatabase } from '../../src/storage/database.ts';
import { RECORD_TABLES } from '../../src/storage/rows.ts';

export type Dump = Record<string, unknown[]>;

export async function dumpOf(db: OwlDatabase): Promise<Dump> {
  const dump: Dump = {};
  for (const name of RECORD_TABLES) dump[name] = await db.table(name).toArray();
  return dump;
}

export async function restoreDump(db: OwlDatabase, dump: Dump): Promise<void> {
  for (const name of RECORD_TABLES) {
    await db.table(name).clear();
    await db.table(name).bulkPut(dump[name] ?? []);
  }
}

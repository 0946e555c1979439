/** The whole database as one value, and back: what undoing an import, a replacement or a wipe needs. */
import type { Dump } from './changes.ts';
import type { OwlDatabase } from './database.ts';
import { HEAD_TABLES } from '../core/records/heads.ts';

const TABLES = [...HEAD_TABLES, 'snapshots', 'nightReadings', 'blobs', 'lineage'];

/** All rows. Runs inside the caller's transaction. */
export async function dumpOf(db: OwlDatabase): Promise<Dump> {
  const dump: Dump = {};
  for (const name of TABLES) dump[name] = await db.table(name).toArray();
  return dump;
}

export async function restoreDump(db: OwlDatabase, dump: Dump): Promise<void> {
  for (const name of TABLES) {
    await db.table(name).clear();
    await db.table(name).bulkPut(dump[name] ?? []);
  }
}

/** A text that differs whenever a record was added, removed or edited: heads by id and revision, readings by id. */
export async function printOf(db: OwlDatabase): Promise<string> {
  const heads = await Promise.all(
    HEAD_TABLES.map(async (table) => (await db.heads(table).toArray()).map((r) => `${r.id}@${r.rev}`).join(' ')),
  );
  const rows = await db.nightReadings.toArray();
  const readings = rows.map((row) => `${row.nightId}:${row.readings.map((r) => r.id).join(' ')}`);
  return [...heads, ...readings].join('\n');
}

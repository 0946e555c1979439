/** Asking the list of changes: which one undo takes back next, and which one removed a record. */
import { changesOf } from './changeLog.ts';
import type { Change, StoredChange } from './changes.ts';
import type { OwlDatabase } from './database.ts';

/** A tab's last change that can be taken back. */
export async function lastChange(db: OwlDatabase, tabId: string): Promise<StoredChange | undefined> {
  return changesOf(db, tabId)
    .reverse()
    .filter((c) => !c.refused)
    .first();
}

/** The latest change, of any tab, that removed a record; undefined when none is known any more. */
export async function removalOf(db: OwlDatabase, table: string, id: string): Promise<StoredChange | undefined> {
  const rows = await db.changedRows.where('[table+key]').equals([table, id]).toArray();
  const wholes = new Set(rows.filter((r) => r.afterPrint === null).map((r) => r.changeId));
  const removes = (change: Change): boolean =>
    change.type === 'head' && change.table === table && change.after.id === id && change.after.deletedAtUtc !== null;
  const all = await db.changes.filter((c) => !c.refused && (wholes.has(c.id) || c.changes.some(removes))).toArray();
  return all.sort((a, b) => a.seq - b.seq).at(-1);
}

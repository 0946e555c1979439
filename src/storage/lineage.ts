/** Which earlier contents a record has had on this device: tells an older version of ours from a change of theirs when
 *  records are merged. Kept beside the records, so that the records themselves stay small. */
import { LONGEST_LINEAGE } from '../formats/backup.ts';
import { contentFingerprint } from './content.ts';
import type { Lineage, OwlDatabase } from './database.ts';
import type { HeadTable } from '../core/records/heads.ts';

export const lineageKey = (table: HeadTable, id: string): string => `${table}/${id}`;

/** The earlier contents of a record with the one it is about to lose. Runs inside the caller's transaction. */
export async function contentsWith(db: OwlDatabase, table: HeadTable, before: { id: string }): Promise<Lineage> {
  const key = lineageKey(table, before.id);
  const known = (await db.lineage.get(key))?.earlier ?? [];
  const print = contentFingerprint(before);
  return { key, earlier: [...known.filter((p) => p !== print), print].slice(-LONGEST_LINEAGE) };
}

/** Notes the content that a record is about to lose. Runs inside the caller's transaction. */
export async function rememberContent(db: OwlDatabase, table: HeadTable, before: { id: string }): Promise<void> {
  await db.lineage.put(await contentsWith(db, table, before));
}

/** Which earlier contents a record has had on this device: tells an older version of ours from a change of theirs when
 *  records are merged. Kept beside the records, so that the records themselves stay small. */
import { LONGEST_LINEAGE } from '../formats/backup.ts';
import { contentFingerprint } from './content.ts';
import type { OwlDatabase } from './database.ts';
import type { HeadTable } from '../core/records/heads.ts';

export const lineageKey = (table: HeadTable, id: string): string => `${table}/${id}`;

/** Notes the content that a record is about to lose. Runs inside the caller's transaction. */
export async function rememberContent(db: OwlDatabase, table: HeadTable, before: { id: string }): Promise<void> {
  const key = lineageKey(table, before.id);
  const known = (await db.lineage.get(key))?.earlier ?? [];
  const print = contentFingerprint(before);
  const earlier = [...known.filter((p) => p !== print), print].slice(-LONGEST_LINEAGE);
  await db.lineage.put({ key, earlier });
}

/** Several new records of different kinds: all of them or none, and one step to undo. */
import { ok } from '../core/result.ts';
import type { HeadTable } from '../core/records/heads.ts';
import { logChange } from './changeLog.ts';
import type { HeadChange } from './changes.ts';
import { newHead, validated } from './heads.ts';
import { transact, type Written } from './transact.ts';
import type { Writer } from './writer.ts';

export type NewRecord = { table: HeadTable; id: string; body: object };

/** Validates every record first; the first bad one is named and nothing is written. Answers how many were written.
 *  @param name what undo calls it. */
export function createTogether(w: Writer, name: string, records: readonly NewRecord[]): Written<number> {
  return transact(
    w,
    ({ changes }) => ok(changes.length),
    async () => {
      const changes: HeadChange[] = [];
      for (const { table, id, body } of records) {
        const made = validated(table, { ...newHead(w, id), ...body });
        if (!made.ok) return made;
        changes.push({ type: 'head', table, before: null, after: made.value } as HeadChange);
      }
      for (const { table, after } of changes) await w.db.heads(table).put(after);
      await logChange(w, 'created', name, changes);
      return ok(changes.length);
    },
  );
}

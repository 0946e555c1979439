/** Several records of different kinds, new or changed: all of them or none, and one step to undo. */
import { ok, refuse, type Result } from '../core/result.ts';
import type { HeadRecord, HeadTable } from '../core/records/heads.ts';
import { logChange } from './changeLog.ts';
import type { HeadChange } from './changes.ts';
import { nameOf, newHead, nextRevision, validated } from './heads.ts';
import { rememberContent } from './lineage.ts';
import { transact, type WriteCode, type Written } from './transact.ts';
import type { Writer } from './writer.ts';

export type NewRecord = { table: HeadTable; id: string; body: object };
/** @param baseRev the revision the editor started from. */
export type ChangedRecord = { table: HeadTable; id: string; patch: object; baseRev: number };

/** What comes back under the id of a deleted one counts on from its tombstone, so that other devices see the newer. */
const onFrom = (before: HeadRecord<HeadTable> | null): object =>
  before ? { rev: before.rev + 1, createdAtUtc: before.createdAtUtc } : {};

async function changeOf(w: Writer, record: NewRecord | ChangedRecord): Promise<Result<HeadChange, WriteCode>> {
  const { table, id } = record;
  const before: HeadRecord<HeadTable> | null = (await w.db.heads(table).get(id)) ?? null;
  if ('patch' in record) {
    if (before === null) return refuse('missingRecord', { id });
    if (before.rev !== record.baseRev) return refuse('changedElsewhere', { name: nameOf(before) });
  }
  const after =
    before && 'patch' in record
      ? nextRevision(w, table, before, record.patch)
      : validated(table, { ...newHead(w, id), ...('body' in record ? record.body : {}), ...onFrom(before) });
  return after.ok ? ok({ type: 'head', table, before, after: after.value } as HeadChange) : after;
}

/** Validates every record first; the first bad one is named and nothing is written. Answers how many were written.
 *  @param name what undo calls it. */
export function writeTogether(
  w: Writer,
  name: string,
  records: readonly (NewRecord | ChangedRecord)[],
): Written<number> {
  return transact(
    w,
    ({ changes }) => ok(changes.length),
    async () => {
      const changes: HeadChange[] = [];
      for (const record of records) {
        const change = await changeOf(w, record);
        if (!change.ok) return change;
        changes.push(change.value);
      }
      for (const { table, before, after } of changes) {
        if (before) await rememberContent(w.db, table, before);
        await w.db.heads(table).put(after);
      }
      await logChange(w, records.some((r) => 'patch' in r) ? 'edited' : 'created', name, changes);
      return ok(changes.length);
    },
  );
}

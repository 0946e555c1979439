/** Taking changes back. What was changed elsewhere since is refused and marked, so that older changes can still be taken
 *  back; all of a change goes back, or nothing of it. */
import { ok, refuse, type Result } from '../core/result.ts';
import { toUtcText } from '../core/time/utc.ts';
import { forgetChanges, rowsOf } from './changeLog.ts';
import type { Change, HeadChange, StoredChange } from './changes.ts';
import { contentOf } from './content.ts';
import { lastChange } from './knownChanges.ts';
import { nameOf } from './heads.ts';
import { rememberContent } from './lineage.ts';
import { appendRetraction, isStored } from './readings.ts';
import { changedSince, restoreRows } from './rows.ts';
import { leftUsed, usersIn, type SetBack } from './users.ts';
import { transact, type WriteCode, type Written } from './transact.ts';
import type { Writer } from './writer.ts';

/** Why a change cannot be taken back; null = it can. Undoing writes new revisions itself, so content and not the revision
 *  tells whether someone else changed a record since. */
async function hindrance(w: Writer, change: Change, changeId: string): Promise<string | null> {
  // What is no longer there is not taken back: nothing may speak of it.
  if (change.type === 'reading') return (await isStored(w.db, change.reading)) ? null : '';
  if (change.type === 'rows') {
    const changed = await changedSince(w.db, await rowsOf(w.db, changeId));
    return changed && (nameOf(changed.before ?? {}) || changed.key);
  }
  const current = await w.db.heads(change.table).get(change.after.id);
  return current && contentOf(current) === contentOf(change.after) ? null : nameOf(change.after);
}

const REFERRED_TO = new Set<string>(['parts', 'rigs', 'sites', 'targets']);

/** Who refers since to what this change brought, and would be left without it; null = nobody. */
async function userLeft(w: Writer, { changes, id }: StoredChange): Promise<string | null> {
  const heads = changes.filter((one) => one.type === 'head');
  const rows = changes.some((one) => one.type === 'rows') ? await rowsOf(w.db, id) : [];
  const back: SetBack[] = [...heads.map(({ table, before, after }) => ({ table, key: after.id, before })), ...rows];
  return back.some(({ table }) => REFERRED_TO.has(table)) ? leftUsed(await usersIn(w.db), back) : null;
}

async function undoHead(w: Writer, { table, before, after }: HeadChange): Promise<void> {
  const current = await w.db.heads(table).get(after.id);
  const now = toUtcText(w.nowMs());
  const next = { rev: (current ?? after).rev + 1, updatedAtUtc: now };
  if (current) await rememberContent(w.db, table, current);
  await w.db.table(table).put(before ? { ...before, ...next } : { ...after, ...next, deletedAtUtc: now });
}

async function undoOne(w: Writer, change: Change, changeId: string): Promise<void> {
  if (change.type === 'rows') await restoreRows(w.db, await rowsOf(w.db, changeId));
  else if (change.type === 'head') await undoHead(w, change);
  else await appendRetraction(w, change.reading);
}

/** Runs inside the caller's transaction. */
async function undo(w: Writer, stored: StoredChange): Promise<Result<StoredChange, WriteCode>> {
  for (const change of stored.changes) {
    const name = await hindrance(w, change, stored.id);
    if (name === null) continue;
    await w.db.changes.put({ ...stored, refused: true });
    return refuse('changedElsewhere', { name, undo: 1 });
  }
  const user = await userLeft(w, stored);
  if (user !== null) {
    await w.db.changes.put({ ...stored, refused: true });
    return refuse('stillUsed', { name: user, undo: 1 });
  }
  for (const change of [...stored.changes].reverse()) await undoOne(w, change, stored.id);
  await forgetChanges(w.db, [stored.id]);
  return ok(stored);
}

/** Takes back this tab's last change. */
export function undoLast(w: Writer): Written<StoredChange> {
  return transact(w, ok, async () => {
    const last = await lastChange(w.db, w.tabId);
    return last ? undo(w, last) : refuse('nothingToUndo');
  });
}

/** Takes back one change of any tab: the way back for what another tab removed. */
export function undoChange(w: Writer, id: string): Written<StoredChange> {
  return transact(w, ok, async () => {
    const found = await w.db.changes.get(id);
    return found ? undo(w, found) : refuse('nothingToUndo');
  });
}

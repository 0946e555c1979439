/** Creating, editing, copying and deleting the records that carry a head. */
import { ok, refuse, type Result } from '../core/result.ts';
import { headShape } from '../core/records/common.ts';
import { firstIssue } from '../core/records/issue.ts';
import { HEAD_SCHEMAS, type HeadRecord, type HeadTable } from '../core/records/heads.ts';
import { toUtcText } from '../core/time/utc.ts';
import { logChange } from './changeLog.ts';
import type { ChangeLabel, HeadChange, StoredChange } from './changes.ts';
import { contentOf } from './content.ts';
import { rememberContent } from './lineage.ts';
import { userOf, usersIn } from './users.ts';
import { transact, type WriteCode, type Written } from './transact.ts';
import type { Writer } from './writer.ts';

/** What a form edits of a record: its own fields and the note. */
export function withoutHead(record: { note: string }): Record<string, unknown> {
  const own = Object.entries(record).filter(([key]) => !(key in headShape));
  return { ...Object.fromEntries(own), note: record.note };
}

/** A record without its head: what a form yields. Distributes over unions of kinds. */
export type Body<R> = R extends unknown ? Omit<R, keyof HeadKeys> : never;
type HeadKeys = Record<
  'id' | 'rev' | 'deviceId' | 'createdAtUtc' | 'updatedAtUtc' | 'deletedAtUtc' | 'origin' | 'archived' | 'note',
  unknown
>;

export function validated<T extends HeadTable>(table: T, candidate: unknown): Result<HeadRecord<T>, WriteCode> {
  const parsed = HEAD_SCHEMAS[table].safeParse(candidate);
  return parsed.success ? ok(parsed.data as HeadRecord<T>) : refuse('invalidRecord', firstIssue(parsed.error));
}

export function nameOf(record: object): string {
  if ('name' in record && typeof record.name === 'string') return record.name;
  if ('eveningDate' in record && typeof record.eveningDate === 'string') return record.eveningDate;
  return 'key' in record && typeof record.key === 'string' ? record.key : '';
}

/** The record that an earlier press left. */
const leftBy =
  <T extends HeadTable>(table: T) =>
  (earlier: StoredChange): Result<HeadRecord<T>, WriteCode> => {
    const change = earlier.changes.find((one) => one.type === 'head' && one.table === table);
    return change?.type === 'head' ? ok(change.after as HeadRecord<T>) : refuse('missingRecord');
  };

/** The head of a record that is made now. */
export function newHead(w: Writer, id: string) {
  const now = toUtcText(w.nowMs());
  return {
    id,
    rev: 1,
    deviceId: w.deviceId,
    createdAtUtc: now,
    updatedAtUtc: now,
    deletedAtUtc: null,
    origin: 'user',
    archived: false,
    note: '',
  };
}

/** Puts a new record. Runs inside the caller's transaction. */
export async function putNew<T extends HeadTable>(
  w: Writer,
  table: T,
  body: object,
  id: string,
): Written<HeadRecord<T>> {
  const made = validated(table, { ...newHead(w, id), ...body });
  if (!made.ok) return made;
  await w.db.heads(table).put(made.value);
  await logChange(w, table === 'settings' ? 'setting' : 'created', nameOf(made.value), [
    { type: 'head', table, before: null, after: made.value } as HeadChange,
  ]);
  return made;
}

/** The next revision of a record. A shipped demo record becomes the user's own. */
export function nextRevision<T extends HeadTable>(
  w: Writer,
  table: T,
  before: HeadRecord<T>,
  patch: object,
): Result<HeadRecord<T>, WriteCode> {
  return validated(table, {
    ...before,
    ...patch,
    rev: before.rev + 1,
    deviceId: w.deviceId,
    updatedAtUtc: toUtcText(w.nowMs()),
    origin: before.origin === 'demo' ? 'user' : before.origin,
  });
}

/** Puts the next revision of a record; what changes nothing writes nothing. Runs inside the caller's transaction. */
export async function putChanged<T extends HeadTable>(
  w: Writer,
  table: T,
  before: HeadRecord<T>,
  patch: object,
  label: ChangeLabel,
): Written<HeadRecord<T>> {
  const after = nextRevision(w, table, before, patch);
  if (!after.ok) return after;
  if (contentOf(after.value) === contentOf(before)) return ok(before);
  await rememberContent(w.db, table, before);
  await w.db.heads(table).put(after.value);
  await logChange(w, label, nameOf(after.value), [{ type: 'head', table, before, after: after.value } as HeadChange]);
  return after;
}

/** Creates a record. */
export function createHead<T extends HeadTable>(
  w: Writer,
  table: T,
  body: Body<HeadRecord<T>>,
): Written<HeadRecord<T>> {
  return transact(w, leftBy(table), () => putNew(w, table, body, w.newId()));
}

/** A copy of a record under another name, with a head of its own. */
export function copyHead<T extends HeadTable>(w: Writer, table: T, id: string, name: string): Written<HeadRecord<T>> {
  return transact(w, leftBy(table), async () => {
    const found = await w.db.heads(table).get(id);
    if (!found) return refuse('missingRecord', { id });
    return putNew(w, table, { ...withoutHead(found), name }, w.newId());
  });
}

/** Edits a record: `patch` over what is stored now. A shipped demo record becomes the user's own.
 *  @param baseRev the revision the editor started from; another one now = changed elsewhere, nothing is written. */
export function updateHead<T extends HeadTable>(
  w: Writer,
  table: T,
  id: string,
  patch: Partial<HeadRecord<T>> | Body<HeadRecord<T>>,
  options: { baseRev?: number; label?: ChangeLabel } = {},
): Written<HeadRecord<T>> {
  return transact(w, leftBy(table), async () => {
    const before = await w.db.heads(table).get(id);
    if (!before) return refuse('missingRecord', { id });
    if (options.baseRev !== undefined && before.rev !== options.baseRev)
      return refuse('changedElsewhere', { name: nameOf(before) });
    return putChanged(w, table, before, patch, options.label ?? 'edited');
  });
}

/** Deletes a record as a tombstone, which undo lifts. What a rig or night still uses is refused with its name. */
export function deleteHead(w: Writer, table: HeadTable, id: string): Written<unknown> {
  return transact<unknown>(w, leftBy(table), async () => {
    const user = userOf(await usersIn(w.db), table, id);
    if (user !== null) return refuse('stillUsed', { name: user });
    const before = await w.db.heads(table).get(id);
    if (!before) return refuse('missingRecord', { id });
    if (before.deletedAtUtc !== null) return ok(before);
    return putChanged(w, table, before, { deletedAtUtc: toUtcText(w.nowMs()) }, 'deleted');
  });
}

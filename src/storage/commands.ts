/** Everything that writes. Each command is one read-modify-write transaction and leaves its inverse in `changes`. */
import { ok, refuse, type Result } from '../core/result.ts';
import { headShape } from '../core/records/common.ts';
import { readingSchema, type Reading } from '../core/records/reading.ts';
import { partIdsOfRig } from '../core/night/rigState.ts';
import { toUtcText } from '../core/time/utc.ts';
import { contentOf } from './content.ts';
import { rememberContent } from './lineage.ts';
import {
  CHANGES_KEPT,
  type Change,
  type ChangeLabel,
  type HeadChange,
  type StoredChange,
  type WholeChange,
} from './changes.ts';
import { NO_NIGHT } from './database.ts';
import { HEAD_SCHEMAS, HEAD_TABLES, type HeadRecord, type HeadTable } from '../core/records/heads.ts';
import { snapshotFor } from './snapshots.ts';
import { printOf, restoreDump } from './whole.ts';
import type { Writer } from './writer.ts';

/** A record without its head: what a form yields. Distributes over unions of kinds. */
export type Body<R> = R extends unknown ? Omit<R, keyof HeadKeys> : never;
type HeadKeys = Record<
  'id' | 'rev' | 'deviceId' | 'createdAtUtc' | 'updatedAtUtc' | 'deletedAtUtc' | 'origin' | 'archived' | 'note',
  unknown
>;
/** A reading without what the writer adds. */
export type NewReading = Reading extends infer R
  ? R extends Reading
    ? Omit<R, 'id' | 'deviceId' | 'snapshotId' | 'recordedAtUtc'>
    : never
  : never;

export type WriteCode =
  'invalidRecord' | 'changedElsewhere' | 'missingRecord' | 'nothingToUndo' | 'stillUsed' | 'undecided';
export type Written<T> = Promise<Result<T, WriteCode>>;

export const ALL_TABLES = [...HEAD_TABLES, 'snapshots', 'nightReadings', 'blobs', 'changes', 'meta', 'lineage'];

/** Keeps a change for undo. Runs inside the caller's transaction. */
export async function logChange(w: Writer, label: ChangeLabel, name: string, changes: Change[]): Promise<void> {
  const stored: StoredChange = { id: w.newId(), tabId: w.tabId, atUtc: toUtcText(w.nowMs()), label, name, changes };
  await w.db.changes.put(stored);
  const mine = await w.db.changes.where('tabId').equals(w.tabId).primaryKeys();
  if (mine.length > CHANGES_KEPT) await w.db.changes.bulkDelete(mine.sort().slice(0, mine.length - CHANGES_KEPT));
}

function validated<T extends HeadTable>(table: T, candidate: unknown): Result<HeadRecord<T>, WriteCode> {
  const parsed = HEAD_SCHEMAS[table].safeParse(candidate);
  if (parsed.success) return ok(parsed.data as HeadRecord<T>);
  const issue = parsed.error.issues[0];
  return refuse('invalidRecord', { where: issue?.path.join('.') ?? '', what: issue?.message ?? '' });
}

function nameOf(record: object): string {
  if ('name' in record && typeof record.name === 'string') return record.name;
  if ('eveningDate' in record && typeof record.eveningDate === 'string') return record.eveningDate;
  return 'key' in record && typeof record.key === 'string' ? record.key : '';
}

/** Creates a record. `id`: for records that must be the same on every device. */
export async function createHead<T extends HeadTable>(
  w: Writer,
  table: T,
  body: Body<HeadRecord<T>>,
  id = w.newId(),
): Written<HeadRecord<T>> {
  const now = toUtcText(w.nowMs());
  const head = {
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
  const made = validated(table, { ...head, ...body });
  if (!made.ok) return made;
  return w.db.transaction('rw', ALL_TABLES, async () => {
    await w.db.heads(table).put(made.value);
    await logChange(w, table === 'settings' ? 'setting' : 'created', nameOf(made.value), [
      { type: 'head', table, before: null, after: made.value } as HeadChange,
    ]);
    return made;
  });
}

/** A copy of a record under another name, with a head of its own. */
export async function copyHead<T extends HeadTable>(
  w: Writer,
  table: T,
  id: string,
  name: string,
): Written<HeadRecord<T>> {
  const found = await w.db.heads(table).get(id);
  if (!found) return refuse('missingRecord', { id });
  const body = Object.fromEntries(Object.entries(found).filter(([key]) => !(key in headShape)));
  return createHead(w, table, { ...body, note: found.note, name } as unknown as Body<HeadRecord<T>>);
}

/** Edits a record: `patch` over what is stored now. A shipped demo record becomes the user's own.
 *  @param baseRev the revision the editor started from; another one now = changed elsewhere, nothing is written. */
export async function updateHead<T extends HeadTable>(
  w: Writer,
  table: T,
  id: string,
  patch: Partial<HeadRecord<T>> | Body<HeadRecord<T>>,
  options: { baseRev?: number; label?: ChangeLabel } = {},
): Written<HeadRecord<T>> {
  return w.db.transaction('rw', ALL_TABLES, async () => {
    const before = await w.db.heads(table).get(id);
    if (!before) return refuse('missingRecord', { id });
    if (options.baseRev !== undefined && before.rev !== options.baseRev)
      return refuse('changedElsewhere', { name: nameOf(before) });
    const after = validated(table, {
      ...before,
      ...patch,
      rev: before.rev + 1,
      deviceId: w.deviceId,
      updatedAtUtc: toUtcText(w.nowMs()),
      origin: before.origin === 'demo' ? 'user' : before.origin,
    });
    if (!after.ok) return after;
    await rememberContent(w.db, table, before);
    await w.db.heads(table).put(after.value);
    await logChange(w, options.label ?? 'edited', nameOf(after.value), [
      { type: 'head', table, before, after: after.value } as HeadChange,
    ]);
    return after;
  });
}

/** True when a living rig or night still refers to the record. */
async function isUsed(w: Writer, table: HeadTable, id: string): Promise<string | null> {
  const rigs = (await w.db.heads('rigs').toArray()).filter((r) => r.deletedAtUtc === null);
  const nights = (await w.db.heads('nights').toArray()).filter((n) => n.deletedAtUtc === null);
  if (table === 'parts') {
    const holds = rigs.find((r) => partIdsOfRig(r).includes(id));
    return holds?.name ?? null;
  }
  const night = nights.find((n) => n.rigId === id || n.siteId === id || n.plan.some((p) => p.targetId === id));
  return night?.eveningDate ?? null;
}

/** Deletes a record as a tombstone, which undo lifts. What a rig or night still uses is refused with its name. */
export async function deleteHead(w: Writer, table: HeadTable, id: string): Written<unknown> {
  const user = await isUsed(w, table, id);
  if (user !== null) return refuse('stillUsed', { name: user });
  return updateHead(w, table, id, { deletedAtUtc: toUtcText(w.nowMs()) }, { label: 'deleted' });
}

async function appendReading(w: Writer, reading: Reading): Promise<void> {
  const nightId = reading.nightId ?? NO_NIGHT;
  const row = await w.db.nightReadings.get(nightId);
  await w.db.nightReadings.put({ nightId, readings: [...(row?.readings ?? []), reading] });
}

function checkedReading(candidate: unknown): Result<Reading, WriteCode> {
  const parsed = readingSchema.safeParse(candidate);
  if (parsed.success) return ok(parsed.data);
  const issue = parsed.error.issues[0];
  return refuse('invalidRecord', { where: issue?.path.join('.') ?? '', what: issue?.message ?? '' });
}

/** Records what was measured, with a snapshot of rig, parts and site when they changed since the last one. */
export async function recordReading(w: Writer, given: NewReading): Written<Reading> {
  const written = await recordReadings(w, [given]);
  const first = written.ok ? written.value[0] : undefined;
  return written.ok && first ? ok(first) : (written as Extract<typeof written, { ok: false }>);
}

/** Records what belongs together as one change: all of it is kept, or nothing, and undo takes all of it back. */
export async function recordReadings(w: Writer, given: readonly NewReading[]): Written<Reading[]> {
  return w.db.transaction('rw', ALL_TABLES, async () => {
    const nightId = given[0]?.nightId ?? null;
    const snapshot = await snapshotFor(w, nightId);
    if (!snapshot) return refuse('missingRecord', { id: nightId ?? '' });
    const head = { deviceId: w.deviceId, snapshotId: snapshot.id, recordedAtUtc: toUtcText(w.nowMs()) };
    const parsed = given.map((one) => checkedReading({ ...one, id: w.newId(), ...head }));
    const bad = parsed.find((one) => !one.ok);
    if (bad) return bad;
    const readings = parsed.flatMap((one) => (one.ok ? [one.value] : []));
    for (const reading of readings) await appendReading(w, reading);
    const changes = readings.map((reading): Change => ({ type: 'reading', reading }));
    await logChange(w, 'recorded', readings[0]?.kind ?? '', changes);
    return ok(readings);
  });
}

async function undoHead(w: Writer, change: HeadChange): Promise<Result<null, WriteCode>> {
  const { table, before, after } = change;
  const current = await w.db.heads(table).get(after.id);
  // Undoing writes new revisions itself, so content and not the revision tells whether someone else changed it since.
  if (!current || contentOf(current) !== contentOf(after)) return refuse('changedElsewhere', { name: nameOf(after) });
  const now = toUtcText(w.nowMs());
  const restored = before
    ? { ...before, rev: current.rev + 1, updatedAtUtc: now }
    : { ...current, rev: current.rev + 1, deletedAtUtc: now, updatedAtUtc: now };
  await rememberContent(w.db, table, current);
  await w.db.table(table).put(restored);
  return ok(null);
}

/** Adds the reading that takes another one back. Runs inside the caller's transaction. */
async function appendRetraction(w: Writer, reading: Reading): Promise<Reading> {
  const now = toUtcText(w.nowMs());
  const retract = {
    ...reading,
    id: w.newId(),
    kind: 'retract' as const,
    values: { readingId: reading.id },
    takenAtUtc: now,
    recordedAtUtc: now,
    note: '',
  };
  await appendReading(w, retract);
  return retract;
}

async function undoReading(w: Writer, { reading }: { reading: Reading }): Promise<Result<null, WriteCode>> {
  await appendRetraction(w, reading);
  return ok(null);
}

/** Takes a reading back; undo brings it back. */
export async function retractReading(w: Writer, reading: Reading): Written<null> {
  return w.db.transaction('rw', ALL_TABLES, async () => {
    const retraction = await appendRetraction(w, reading);
    await logChange(w, 'retracted', reading.kind, [{ type: 'reading', reading: retraction }]);
    return ok(null);
  });
}

async function undoWhole(w: Writer, change: WholeChange): Promise<Result<null, WriteCode>> {
  if ((await printOf(w.db)) !== change.afterPrint) return refuse('changedElsewhere', { name: 'Something here' });
  await restoreDump(w.db, change.before);
  return ok(null);
}

function undoOne(w: Writer, change: Change): Promise<Result<null, WriteCode>> {
  if (change.type === 'whole') return undoWhole(w, change);
  return change.type === 'head' ? undoHead(w, change) : undoReading(w, change);
}

/** Takes back this tab's last change. What was changed elsewhere since is refused; its entry stays in the list. */
export async function undoLast(w: Writer): Written<StoredChange> {
  return w.db.transaction('rw', ALL_TABLES, async () => {
    const mine = await w.db.changes.where('tabId').equals(w.tabId).sortBy('id');
    const last = mine.at(-1);
    if (!last) return refuse('nothingToUndo');
    for (const change of [...last.changes].reverse()) {
      const undone = await undoOne(w, change);
      if (!undone.ok) return undone;
    }
    await w.db.changes.delete(last.id);
    return ok(last);
  });
}

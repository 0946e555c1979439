/** Recording what was measured and taking it back. Readings never change; they are packed one row per night. */
import { ok, refuse, type Result } from '../core/result.ts';
import { firstIssue } from '../core/records/issue.ts';
import { NO_NIGHT, readingSchema, type Reading } from '../core/records/reading.ts';
import { isTakenBack } from '../core/history/standing.ts';
import { toUtcText } from '../core/time/utc.ts';
import { logChange, nextSeqs } from './changeLog.ts';
import type { Change, StoredChange } from './changes.ts';
import type { OwlDatabase } from './database.ts';
import { checkNight } from './checkNight.ts';
import { readingsIn } from './nightRows.ts';
import { snapshotFor } from './snapshots.ts';
import { transact, type WriteCode, type Written } from './transact.ts';
import type { Writer } from './writer.ts';

/** A reading without what the writer adds. */
export type NewReading = Reading extends infer R
  ? R extends Reading
    ? Omit<R, 'id' | 'deviceId' | 'snapshotId' | 'recordedAtUtc' | 'seq'>
    : never
  : never;

/** The rows of nights with some readings more, joined by id: one that is there already is not put twice, one that is there
 *  damaged gives way to its mended self. Runs inside the caller's transaction. */
export async function rowsWith(db: OwlDatabase, readings: readonly Reading[]) {
  const byNight = new Map<string, Reading[]>();
  for (const reading of readings) {
    const nightId = reading.nightId ?? NO_NIGHT;
    const night = byNight.get(nightId);
    if (night) night.push(reading);
    else byNight.set(nightId, [reading]);
  }
  const stored = await db.nightReadings.bulkGet([...byNight.keys()]);
  const rows = [];
  for (const [i, [nightId, added]] of [...byNight].entries()) {
    const ids = new Set(added.map((r) => r.id));
    const there = readingsIn(stored[i]).filter((r) => !ids.has(r.id) || readingSchema.safeParse(r).success);
    const seen = new Set(there.map((r) => r.id));
    const fresh = added.filter((r) => !seen.has(r.id) && seen.add(r.id));
    if (fresh.length > 0) rows.push({ nightId, readings: [...there, ...fresh] });
  }
  return rows;
}

async function append(w: Writer, readings: readonly Reading[]): Promise<void> {
  await w.db.nightReadings.bulkPut(await rowsWith(w.db, readings));
}

function checked(candidate: unknown): Result<Reading, WriteCode> {
  const parsed = readingSchema.safeParse(candidate);
  return parsed.success ? ok(parsed.data) : refuse('invalidRecord', firstIssue(parsed.error));
}

const recordedBy = ({ changes }: StoredChange): Result<Reading[], WriteCode> =>
  ok(changes.flatMap((one) => (one.type === 'reading' ? [one.reading] : [])));

/** Records what belongs together as one change: all of it is kept, or nothing, and undo takes all of it back. */
export function recordReadings(w: Writer, given: readonly NewReading[]): Written<Reading[]> {
  return transact(w, recordedBy, async () => {
    const nightId = given[0]?.nightId ?? null;
    // One number for each, and one for the change.
    const [snapshot, firstSeq] = await Promise.all([snapshotFor(w, nightId), nextSeqs(w.db, given.length + 1)]);
    if (!snapshot) return refuse('missingRecord', { id: nightId ?? '' });
    const head = { deviceId: w.deviceId, snapshotId: snapshot.made.id, recordedAtUtc: toUtcText(w.nowMs()) };
    const readings: Reading[] = [];
    for (const [i, one] of given.entries()) {
      const parsed = checked({ ...one, id: w.newId(), ...head, seq: firstSeq + i });
      if (!parsed.ok) return parsed;
      readings.push(parsed.value);
    }
    const changes = readings.map((reading): Change => ({ type: 'reading', reading }));
    await Promise.all([
      snapshot.isNew ? w.db.snapshots.put(snapshot.made) : null,
      append(w, readings),
      logChange(w, 'recorded', readings[0]?.kind ?? '', changes, firstSeq + given.length),
    ]);
    return ok(readings);
  });
}

/** Adds the reading that takes another one back; null when it was taken back before. Runs inside the caller's transaction. */
export async function appendRetraction(w: Writer, reading: Reading): Promise<Reading | null> {
  const row = await w.db.nightReadings.get(reading.nightId ?? NO_NIGHT);
  if (isTakenBack(checkNight(row).readings, reading.id)) return null;
  const now = toUtcText(w.nowMs());
  const retract = {
    ...reading,
    id: w.newId(),
    deviceId: w.deviceId,
    kind: 'retract' as const,
    values: { readingId: reading.id },
    takenAtUtc: now,
    recordedAtUtc: now,
    seq: await nextSeqs(w.db, 1),
    note: '',
  };
  await append(w, [retract]);
  return retract;
}

/** Whether it still lies in its night: a store that was emptied or replaced holds it no more. Runs inside the caller's
 *  transaction. */
export async function isStored(db: OwlDatabase, { id, nightId }: Reading): Promise<boolean> {
  return readingsIn(await db.nightReadings.get(nightId ?? NO_NIGHT)).some((r) => r.id === id);
}

/** Takes a reading back; undo brings it back. */
export function retractReading(w: Writer, reading: Reading): Written<null> {
  return transact<null>(
    w,
    () => ok(null),
    async () => {
      if (!(await isStored(w.db, reading))) return refuse('missingRecord', { id: reading.id });
      const retraction = await appendRetraction(w, reading);
      if (retraction) await logChange(w, 'retracted', reading.kind, [{ type: 'reading', reading: retraction }]);
      return ok(null);
    },
  );
}

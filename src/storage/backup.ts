/** Everything out of the database and back in: export, merge, replace, wipe. Each write is one transaction that can be
 *  undone as a whole. */
import { ok, refuse, type Result } from '../core/result.ts';
import type { Reading } from '../core/records/reading.ts';
import { toUtcText } from '../core/time/utc.ts';
import { LONGEST_LINEAGE, type Backup, type BackupLists } from '../formats/backup.ts';
import { logChange, ALL_TABLES, type WriteCode, type Written } from './commands.ts';
import { contentFingerprint } from './content.ts';
import { NO_NIGHT, type OwlDatabase } from './database.ts';
import { HEAD_SCHEMAS, HEAD_TABLES } from '../core/records/heads.ts';
import { type Damaged } from './heads.ts';
import { lineageKey, rememberContent } from './lineage.ts';
import { settle, undecided, type AnyHead, type Choices, type MergePlan } from './merge.ts';
import { readHeads, readReadings, readSnapshots } from './stored.ts';
import { dumpOf, printOf } from './whole.ts';
import type { Writer } from './writer.ts';

/** All records as they stand, with those that could not be read. */
export async function collect(w: Writer): Promise<{ backup: Backup; damaged: Damaged[] }> {
  const { db } = w;
  const [parts, rigs, sites, targets, nights, settings, snapshots, readings] = await Promise.all([
    readHeads(db, 'parts'),
    readHeads(db, 'rigs'),
    readHeads(db, 'sites'),
    readHeads(db, 'targets'),
    readHeads(db, 'nights'),
    readHeads(db, 'settings'),
    readSnapshots(db),
    readReadings(db),
  ]);
  const lists: BackupLists = {
    parts: parts.records,
    rigs: rigs.records,
    sites: sites.records,
    targets: targets.records,
    nights: nights.records,
    settings: settings.records,
    snapshots: snapshots.records,
    readings: readings.records,
    blobs: await db.blobs.toArray(),
  };
  const lineage = Object.fromEntries((await db.lineage.toArray()).map(({ key, earlier }) => [key, earlier]));
  const all = [parts, rigs, sites, targets, nights, settings, snapshots, readings];
  return {
    backup: { exportedAtUtc: toUtcText(w.nowMs()), deviceId: w.deviceId, lineage, lists },
    damaged: all.flatMap((checked) => checked.damaged),
  };
}

async function addReadings(db: OwlDatabase, readings: readonly Reading[]): Promise<void> {
  const byNight = new Map<string, Reading[]>();
  for (const reading of readings) {
    const nightId = reading.nightId ?? NO_NIGHT;
    byNight.set(nightId, [...(byNight.get(nightId) ?? []), reading]);
  }
  for (const [nightId, added] of byNight) {
    const row = await db.nightReadings.get(nightId);
    await db.nightReadings.put({ nightId, readings: [...(row?.readings ?? []), ...added] });
  }
}

/** Runs a change of many records in one transaction; the state before is kept for undo. */
async function asWhole(w: Writer, name: string, change: () => Promise<void>): Promise<void> {
  await w.db.transaction('rw', ALL_TABLES, async () => {
    const before = await dumpOf(w.db);
    await change();
    const kept = await w.db.changes.toArray();
    // One whole state is enough to take back the last import; more would fill the disk.
    await w.db.changes.bulkDelete(kept.filter((c) => c.changes.some((one) => one.type === 'whole')).map((c) => c.id));
    await logChange(w, 'whole', name, [{ type: 'whole', before, afterPrint: await printOf(w.db) }]);
  });
}

async function putHead(w: Writer, table: (typeof HEAD_TABLES)[number], record: AnyHead): Promise<void> {
  const before = await w.db.heads(table).get(record.id);
  if (before) await rememberContent(w.db, table, before);
  await w.db.table(table).put(record);
}

/** Their earlier contents become known here too, so that the next merge can tell an older version. */
async function joinLineage(
  w: Writer,
  lineage: Backup['lineage'],
  settled: readonly [string, AnyHead][],
): Promise<void> {
  const theirs = [
    ...Object.entries(lineage),
    ...settled.map(([key, record]) => [key, [contentFingerprint(record)]] as const),
  ];
  for (const [key, added] of theirs) {
    const earlier = (await w.db.lineage.get(key))?.earlier ?? [];
    await w.db.lineage.put({ key, earlier: [...new Set([...added, ...earlier])].slice(-LONGEST_LINEAGE) });
  }
}

/** Settled conflicts, checked: fields of two versions need not fit together. */
function settledHeads(
  plan: MergePlan,
  choices: Choices,
): Result<{ table: (typeof HEAD_TABLES)[number]; record: AnyHead }[], WriteCode> {
  const settled: { table: (typeof HEAD_TABLES)[number]; record: AnyHead }[] = [];
  for (const conflict of plan.conflicts) {
    const parsed = HEAD_SCHEMAS[conflict.table].safeParse(settle(conflict, choices));
    if (!parsed.success) {
      const issue = parsed.error.issues[0];
      return refuse('invalidRecord', {
        where: `${conflict.id} ${issue?.path.join('.') ?? ''}`,
        what: issue?.message ?? '',
      });
    }
    settled.push({ table: conflict.table, record: parsed.data });
  }
  return ok(settled);
}

/** Carries a merge out. Refused while a field in conflict is undecided. */
export async function applyMerge(w: Writer, file: Backup, plan: MergePlan, choices: Choices): Written<null> {
  const open = undecided(plan, choices);
  if (open > 0) return refuse('undecided', { open });
  const settled = settledHeads(plan, choices);
  if (!settled.ok) return settled;
  await asWhole(w, 'the import', async () => {
    for (const { table, record } of plan.incoming) await putHead(w, table, record);
    for (const { table, record } of settled.value) await putHead(w, table, record);
    await w.db.snapshots.bulkPut(plan.snapshots);
    await w.db.blobs.bulkPut(plan.blobs);
    await addReadings(w.db, plan.readings);
    const theirs = plan.conflicts.map((c) => [lineageKey(c.table, c.id), c.theirs] as [string, AnyHead]);
    await joinLineage(w, file.lineage, theirs);
  });
  return ok(null);
}

async function clearAll(db: OwlDatabase): Promise<void> {
  for (const table of [...HEAD_TABLES, 'snapshots', 'nightReadings', 'blobs', 'lineage']) await db.table(table).clear();
}

/** Puts the file's records in the place of all that are here. */
export async function applyReplace(w: Writer, { lists, lineage }: Backup): Written<null> {
  await asWhole(w, 'the import', async () => {
    await clearAll(w.db);
    for (const table of HEAD_TABLES) await w.db.table(table).bulkPut(lists[table]);
    await w.db.snapshots.bulkPut(lists.snapshots);
    await w.db.blobs.bulkPut(lists.blobs);
    await addReadings(w.db, lists.readings);
    await w.db.lineage.bulkPut(Object.entries(lineage).map(([key, earlier]) => ({ key, earlier })));
  });
  return ok(null);
}

/** Removes every record of this database; undo brings them back. */
export async function wipe(w: Writer): Written<null> {
  await asWhole(w, 'the emptying', () => clearAll(w.db));
  return ok(null);
}

/** Records of the demo that nothing of the user's refers to, by table. */
export async function removeDemo(w: Writer): Written<{ removed: number; kept: number }> {
  const { demoToRemove } = await import('./demo/removeDemo.ts');
  let counts = { removed: 0, kept: 0 };
  await asWhole(w, 'the removal of the demo', async () => {
    const { backup } = await collect(w);
    const found = demoToRemove(backup.lists);
    for (const table of HEAD_TABLES) await w.db.table(table).bulkDelete(found.heads[table]);
    await w.db.snapshots.bulkDelete(found.snapshots);
    await w.db.nightReadings.bulkDelete(found.nights);
    counts = { removed: found.removed, kept: found.kept };
  });
  return ok(counts);
}

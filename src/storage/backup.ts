/** Everything out of the database and back in: export, merge, replace, wipe. Each write is one transaction that can be
 *  undone as a whole, is checked against what is stored now, and changes nothing when it is repeated. */
import { fingerprint } from '../core/fingerprint.ts';
import { canonicalJson } from '../formats/canonicalJson.ts';
import { ok, refuse, type Result } from '../core/result.ts';
import { firstIssue } from '../core/records/issue.ts';
import { QUIETLY, type Work } from '../core/work.ts';
import type { Reading } from '../core/records/reading.ts';
import { toUtcText } from '../core/time/utc.ts';
import { LONGEST_LINEAGE, type Backup, type BackupLists } from '../formats/backup.ts';
import { logRows } from './changeLog.ts';
import type { Damaged } from './checkRows.ts';
import { contentFingerprint } from './content.ts';
import { HEAD_SCHEMAS, HEAD_TABLES, type HeadTable } from '../core/records/heads.ts';
import { contentsWith, lineageKey } from './lineage.ts';
import {
  isNothing,
  planMerge,
  planPrint,
  settle,
  undecided,
  type AnyHead,
  type Choices,
  type MergePlan,
} from './merge.ts';
import { readAnew } from './digests.ts';
import { rowsWith } from './readings.ts';
import { RECORD_TABLES, rowLog, type RowLog } from './rows.ts';
import { readHeads, readSnapshots } from './stored.ts';
import { readReadings } from './storedReadings.ts';
import { caught, transact, type WriteCode, type Written } from './transact.ts';
import type { Writer } from './writer.ts';

/** All records as they stand, with those that could not be read. */
export async function collect(w: Writer, work: Work = QUIETLY): Promise<{ backup: Backup; damaged: Damaged[] }> {
  const { db } = w;
  const [parts, rigs, sites, targets, nights, settings, snapshots, readings] = await Promise.all([
    readHeads(db, 'parts'),
    readHeads(db, 'rigs'),
    readHeads(db, 'sites'),
    readHeads(db, 'targets'),
    readHeads(db, 'nights'),
    readHeads(db, 'settings'),
    readSnapshots(db),
    readReadings(db, work),
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

/** A text that differs whenever a record was added, removed or says something else, whoever wrote it in which revision. A
 *  blob's bytes belong to its id. */
export function listsPrint(lists: BackupLists): string {
  const heads = HEAD_TABLES.map((table) => (lists[table] as AnyHead[]).map((r) => `${r.id}@${contentFingerprint(r)}`));
  const whole = [lists.readings, lists.snapshots].map((records) =>
    (records as { id: string }[]).map((r) => `${r.id}@${fingerprint(canonicalJson(r))}`),
  );
  const all = [...heads, ...whole, lists.blobs.map(({ id }) => id)];
  return fingerprint(all.map((texts) => texts.sort().join(' ')).join('\n'));
}

/** What a file would change, and a print of the state that it was planned against. */
export type Preview = { plan: MergePlan; print: string };

export function previewImport(w: Writer, file: Backup, work: Work = QUIETLY): Written<Preview> {
  return caught(() =>
    w.db.transaction('r', [...RECORD_TABLES, 'nightDigests'], async () => {
      const { backup } = await collect(w, work);
      return ok({ plan: planMerge(backup, file), print: listsPrint(backup.lists) });
    }),
  );
}

const nightsOf = (readings: readonly Reading[]): number => new Set(readings.map((r) => r.nightId)).size;

/** Runs a change of many rows in one transaction; what it replaced is kept for undo. */
function asWhole<T>(
  w: Writer,
  name: string,
  change: (log: RowLog) => Promise<Result<T, WriteCode>>,
  again: T,
  work: Work = QUIETLY,
): Written<T> {
  return transact(
    w,
    () => ok(again),
    async () => {
      const log = rowLog(w.db, work);
      const done = await change(log);
      const rows = done.ok ? await log.finish() : [];
      if (rows.length > 0) await logRows(w, name, rows);
      return done;
    },
  );
}

async function putHeads(w: Writer, log: RowLog, table: HeadTable, records: readonly AnyHead[]): Promise<void> {
  const before = (await w.db.heads(table).bulkGet(records.map((r) => r.id))).filter((r) => r !== undefined);
  for (const one of before) await log.put('lineage', [await contentsWith(w.db, table, one)]);
  await log.put(table, records);
}

/** Their earlier contents become known here too, so that the next merge can tell an older version. */
async function joinLineage(
  w: Writer,
  log: RowLog,
  lineage: Backup['lineage'],
  settled: readonly [string, AnyHead][],
): Promise<void> {
  const theirs = [
    ...Object.entries(lineage),
    ...settled.map(([key, record]) => [key, [contentFingerprint(record)]] as const),
  ];
  const added = new Map<string, string[]>();
  for (const [key, contents] of theirs) added.set(key, [...(added.get(key) ?? []), ...contents]);
  const mine = await w.db.lineage.bulkGet([...added.keys()]);
  const joined = [...added].map(([key, contents], i) => ({
    key,
    // Mine stand last: of a long list the newest are kept.
    earlier: [...new Set([...contents, ...(mine[i]?.earlier ?? [])])].slice(-LONGEST_LINEAGE),
  }));
  await log.put('lineage', joined);
}

/** Settled conflicts, checked: fields of two versions need not fit together. */
function settledHeads(plan: MergePlan, choices: Choices): Result<{ table: HeadTable; record: AnyHead }[], WriteCode> {
  const settled: { table: HeadTable; record: AnyHead }[] = [];
  for (const conflict of plan.conflicts) {
    const parsed = HEAD_SCHEMAS[conflict.table].safeParse(settle(conflict, choices));
    if (!parsed.success) {
      const { where, what } = firstIssue(parsed.error);
      return refuse('invalidRecord', { where: `${conflict.id} ${where}`, what });
    }
    settled.push({ table: conflict.table, record: parsed.data });
  }
  return ok(settled);
}

async function writeMerge(w: Writer, log: RowLog, file: Backup, plan: MergePlan, choices: Choices): Written<null> {
  const settled = settledHeads(plan, choices);
  if (!settled.ok) return settled;
  const heads = [...plan.incoming, ...settled.value];
  for (const table of HEAD_TABLES)
    await putHeads(
      w,
      log,
      table,
      heads.filter((one) => one.table === table).map(({ record }) => record),
    );
  await log.put('snapshots', plan.snapshots);
  await log.put('blobs', plan.blobs);
  await log.put('nightReadings', await rowsWith(w.db, plan.readings));
  await readAnew(w.db, plan.snapshots);
  const theirs = plan.conflicts.map((c) => [lineageKey(c.table, c.id), c.theirs] as [string, AnyHead]);
  await joinLineage(w, log, file.lineage, theirs);
  return ok(null);
}

/** Carries a merge out as it was previewed. Refused while a field in conflict is undecided, and when something here changed
 *  since; a merge that was carried out before changes nothing. */
export function applyMerge(
  w: Writer,
  file: Backup,
  plan: MergePlan,
  choices: Choices,
  work: Work = QUIETLY,
): Written<null> {
  return asWhole<null>(
    w,
    'the import',
    async (log) => {
      const { backup } = await collect(w, work);
      const now = planMerge(backup, file);
      if (isNothing(now)) return ok(null);
      if (planPrint(now) !== planPrint(plan)) return refuse('changedSince');
      const open = undecided(now, choices);
      if (open > 0) return refuse('undecided', { open });
      log.expect(now.incoming.length + now.conflicts.length + now.snapshots.length + nightsOf(now.readings));
      return writeMerge(w, log, file, now, choices);
    },
    null,
    work,
  );
}

async function clearAll(log: RowLog): Promise<void> {
  for (const table of RECORD_TABLES) await log.clear(table);
}

async function writeReplace(w: Writer, log: RowLog, { lists, lineage }: Backup): Promise<void> {
  await clearAll(log);
  for (const table of HEAD_TABLES) await log.put(table, lists[table]);
  await log.put('snapshots', lists.snapshots);
  await log.put('blobs', lists.blobs);
  await log.put('nightReadings', await rowsWith(w.db, lists.readings));
  const contents = Object.entries(lineage).map(([key, earlier]) => ({ key, earlier }));
  await log.put('lineage', contents);
}

/** Puts the file's records in the place of all that are here. Refused when something here changed since the preview.
 *  @param seen print of the state that was shown; null = whatever is here. */
export function applyReplace(w: Writer, file: Backup, seen: string | null = null, work: Work = QUIETLY): Written<null> {
  return asWhole<null>(
    w,
    'the import',
    async (log) => {
      const print = listsPrint((await collect(w, work)).backup.lists);
      if (print === listsPrint(file.lists)) return ok(null);
      if (seen !== null && print !== seen) return refuse('changedSince');
      const heads = HEAD_TABLES.reduce((count, table) => count + file.lists[table].length, 0);
      log.expect(heads + file.lists.snapshots.length + nightsOf(file.lists.readings));
      await writeReplace(w, log, file);
      return ok(null);
    },
    null,
    work,
  );
}

/** Removes every record of this database; undo brings them back. */
export function wipe(w: Writer): Written<null> {
  return asWhole<null>(
    w,
    'the emptying',
    async (log) => {
      await clearAll(log);
      return ok(null);
    },
    null,
  );
}

/** Removes the records of the demo that nothing of the user's refers to. */
export async function removeDemo(w: Writer): Written<{ removed: number; kept: number }> {
  const { demoToRemove } = await import('./demo/removeDemo.ts');
  return asWhole(
    w,
    'the removal of the demo',
    async (log) => {
      const { backup } = await collect(w);
      const found = demoToRemove(backup.lists);
      for (const table of HEAD_TABLES) await log.remove(table, found.heads[table]);
      await log.remove('snapshots', found.snapshots);
      await log.remove('nightReadings', found.nights);
      return ok({ removed: found.removed, kept: found.kept });
    },
    { removed: 0, kept: 0 },
  );
}

/** Work that goes through all records, as jobs that run away from the page, over a connection of their own: bringing files
 *  in, saving, copies, changes of everything, digests. */
import type { Work } from '../core/work.ts';
import { ok, refuse, type Result } from '../core/result.ts';
import { BACKUP_LISTS, writeBackup, type Backup } from '../formats/backup.ts';
import { columnsOf, toCsv } from '../formats/csv.ts';
import { readBackup, textOf, type BackupCode } from '../formats/readBackup.ts';
import {
  applyMerge,
  applyReplace,
  collect,
  listsPrint,
  previewImport,
  removeDemo,
  wipe,
  type Preview,
} from './backup.ts';
import { OwlDatabase } from './database.ts';
import { makeDigests } from './digests.ts';
import { heldIn } from './held.ts';
import { ulidSource } from './ids.ts';
import { keepCopy } from './keepCopy.ts';
import { outlineOf } from './merge.ts';
import type { ChosenFile, RecordJob, RecordJobs, WriterSeed } from './recordJobs.ts';
import { readHeads } from './stored.ts';
import { readReadings } from './storedReadings.ts';
import { caught } from './transact.ts';
import { undoChange } from './undo.ts';
import type { Writer } from './writer.ts';

type Known = { key: string; file: Backup; preview: Preview | null };
/** What the jobs work with: one connection, and the file that was read last, for the next job about it. */
export type Desk = { db: OwlDatabase; newId: Writer['newId']; known: Known | null };
type AboutFile = { file: ChosenFile; seed: WriterSeed };

const writerOf = ({ db, newId }: Desk, { nowMs, ...rest }: WriterSeed): Writer => ({
  db,
  newId,
  nowMs: () => nowMs,
  ...rest,
});

async function readFile(desk: Desk, { key, blob }: ChosenFile, work: Work): Promise<Result<Known, BackupCode>> {
  if (desk.known?.key === key) return ok(desk.known);
  work.report('reading', 0);
  const found = readBackup(await textOf(blob), (share) => {
    work.check();
    work.report('checking', share);
  });
  if (!found.ok) return found;
  desk.known = { key, file: found.value, preview: null };
  return ok(desk.known);
}

async function planned(desk: Desk, { file, seed }: AboutFile, work: Work) {
  const found = await readFile(desk, file, work);
  if (!found.ok) return found;
  const preview = await previewImport(writerOf(desk, seed), found.value.file, work);
  if (!preview.ok) return preview;
  found.value.preview = preview.value;
  return ok({ file: found.value.file, preview: preview.value });
}

/** As it was shown; where that was forgotten meanwhile the file is read again. */
async function asShown(desk: Desk, given: AboutFile, work: Work) {
  const { known } = desk;
  if (known?.key === given.file.key && known.preview) return ok({ file: known.file, preview: known.preview });
  return planned(desk, given, work);
}

type Jobs = {
  [K in RecordJob]: (desk: Desk, given: RecordJobs[K]['given'], work: Work) => Promise<RecordJobs[K]['answer']>;
};
const JOBS: Jobs = {
  preview: async (desk, given, work) => {
    const found = await planned(desk, given, work);
    if (!found.ok) return found;
    const { file, preview } = found.value;
    return ok({ exportedAtUtc: file.exportedAtUtc, outline: outlineOf(preview.plan), print: preview.print });
  },
  merge: async (desk, given, work) => {
    const found = await asShown(desk, given, work);
    if (!found.ok) return refuse('changedSince');
    const { file, preview } = found.value;
    return applyMerge(writerOf(desk, given.seed), file, preview.plan, given.choices, work);
  },
  replace: async (desk, { file, seed, seen }, work) => {
    const found = await readFile(desk, file, work);
    return found.ok ? applyReplace(writerOf(desk, seed), found.value.file, seen, work) : refuse('changedSince');
  },
  restore: async (desk, { file, seed }, work) => {
    const found = await readFile(desk, file, work);
    return found.ok ? applyReplace(writerOf(desk, seed), found.value.file, null, work) : found;
  },
  wipe: (desk, { seed }) => wipe(writerOf(desk, seed)),
  removeDemo: (desk, { seed }) => removeDemo(writerOf(desk, seed)),
  undo: (desk, { seed, changeId }) => undoChange(writerOf(desk, seed), changeId),
  save: (desk, { seed }, work) =>
    caught(async () => {
      const { backup, damaged } = await collect(writerOf(desk, seed), work);
      const file = new Blob(writeBackup(backup, work), { type: 'application/json' });
      return ok({ file, damaged: damaged.length, held: heldIn(backup.lists) });
    }),
  copy: async (desk, { seed, place }, work) => {
    const { backup } = await collect(writerOf(desk, seed), work);
    const held = heldIn(backup.lists);
    await keepCopy(backup, { held, print: listsPrint(backup.lists), nowMs: seed.nowMs }, place);
    return held;
  },
  table: ({ db }, { table }, work) =>
    caught(async () => {
      const { records } = table === 'readings' ? await readReadings(db, work) : await readHeads(db, table);
      return ok(new Blob([toCsv(records, columnsOf(BACKUP_LISTS[table]))], { type: 'text/csv' }));
    }),
  letGo: (desk, { key }) => {
    if (desk.known?.key === key) desk.known = null;
    return Promise.resolve(null);
  },
  digest: async ({ db }, _given, work) => {
    await makeDigests(db, work);
    return null;
  },
};

/** The database of this origin. */
export const ownDesk = (): Desk => ({
  db: new OwlDatabase(),
  newId: ulidSource(
    () => Date.now(),
    (count) => crypto.getRandomValues(new Uint8Array(count)),
  ),
  known: null,
});

export function runRecordJob<K extends RecordJob>(
  desk: Desk,
  given: { job: K } & RecordJobs[K]['given'],
  work: Work,
): Promise<RecordJobs[K]['answer']> {
  return JOBS[given.job](desk, given, work);
}

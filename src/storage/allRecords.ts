/** Work that goes through all records, as jobs that run away from the page, over a connection of their own: bringing files
 *  in, saving, copies, changes of everything, digests. */
import type { Work } from '../core/work.ts';
import { ok, refuse, type Result } from '../core/result.ts';
import { writeBackup, type Backup } from '../formats/backup.ts';
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
import type { StoredChange } from './changes.ts';
import { OwlDatabase } from './database.ts';
import { makeDigests } from './digests.ts';
import { heldIn, type Held } from './held.ts';
import { ulidSource } from './ids.ts';
import { keepCopy, type CopyPlace } from './keepCopy.ts';
import { outlineOf, type Choices, type PlanOutline } from './merge.ts';
import { caught, type WriteCode } from './transact.ts';
import { undoChange } from './undo.ts';
import type { Writer } from './writer.ts';

/** Who writes, as it goes to another thread. */
export type WriterSeed = { nowMs: number; deviceId: string; tabId: string; press?: string };
/** A chosen file; `key` tells one choice from the next. */
export type ChosenFile = { key: string; blob: Blob };
export type Shown = { exportedAtUtc: string; outline: PlanOutline; print: string };
export type Saved = { file: Blob; damaged: number; held: Held };

/** What each job is given and what it answers. */
export type RecordJobs = {
  preview: { given: { file: ChosenFile; seed: WriterSeed }; answer: Result<Shown, BackupCode | WriteCode> };
  merge: { given: { file: ChosenFile; seed: WriterSeed; choices: Choices }; answer: Result<null, WriteCode> };
  replace: { given: { file: ChosenFile; seed: WriterSeed; seen: string }; answer: Result<null, WriteCode> };
  /** The same in a database that was lost: whatever is there. */
  restore: { given: { file: ChosenFile; seed: WriterSeed }; answer: Result<null, BackupCode | WriteCode> };
  wipe: { given: { seed: WriterSeed }; answer: Result<null, WriteCode> };
  removeDemo: { given: { seed: WriterSeed }; answer: Result<{ removed: number; kept: number }, WriteCode> };
  undo: { given: { seed: WriterSeed; changeId: string }; answer: Result<StoredChange, WriteCode> };
  save: { given: { seed: WriterSeed }; answer: Result<Saved, WriteCode> };
  copy: { given: { seed: WriterSeed; place: CopyPlace }; answer: Held };
  digest: { given: object; answer: null };
};
export type RecordJob = keyof RecordJobs;
export type AnyRecordJob = { [K in RecordJob]: { job: K } & RecordJobs[K]['given'] }[RecordJob];

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
  digest: async ({ db }, _given, { report }) => {
    await makeDigests(db, (share) => report('digesting', share));
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

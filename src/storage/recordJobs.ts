/** The jobs that go through all records, as they are asked for from a page: what each is given and what it answers. */
import type { HeadTable } from '../core/records/heads.ts';
import type { Result } from '../core/result.ts';
import type { BackupCode } from '../formats/readBackup.ts';
import type { StoredChange } from './changes.ts';
import type { Held } from './held.ts';
import type { CopyPlace } from './keepCopy.ts';
import type { Choices, PlanOutline } from './merge.ts';
import type { WriteCode } from './transact.ts';

/** Who writes, as it goes to another thread. */
export type WriterSeed = { nowMs: number; deviceId: string; tabId: string; press?: string };
/** A chosen file; `key` tells one choice from the next. */
export type ChosenFile = { key: string; blob: Blob };
export type Shown = { exportedAtUtc: string; outline: PlanOutline; print: string };
export type Saved = { file: Blob; damaged: number; held: Held };

export type CsvTable = HeadTable | 'readings';

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
  /** One table for a spreadsheet. */
  table: { given: { table: CsvTable }; answer: Result<Blob, WriteCode> };
  copy: { given: { seed: WriterSeed; place: CopyPlace }; answer: Held };
  /** The page that chose it is gone, or is done with it. */
  letGo: { given: { key: string }; answer: null };
  digest: { given: object; answer: null };
};
export type RecordJob = keyof RecordJobs;
/** Jobs that write: what they were told to do is done to its end or not at all. */
export const WRITING: ReadonlySet<RecordJob> = new Set(['merge', 'replace', 'restore', 'wipe', 'removeDemo', 'undo']);
export type AnyRecordJob = { [K in RecordJob]: { job: K } & RecordJobs[K]['given'] }[RecordJob];

/** Everything in one JSON file: the shape, writing, and what a file may be. One record a line, keys sorted, records
 *  sorted by id, bytes in base64. The JSON Schema in docs/ is generated from here. */
import { z } from 'zod';
import { idSchema, utcSchema } from '../core/records/common.ts';
import { HEAD_SCHEMAS } from '../core/records/heads.ts';
import { readingSchema } from '../core/records/reading.ts';
import { snapshotSchema } from '../core/records/snapshot.ts';
import { QUIETLY, type Work } from '../core/work.ts';
import { fromBase64, toBase64 } from './base64.ts';
import { canonicalJson } from './canonicalJson.ts';

export const BACKUP_FORMAT = 'tidy-owl-backup';
/** 2: plates state their dovetail, mounts their saddle, electric devices their use; 4: finders their engraving; 5: signals
 *  are events. */
export const BACKUP_VERSION = 12;
/** Earlier contents kept per record. */
export const LONGEST_LINEAGE = 200;

const blobSchema = z.object({ id: idSchema, mime: z.string().max(100), base64: z.base64() });

/** The schema of each list of records in the file. */
export const BACKUP_LISTS = {
  ...HEAD_SCHEMAS,
  snapshots: snapshotSchema,
  readings: readingSchema,
  blobs: blobSchema,
};
export type BackupList = keyof typeof BACKUP_LISTS;
export const BACKUP_LIST_NAMES = Object.keys(BACKUP_LISTS) as BackupList[];

const listsShape = Object.fromEntries(
  Object.entries(BACKUP_LISTS).map(([name, schema]) => [name, z.array(schema)]),
) as { [L in BackupList]: z.ZodArray<(typeof BACKUP_LISTS)[L]> };

/** What stands beside the lists. `lineage`: fingerprints of the earlier contents of a record, by `table/id`. */
export const backupFrameSchema = z.object({
  format: z.literal(BACKUP_FORMAT),
  version: z.literal(BACKUP_VERSION),
  exportedAtUtc: utcSchema,
  deviceId: idSchema,
  lineage: z.record(z.string().max(140), z.array(z.string().max(32)).max(LONGEST_LINEAGE)),
});
export const backupSchema = backupFrameSchema.extend(listsShape).strict();

type FileLists = { [L in BackupList]: z.infer<(typeof BACKUP_LISTS)[L]>[] };
export type BackupBlob = { id: string; mime: string; bytes: Uint8Array };
/** The records of a backup, blobs as bytes. */
export type BackupLists = Omit<FileLists, 'blobs'> & { blobs: BackupBlob[] };
export type Backup = {
  exportedAtUtc: string;
  deviceId: string;
  lineage: Record<string, string[]>;
  lists: BackupLists;
};

const byId = (a: { id: string }, b: { id: string }): number => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** The lists as the file holds them. */
export function toFileLists(lists: BackupLists): FileLists {
  return { ...lists, blobs: lists.blobs.map(({ id, mime, bytes }) => ({ id, mime, base64: toBase64(bytes) })) };
}

export function fromFileLists(lists: FileLists): BackupLists {
  return { ...lists, blobs: lists.blobs.map(({ id, mime, base64 }) => ({ id, mime, bytes: fromBase64(base64) })) };
}

const RECORDS_PER_REPORT = 500;

/** The file's text in pieces, for a Blob or a join: equal content gives equal text. */
export function writeBackup({ lists, ...frame }: Backup, { report, check }: Work = QUIETLY): string[] {
  const top: Record<string, unknown> = {
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    ...frame,
    ...toFileLists(lists),
  };
  const keys = Object.keys(top).sort();
  const total = BACKUP_LIST_NAMES.reduce((count, name) => count + lists[name].length, 0);
  let written = 0;
  const text = (record: object): string => {
    written += 1;
    if (written % RECORDS_PER_REPORT === 0) {
      check();
      report('putting', written / total);
    }
    return canonicalJson(record);
  };
  return keys.flatMap((key, i) => {
    const value = top[key];
    const start = `${i === 0 ? '{\n' : ''}"${key}":`;
    const end = i === keys.length - 1 ? '\n}\n' : ',\n';
    if (!Array.isArray(value)) return [start + canonicalJson(value) + end];
    const records = (value as { id: string }[]).slice().sort(byId);
    return [`${start}[`, ...records.map((r, n) => `${n === 0 ? '\n' : ',\n'}${text(r)}`), `]${end}`];
  });
}

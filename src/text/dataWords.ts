/** Words of data in and out: what is wrong with a file, what an import would change. */
import type { BackupCode } from '../formats/readBackup.ts';
import type { HeadTable } from '../core/records/heads.ts';

type Figures = Record<string, number | string>;

export const LIST_NAMES: Record<string, string> = {
  parts: 'parts',
  rigs: 'rigs',
  sites: 'sites',
  targets: 'targets',
  nights: 'nights',
  settings: 'settings',
  readings: 'readings',
  snapshots: 'snapshots of rigs',
  blobs: 'pictures and curves',
};
export const tableName = (table: HeadTable): string => LIST_NAMES[table] ?? table;

/** One record of a table, named. */
const recordWords = (f: Figures): string =>
  `${LIST_NAMES[String(f['list'])] ?? String(f['list'])}, record ${String(f['number'])}${f['id'] === '' ? '' : ` (${String(f['id'])})`}`;

const KEPT = 'Nothing was imported; what is here is unchanged.';

export const BACKUP_CODES = [
  'emptyFile',
  'notJson',
  'endsEarly',
  'otherProgram',
  'newerVersion',
  'damagedFrame',
  'damagedRecord',
  'sameIdTwice',
] as const satisfies readonly BackupCode[];

const BACKUP_WORDS: Record<BackupCode, (f: Figures) => string> = {
  emptyFile: () => `The file is empty. ${KEPT} Export it again on the other device.`,
  notJson: (f) =>
    `This is not JSON${f['line'] === undefined ? '' : `: the fault is in line ${f['line']}, column ${String(f['column'])}`}. ${KEPT} Choose the file that “Save everything” wrote.`,
  endsEarly: (f) =>
    `The file ends in the middle, after ${String(f['characters'])} characters. ${KEPT} Copy it again; the copy was cut off.`,
  otherProgram: () => `This JSON is not a Tidy Owl backup. ${KEPT} Choose the file that “Save everything” wrote.`,
  newerVersion: (f) =>
    `A newer Tidy Owl wrote this file (version ${String(f['version'])}, this one reads ${String(f['known'])}). ${KEPT} Reload the page to get the newer Tidy Owl, then import.`,
  damagedFrame: (f) => `The file is damaged at “${String(f['where'])}”: ${String(f['what'])}. ${KEPT} Export it again.`,
  damagedRecord: (f) =>
    `Damaged: ${recordWords(f)}, at “${String(f['where'])}”: ${String(f['what'])}. ${KEPT} Mend that value in the file, or export it again.`,
  sameIdTwice: (f) =>
    `Two records have the same id: ${recordWords(f)}. ${KEPT} Take one out of the file, or export it again.`,
};

export function backupWords(code: BackupCode, figures: Figures): string {
  return BACKUP_WORDS[code](figures);
}

export const JOB_WORDS: Record<string, string> = {
  reading: 'Reading the file',
  checking: 'Checking every record',
};
export const WORKER_DIED = `The file could not be read on this device: it may be too large for its memory. ${KEPT} Try on a computer.`;

/** A field of a record as people read it: `massKg` becomes `mass (kg)`. */
export function fieldLabel(field: string): string {
  const unit = /(Kg|Mm|Um|M|Deg|H|S|Px|Arcmin|Arcsec|V|A|Ah|Mm2)$/.exec(field)?.[1];
  const bare = unit === undefined ? field : field.slice(0, -unit.length);
  const words = bare.replaceAll(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);
  return unit === undefined ? words : `${words} (${unit.toLowerCase()})`;
}

const LONGEST_VALUE = 160;

/** A field's value, short enough to compare two side by side. */
export function valueWords(value: unknown): string {
  if (value === null || value === undefined) return 'nothing';
  if (typeof value === 'string') return value === '' ? 'nothing' : value;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  const text = JSON.stringify(value);
  return text.length > LONGEST_VALUE ? `${text.slice(0, LONGEST_VALUE)}…` : text;
}

/** `3 parts, 1 rig and 240 readings`. */
export function countsWords(counts: Readonly<Record<string, number>>): string {
  const parts = Object.entries(counts)
    .filter(([, count]) => count > 0)
    .map(
      ([list, count]) =>
        `${count} ${count === 1 ? (LIST_NAMES[list] ?? list).replace(/s\b/, '') : (LIST_NAMES[list] ?? list)}`,
    );
  if (parts.length === 0) return 'nothing';
  return parts.length === 1 ? (parts[0] ?? '') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1) ?? ''}`;
}

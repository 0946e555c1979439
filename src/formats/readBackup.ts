/** Reading a backup file: named refusals that say what is wrong and where; nothing is written here. */
import { firstIssue } from '../core/records/issue.ts';
import {
  upgradeParts,
  withEngraving,
  withEvents,
  withRoomyDemo,
  withSizeBasis,
  withTrueDemoRing,
  withUse,
  type PartUpgrade,
} from '../core/records/upgrades.ts';
import { isObject, type Loose } from '../core/records/loose.ts';
import { ok, refuse, type Result } from '../core/result.ts';
import {
  BACKUP_FORMAT,
  BACKUP_LIST_NAMES,
  BACKUP_LISTS,
  BACKUP_VERSION,
  backupFrameSchema,
  fromFileLists,
  type Backup,
  type BackupList,
} from './backup.ts';
import { parseJson } from './parseJson.ts';

export type BackupCode =
  | 'emptyFile'
  | 'notJson'
  | 'endsEarly'
  | 'otherProgram'
  | 'newerVersion'
  | 'damagedFrame'
  | 'damagedRecord'
  | 'sameIdTwice';

type Refusal = ReturnType<typeof refuse<BackupCode>>;

/** Called with the share that is done, 0 to 1. */
export type OnShare = (share: number) => void;
const RECORDS_PER_REPORT = 500;

/** What parts lacked up to which version. Versions 2 and 5 lacked only kinds of readings, events and settings;
 *  up to 4 signals stood among the ticks; what is new in 7 and from 9 on may be left out, in 8
 *  mounts may be turned by hand. */
const UPGRADES: readonly (readonly [lastWithout: number, upgrade: PartUpgrade])[] = [
  [1, withUse],
  [3, withEngraving],
  [5, withTrueDemoRing],
  [7, withRoomyDemo],
  [11, withSizeBasis],
];

const LAST_WITH_SIGNAL_TICKS = 4;

/** A file of an earlier version as this one writes it. */
function fromEarlier(file: Loose): Loose {
  const version = Number(file['version']);
  if (!(version >= 1 && version < BACKUP_VERSION)) return file;
  const upgrades = UPGRADES.filter(([lastWithout]) => version <= lastWithout).map(([, upgrade]) => upgrade);
  const upgraded = (list: 'parts' | 'snapshots'): Loose =>
    list in file ? { [list]: upgrades.reduce((rows: unknown, one) => upgradeParts(rows, one), file[list]) } : {};
  const hasTicks = version <= LAST_WITH_SIGNAL_TICKS;
  const readings = hasTicks && 'readings' in file ? { readings: withEvents(file['readings']) } : {};
  return { ...file, version: BACKUP_VERSION, ...upgraded('parts'), ...upgraded('snapshots'), ...readings };
}

/** The file's frame: is it ours, of a version that is known, and whole. */
function checkFrame(given: unknown): Result<{ file: Loose; frame: Omit<Backup, 'lists'> }, BackupCode> {
  if (!isObject(given) || given['format'] !== BACKUP_FORMAT) return refuse('otherProgram');
  const value = fromEarlier(given);
  const version = value['version'];
  if (typeof version === 'number' && version > BACKUP_VERSION)
    return refuse('newerVersion', { version, known: BACKUP_VERSION });
  const frame = backupFrameSchema.safeParse(value);
  if (!frame.success) return refuse('damagedFrame', firstIssue(frame.error));
  const missing = BACKUP_LIST_NAMES.find((name) => !Array.isArray(value[name]));
  if (missing !== undefined) return refuse('damagedFrame', { where: missing, what: 'listMissing' });
  const known = new Set<string>([...Object.keys(backupFrameSchema.shape), ...BACKUP_LIST_NAMES]);
  const strange = Object.keys(value).find((key) => !known.has(key));
  if (strange !== undefined) return refuse('damagedFrame', { where: strange, what: 'strangeField' });
  const { exportedAtUtc, deviceId, lineage } = frame.data;
  return ok({ file: value, frame: { exportedAtUtc, deviceId, lineage } });
}

/** Validates every record of a list; stops at the first damaged one and names it by list, place and id. */
function checkList(name: BackupList, rows: readonly unknown[], onRecord: () => void): Result<unknown[], BackupCode> {
  const schema = BACKUP_LISTS[name];
  const seen = new Set<string>();
  const good: unknown[] = [];
  for (const [index, row] of rows.entries()) {
    onRecord();
    const id = isObject(row) && typeof row['id'] === 'string' ? row['id'] : '';
    const parsed = schema.safeParse(row);
    if (!parsed.success) {
      return refuse('damagedRecord', { list: name, number: index + 1, id, ...firstIssue(parsed.error) });
    }
    if (seen.has(id)) return refuse('sameIdTwice', { list: name, number: index + 1, id });
    seen.add(id);
    good.push(parsed.data);
  }
  return ok(good);
}

function checkLists(file: Loose, onShare: OnShare): Result<Backup['lists'], BackupCode> {
  const rowsOf = (name: BackupList): unknown[] => file[name] as unknown[];
  const total = Math.max(
    1,
    BACKUP_LIST_NAMES.reduce((n, name) => n + rowsOf(name).length, 0),
  );
  let done = 0;
  const onRecord = (): void => {
    done += 1;
    if (done % RECORDS_PER_REPORT === 0) onShare(done / total);
  };
  const lists: Loose = {};
  for (const name of BACKUP_LIST_NAMES) {
    const checked = checkList(name, rowsOf(name), onRecord);
    if (!checked.ok) return checked;
    lists[name] = checked.value;
  }
  return ok(fromFileLists(lists as Parameters<typeof fromFileLists>[0]));
}

/** A key that reaches into every object instead of into its own; null for none. Looked for only where the text holds it. */
function reachingKey(text: string, value: unknown): string | null {
  if (!text.includes('__proto__')) return null;
  const search = (inner: unknown): boolean =>
    typeof inner === 'object' &&
    inner !== null &&
    (Object.hasOwn(inner, '__proto__') || Object.values(inner).some(search));
  return search(value) ? '__proto__' : null;
}

/** Automatic copies are compressed; their first two bytes say so (RFC 1952). */
export async function textOf(file: Blob): Promise<string> {
  const [first, second] = new Uint8Array(await file.slice(0, 2).arrayBuffer());
  if (first !== 0x1f || second !== 0x8b) return file.text();
  return new Response(file.stream().pipeThrough(new DecompressionStream('gzip'))).text();
}

/** The text of a file as a backup, or the first thing that is wrong with it. */
export function readBackup(text: string, onShare: OnShare = () => undefined): Result<Backup, BackupCode> {
  if (text.trim() === '') return refuse('emptyFile');
  const parsed = parseJson(text);
  if (!parsed.ok) return parsed satisfies Refusal;
  const reaching = reachingKey(text, parsed.value);
  if (reaching !== null) return refuse('damagedFrame', { where: reaching, what: 'strangeField' });
  const framed = checkFrame(parsed.value);
  if (!framed.ok) return framed;
  const lists = checkLists(framed.value.file, onShare);
  return lists.ok ? ok({ ...framed.value.frame, lists: lists.value }) : lists;
}

/** Changes of many rows at once: each touched row as it was, so that an import, a replacement or an emptying can be taken
 *  back as one, and only what it changed is kept. Readings never change, so theirs are told by id, and those recorded
 *  since stay when the change is taken back. */
import { fingerprint } from '../core/fingerprint.ts';
import { HEAD_TABLES } from '../core/records/heads.ts';
import { NO_NIGHT, type NightReadings, type Reading } from '../core/records/reading.ts';
import type { Snapshot } from '../core/records/snapshot.ts';
import { canonicalJson } from '../formats/canonicalJson.ts';
import { QUIETLY, type Work } from '../core/work.ts';
import type { RowChange } from './changes.ts';
import { contentOf } from './content.ts';
import type { OwlDatabase } from './database.ts';
import { readingsIn, takesBack } from './nightRows.ts';
import { inPages } from './tableSource.ts';
import { digestChecked, digestCheckedSnapshots, digestNights, digestSnapshots, inParts } from './digests.ts';

/** The tables that hold records. */
export const RECORD_TABLES = [...HEAD_TABLES, 'snapshots', 'nightReadings', 'blobs', 'lineage'];

type Row = Record<string, unknown>;

export type RowLog = {
  put: (table: string, rows: readonly object[]) => Promise<void>;
  remove: (table: string, keys: readonly string[]) => Promise<void>;
  clear: (table: string) => Promise<void>;
  /** How many rows are still to be put: what is told on the way is a share of them. */
  expect: (rows: number) => void;
  /** What was changed; rows that are as they were before are left out. */
  finish: () => Promise<RowChange[]>;
};

function printOf(table: string, row: Row | null | undefined): string | null {
  if (!row) return null;
  // A blob's bytes belong to its id; reading them all would take long.
  if (table === 'blobs') return 'there';
  return fingerprint((HEAD_TABLES as string[]).includes(table) ? contentOf(row) : canonicalJson(row));
}

/** Up to here they are left whole. */
const FEW = 30;
const manyParts = <T>(list: readonly T[]): T[][] => (list.length > FEW ? inParts(list) : []);
/** Rows that are written at once. */
const WRITTEN = 200;

/** A row as it was and as it is now. */
type Touched = { table: string; key: string; before: Row | null; after: Row | null };

const keyIn = (db: OwlDatabase, table: string, row: object): string =>
  String((row as Row)[String(db.table(table).schema.primKey.keyPath)]);

function changesIn(touched: readonly Touched[]): RowChange[] {
  return touched.flatMap(({ table, key, before, after }): RowChange[] => {
    const afterPrint = printOf(table, after);
    if (afterPrint === printOf(table, before)) return [];
    const afterIds = table === 'nightReadings' ? readingsIn(after).map((r) => r.id) : [];
    return [{ table, key, before, afterPrint, afterIds }];
  });
}

/** What comes in was checked before it is put: much of it that is new is put away at once. */
async function putNewAway(db: OwlDatabase, touched: readonly Touched[], { check }: Work): Promise<void> {
  const newIn = <T>(name: string): T[] =>
    touched.flatMap(({ table, key, before, after }) =>
      table === name && key !== NO_NIGHT && before === null && after !== null ? [after as T] : [],
    );
  const snapshots = newIn<Snapshot>('snapshots');
  for (const some of manyParts(snapshots)) {
    check();
    await digestCheckedSnapshots(db, some);
  }
  const latDegOf = new Map(snapshots.map(({ id, site }) => [id, site.latDeg]));
  for (const some of manyParts(newIn<NightReadings>('nightReadings'))) {
    check();
    await digestChecked(db, some, latDegOf);
  }
}

/** Counts rows that are put, and tells of it. */
function counter({ report, check }: Work) {
  let [expected, put] = [1, 0];
  return {
    expect: (rows: number): void => {
      expected = Math.max(1, rows);
    },
    more: (rows: number): void => {
      check();
      put += rows;
      report('writing', Math.min(1, put / expected));
    },
  };
}

/** The rows that were touched, each as it was first found. */
function touchedRows(db: OwlDatabase) {
  const touched = new Map<string, Touched>();
  const nameOf = (table: string, key: string): string => `${table} ${key}`;
  const note = (table: string, key: string, before: Row | null, after: Row | null): void => {
    const known = touched.get(nameOf(table, key));
    touched.set(nameOf(table, key), { table, key, before: known ? known.before : before, after });
  };
  const isEmpty = new Map<string, boolean>();
  /** What a table holds of keys that were not met yet: nothing where nothing stood in it before. */
  const lookUp = async (table: string, unmet: readonly string[]): Promise<Map<string, Row>> => {
    if (!isEmpty.has(table)) isEmpty.set(table, (await db.table(table).count()) === 0);
    if (isEmpty.get(table)) return new Map();
    const rows = await db.table<Row>(table).bulkGet([...unmet]);
    return new Map(unmet.flatMap((key, i) => (rows[i] ? [[key, rows[i]] as const] : [])));
  };
  /** Before rows are put or removed: those that were not met yet are looked up. @param after null = they go. */
  const change = async (table: string, keys: readonly string[], after: readonly Row[] | null): Promise<void> => {
    const unmet = keys.filter((key) => !touched.has(nameOf(table, key)));
    const found = await lookUp(table, unmet);
    keys.forEach((key, i) => note(table, key, found.get(key) ?? null, after?.[i] ?? null));
  };
  return { note, change, all: (): Touched[] => [...touched.values()] };
}

/** Writes through this log remember what they replace. Runs inside the caller's transaction. */
export function rowLog(db: OwlDatabase, work: Work = QUIETLY): RowLog {
  const touched = touchedRows(db);
  const { expect, more } = counter(work);
  return {
    expect,
    put: async (table, rows) => {
      const parts = inParts(rows, WRITTEN);
      const lookAt = async (some: readonly object[] = []): Promise<void> => {
        const keys = some.map((row) => keyIn(db, table, row));
        if (keys.length > 0) await touched.change(table, keys, some as Row[]);
      };
      await lookAt(parts[0]);
      // What the next rows replace is looked up while these are on their way.
      for (const [i, some] of parts.entries()) {
        more(some.length);
        await Promise.all([db.table(table).bulkPut(some), lookAt(parts[i + 1])]);
      }
    },
    remove: async (table, keys) => {
      await touched.change(table, keys, null);
      await db.table(table).bulkDelete([...keys]);
    },
    clear: async (table) => {
      for (const row of await db.table<Row>(table).toArray()) touched.note(table, keyIn(db, table, row), row, null);
      await db.table(table).clear();
    },
    finish: async () => {
      await putNewAway(db, touched.all(), work);
      return changesIn(touched.all());
    },
  };
}

/** Rows of bookkeeping are set back whatever they hold: nobody edits them. */
const isRecord = (table: string): boolean => table !== 'lineage' && table !== 'nightReadings';

/** The first row that someone changed since, or null when all can be set back. */
export async function changedSince(db: OwlDatabase, rows: readonly RowChange[]): Promise<RowChange | null> {
  for (const change of rows.filter(({ table }) => isRecord(table))) {
    const now = await db.table<Row>(change.table).get(change.key);
    if (printOf(change.table, now) !== change.afterPrint) return change;
  }
  return null;
}

/** Retractions of what is not there go with it. */
function withoutLooseEnds(readings: readonly Reading[]): Reading[] {
  const there = new Set(readings.map((r) => r.id));
  const kept = readings.filter((r) => {
    const of = takesBack(r);
    return of === null || there.has(of);
  });
  return kept.length === readings.length ? kept : withoutLooseEnds(kept);
}

/** A night's readings as they were before a change, with those that came since. */
function readingsBefore({ before, afterIds }: RowChange, now: Row | undefined): Reading[] {
  const after = new Set(afterIds);
  return withoutLooseEnds([...readingsIn(before), ...readingsIn(now).filter((r) => !after.has(r.id))]);
}

/** Of some snapshots those that readings still name: what was recorded since may have been taken with what a file brought. */
async function stillNamed(db: OwlDatabase, ids: readonly string[]): Promise<ReadonlySet<string>> {
  const asked = new Set(ids);
  const named = new Set<string>();
  if (asked.size > 0)
    await inPages<NightReadings>(db.nightReadings, (rows) => {
      for (const row of rows) for (const r of readingsIn(row)) if (asked.has(r.snapshotId)) named.add(r.snapshotId);
    });
  return named;
}

/** Sets the rows back. Runs inside the caller's transaction. */
export async function restoreRows(db: OwlDatabase, rows: readonly RowChange[]): Promise<void> {
  await setBack(db, rows);
  const keysIn = (name: string): string[] => rows.filter(({ table }) => table === name).map(({ key }) => key);
  for (const ids of manyParts(keysIn('snapshots'))) await digestSnapshots(db, ids);
  for (const ids of manyParts(keysIn('nightReadings'))) await digestNights(db, ids);
}

/** A row as it is to stand again; null = it goes. @param now as it stands. */
function rowBefore(change: RowChange, now: Row | undefined): Row | null {
  if (change.table === 'nightReadings') {
    const readings = readingsBefore(change, now);
    return readings.length === 0 ? null : { nightId: change.key, readings };
  }
  if (change.before === null) return null;
  const rev = typeof now?.['rev'] === 'number' ? { rev: now['rev'] + 1 } : {};
  return { ...change.before, ...rev };
}

async function setTableBack(db: OwlDatabase, name: string, rows: readonly RowChange[]): Promise<void> {
  const table = db.table<Row>(name);
  for (const some of inParts(rows)) {
    const now = await table.bulkGet(some.map(({ key }) => key));
    const then = some.map((change, i) => rowBefore(change, now[i]));
    await table.bulkPut(then.filter((row) => row !== null));
    await table.bulkDelete(some.filter((_, i) => then[i] === null).map(({ key }) => key));
  }
}

async function setBack(db: OwlDatabase, rows: readonly RowChange[]): Promise<void> {
  const of = (name: string): RowChange[] => rows.filter(({ table }) => table === name);
  const snapshots = of('snapshots');
  for (const name of new Set(rows.map(({ table }) => table)))
    if (name !== 'snapshots') await setTableBack(db, name, of(name));
  // After the readings: only then it shows which of them are named.
  const gone = snapshots.filter(({ before }) => before === null).map(({ key }) => key);
  const named = await stillNamed(db, gone);
  await setTableBack(
    db,
    'snapshots',
    snapshots.filter(({ key }) => !named.has(key)),
  );
}

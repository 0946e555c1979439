/** Changes of many rows at once: each touched row as it was, so that an import, a replacement or an emptying can be taken
 *  back as one, and only what it changed is kept. Readings never change, so theirs are told by id, and those recorded
 *  since stay when the change is taken back. */
import { fingerprint } from '../core/fingerprint.ts';
import { HEAD_TABLES } from '../core/records/heads.ts';
import type { NightReadings, Reading } from '../core/records/reading.ts';
import { canonicalJson } from '../formats/canonicalJson.ts';
import type { RowChange } from './changes.ts';
import { contentOf } from './content.ts';
import type { OwlDatabase } from './database.ts';

/** The tables that hold records. */
export const RECORD_TABLES = [...HEAD_TABLES, 'snapshots', 'nightReadings', 'blobs', 'lineage'];

type Row = Record<string, unknown>;

export type RowLog = {
  put: (table: string, row: object) => Promise<void>;
  remove: (table: string, key: string) => Promise<void>;
  clear: (table: string) => Promise<void>;
  /** What was changed; rows that are as they were before are left out. */
  finish: () => Promise<RowChange[]>;
};

const readingsOf = (row: Row | null | undefined): Reading[] =>
  (row as NightReadings | null | undefined)?.readings ?? [];

function printOf(table: string, row: Row | undefined): string | null {
  if (!row) return null;
  if (table === 'nightReadings')
    return fingerprint(
      readingsOf(row)
        .map((r) => r.id)
        .join(' '),
    );
  // A blob's bytes belong to its id; reading them all would take long.
  if (table === 'blobs') return 'there';
  return fingerprint((HEAD_TABLES as string[]).includes(table) ? contentOf(row) : canonicalJson(row));
}

/** Writes through this log remember what they replace. Runs inside the caller's transaction. */
export function rowLog(db: OwlDatabase): RowLog {
  const before = new Map<string, { table: string; key: string; row: Row | null }>();
  const keyOf = (table: string, row: object): string => {
    const { keyPath } = db.table(table).schema.primKey;
    return String((row as Row)[String(keyPath)]);
  };
  const remember = async (table: string, key: string): Promise<void> => {
    const name = `${table} ${key}`;
    if (!before.has(name)) before.set(name, { table, key, row: (await db.table<Row>(table).get(key)) ?? null });
  };
  return {
    put: async (table, row) => {
      await remember(table, keyOf(table, row));
      await db.table(table).put(row);
    },
    remove: async (table, key) => {
      await remember(table, key);
      await db.table(table).delete(key);
    },
    clear: async (table) => {
      for (const row of await db.table<Row>(table).toArray()) {
        const key = keyOf(table, row);
        const name = `${table} ${key}`;
        if (!before.has(name)) before.set(name, { table, key, row });
      }
      await db.table(table).clear();
    },
    finish: async () => {
      const changed: RowChange[] = [];
      for (const { table, key, row } of before.values()) {
        const after = await db.table<Row>(table).get(key);
        const afterPrint = printOf(table, after);
        if (afterPrint === printOf(table, row ?? undefined)) continue;
        const afterIds = table === 'nightReadings' ? readingsOf(after).map((r) => r.id) : [];
        changed.push({ table, key, before: row, afterPrint, afterIds });
      }
      return changed;
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

/** A night's readings as they were before a change, with those that came since. */
function readingsBefore({ before, afterIds }: RowChange, now: Row | undefined): Reading[] {
  const after = new Set(afterIds);
  return [...readingsOf(before), ...readingsOf(now).filter((r) => !after.has(r.id))];
}

/** Sets the rows back. Runs inside the caller's transaction. */
export async function restoreRows(db: OwlDatabase, rows: readonly RowChange[]): Promise<void> {
  for (const change of rows) {
    const table = db.table<Row>(change.table);
    const now = await table.get(change.key);
    if (change.table === 'nightReadings') {
      const readings = readingsBefore(change, now);
      if (readings.length === 0) await table.delete(change.key);
      else await table.put({ nightId: change.key, readings });
    } else if (change.before === null) await table.delete(change.key);
    else {
      const rev = typeof now?.['rev'] === 'number' ? { rev: now['rev'] + 1 } : {};
      await table.put({ ...change.before, ...rev });
    }
  }
}

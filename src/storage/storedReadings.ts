/** The readings of all nights as they are stored, validated. A night is read again when its row changed, in this tab or in
 *  another one; the others keep their lists, so that a reading more costs its own night and not the whole history. */
import Dexie, { RangeSet, type ObservabilitySet } from 'dexie';
import type { ReadingsByNight } from '../core/night/readingIndex.ts';
import { nightReadingsSchema, readingSchema, type Reading } from '../core/records/reading.ts';
import { withoutDoubles } from '../core/records/upgrades.ts';
import { createListeners } from '../core/listeners.ts';
import { checkRows, type Checked, type Damaged } from './checkRows.ts';
import type { OwlDatabase } from './database.ts';
import { failureOf } from './transact.ts';

export type StoredReadings = {
  byNight: ReadingsByNight;
  damaged: Damaged[];
  /** Readings that an earlier version stored once more than it should have; one of each counts. */
  doubles: number;
};

type Row = { readings: readonly Reading[]; damaged: Damaged[]; doubles: number };

const listIn = (row: unknown): unknown[] =>
  typeof row === 'object' && row !== null && 'readings' in row && Array.isArray(row.readings) ? row.readings : [];

/** A damaged reading is named and left out, its neighbours are kept. @param seen ids of rows before it. */
function checkRow(row: unknown, seen: Set<unknown> = new Set()): Row {
  const whole = nightReadingsSchema.safeParse(row);
  const { records, damaged } = whole.success
    ? { records: whole.data.readings, damaged: [] }
    : checkRows('nightReadings', readingSchema, listIn(row));
  const readings = withoutDoubles(records, seen) as Reading[];
  return { readings, damaged, doubles: records.length - readings.length };
}

function gathered(rows: ReadonlyMap<string, Row>): StoredReadings {
  const all = [...rows.values()];
  return {
    byNight: new Map([...rows].map(([nightId, { readings }]) => [nightId, readings])),
    damaged: all.flatMap((row) => row.damaged),
    doubles: all.reduce((count, row) => count + row.doubles, 0),
  };
}

async function readAll(db: OwlDatabase): Promise<Map<string, Row>> {
  const seen = new Set<unknown>();
  return new Map((await db.nightReadings.toArray()).map((row) => [row.nightId, checkRow(row, seen)]));
}

/** Everything once, as one list: for files and copies. */
export async function readReadings(db: OwlDatabase): Promise<Checked<Reading> & { doubles: number }> {
  const { byNight, ...rest } = gathered(await readAll(db));
  return { records: [...byNight.values()].flat(), ...rest };
}

/** Nights whose rows a change touched; null when they cannot be told one by one. */
function touched(parts: ObservabilitySet, part: string): string[] | null {
  const ranges = parts[part];
  if (!ranges) return [];
  const keys: string[] = [];
  for (const { from, to } of RangeSet(ranges)) {
    if (typeof from !== 'string' || from !== to) return null;
    keys.push(from);
  }
  return keys;
}

export type ReadingsSource = {
  /** Undefined until everything was read once. */
  get: () => StoredReadings | undefined;
  subscribe: (listener: () => void) => () => void;
};

/** What is kept of the rows between one reading and the next. */
function rowsReader(db: OwlDatabase) {
  let rows: Map<string, Row> | null = null;
  let due: Set<string> | 'all' = 'all';
  const readNights = async (known: Map<string, Row>, nightIds: readonly string[]): Promise<void> => {
    const found = await db.nightReadings.bulkGet([...nightIds]);
    nightIds.forEach((nightId, i) => {
      const row = found[i];
      if (row) known.set(nightId, checkRow(row));
      else known.delete(nightId);
    });
  };
  return {
    /** Null: everything. */
    again: (nights: readonly string[] | null): void => {
      if (nights === null) due = 'all';
      else if (due !== 'all') for (const nightId of nights) due.add(nightId);
    },
    /** Reads what is due; null when nothing is. @throws what the database throws; everything is due then. */
    read: async (): Promise<StoredReadings | null> => {
      const now = due;
      if (now !== 'all' && now.size === 0) return null;
      due = new Set();
      try {
        if (rows === null || now === 'all') rows = await readAll(db);
        else await readNights(rows, [...now]);
        return gathered(rows);
      } catch (error) {
        due = 'all';
        throw error;
      }
    },
  };
}

/** Reads one after the other: what changes while something is read is read after it. */
function inTurn(read: () => Promise<void>): () => void {
  let last: Promise<void> = Promise.resolve();
  return () => {
    last = last.then(read);
  };
}

/** Reads while someone listens. A database that is closed meanwhile is told elsewhere. */
export function readingsSource(db: OwlDatabase): ReadingsSource {
  const reader = rowsReader(db);
  const { subscribe, tell } = createListeners();
  const part = `idb://${db.name}/nightReadings/`;
  let shown: StoredReadings | undefined;
  let listening = 0;
  const read = inTurn(async () => {
    try {
      const fresh = await reader.read();
      if (!fresh) return;
      shown = fresh;
      tell();
    } catch (error) {
      if (failureOf(error) === null) throw error;
    }
  });
  const noteChange = (parts: ObservabilitySet): void => {
    const nights = touched(parts, part);
    if (nights?.length === 0) return;
    reader.again(nights);
    read();
  };
  const listen = (): void => {
    Dexie.on('storagemutated', noteChange);
    reader.again(null);
    read();
  };
  return {
    get: () => shown,
    subscribe: (listener) => {
      if ((listening += 1) === 1) listen();
      const leave = subscribe(listener);
      return () => {
        leave();
        if ((listening -= 1) === 0) Dexie.on.storagemutated.unsubscribe(noteChange);
      };
    },
  };
}

/** The rows of one table as they are stored, checked. A row is read again when it changed, in this tab or in another one; the
 *  others keep what was made of them, so that a change costs what it touches and not the whole history. */
import Dexie, { RangeSet, type ObservabilitySet, type Table } from 'dexie';
import { createListeners } from '../core/listeners.ts';
import type { OwlDatabase } from './database.ts';

export type TableSource<Shown> = {
  /** Undefined until everything was read once. @throws what stood in the way of reading, until reading succeeds. */
  get: () => Shown | undefined;
  subscribe: (listener: () => void) => () => void;
  /** Reads these rows again, whole. */
  ask: (keys: readonly string[]) => void;
};

export type TableReading<Row, Shown> = {
  table: string;
  readAll: (db: OwlDatabase) => Promise<Map<string, Row>>;
  /** Of these keys those that are there. */
  readRows: (db: OwlDatabase, keys: readonly string[]) => Promise<Map<string, Row>>;
  /** @param rows by key; those that came later stand last. */
  gather: (rows: ReadonlyMap<string, Row>) => Shown;
};

/** A change of more rows than this is read as a whole. */
const MOST_BY_KEY = 200;

/** Keys of the rows that a change touched; null when they cannot be told one by one, or are many. */
function touched(parts: ObservabilitySet, part: string): string[] | null {
  const ranges = parts[part];
  if (!ranges) return [];
  const keys: string[] = [];
  for (const { from, to } of RangeSet(ranges)) {
    if (typeof from !== 'string' || from !== to) return null;
    if (keys.push(from) > MOST_BY_KEY) return null;
  }
  return keys;
}

/** So many rows at once: the page stays awake between them. */
const PAGE = 1000;

/** The whole table in the order of its keys, page by page: whatever a key is, also one that no command of ours would write. */
export async function inPages<Row>(
  table: Table<Row, string>,
  see: (rows: readonly Row[]) => void,
  size = PAGE,
): Promise<void> {
  const keyOf = keyIn(table);
  let page = await table.orderBy(':id').limit(size).toArray();
  for (;;) {
    see(page);
    const end = page.at(-1);
    if (!end || page.length < size) return;
    page = await table.where(':id').above(keyOf(end)).limit(size).toArray();
  }
}

function keyIn<Row>(table: Table<Row, string>): (row: Row) => unknown {
  const { keyPath } = table.schema.primKey;
  return (row) => (row as Record<string, unknown>)[String(keyPath)];
}

/** The whole table, each row checked by itself. */
export async function wholeTable<Row>(
  db: OwlDatabase,
  table: string,
  check: (row: unknown) => Row,
): Promise<Map<string, Row>> {
  const [found, keyOf] = [new Map<string, Row>(), keyIn(db.table(table))];
  await inPages(db.table(table), (rows) => {
    for (const row of rows) found.set(String(keyOf(row)), check(row));
  });
  return found;
}

/** Rows that are checked each by itself. */
export function rowsBy<Row>(
  table: string,
  check: (row: unknown) => Row,
): Pick<TableReading<Row, unknown>, 'readAll' | 'readRows'> {
  return {
    readAll: (db) => wholeTable(db, table, check),
    readRows: async (db, keys) => {
      const found = await db.table<unknown>(table).bulkGet([...keys]);
      return new Map(keys.flatMap((key, i) => (found[i] === undefined ? [] : [[key, check(found[i])] as const])));
    },
  };
}

/** What is kept of the rows between one reading and the next. */
function rowsReader<Row, Shown>(db: OwlDatabase, how: TableReading<Row, Shown>) {
  let rows: Map<string, Row> | null = null;
  let due: Set<string> | 'all' = 'all';
  const readRows = async (known: Map<string, Row>, keys: readonly string[]): Promise<void> => {
    const found = await how.readRows(db, keys);
    for (const key of keys) {
      const row = found.get(key);
      if (row === undefined) known.delete(key);
      else known.set(key, row);
    }
  };
  return {
    /** Null: everything. */
    again: (keys: readonly string[] | null): void => {
      if (keys === null) due = 'all';
      else if (due !== 'all') for (const key of keys) due.add(key);
    },
    /** Reads what is due; null when nothing is. @throws what the database throws; everything is due then. */
    read: async (): Promise<{ shown: Shown } | null> => {
      const now = due;
      if (now !== 'all' && now.size === 0) return null;
      due = new Set();
      try {
        if (rows === null || now === 'all') rows = await how.readAll(db);
        else await readRows(rows, [...now]);
        return { shown: how.gather(rows) };
      } catch (error) {
        due = 'all';
        throw error;
      }
    },
  };
}

/** Reads one after the other: what changes while something is read is read after it. @param read never rejects. */
function inTurn(read: () => Promise<void>): () => void {
  let last: Promise<void> = Promise.resolve();
  return () => {
    last = last.then(read);
  };
}

/** What was read last, or what stood in the way. A database that was closed is told by whoever closed it. */
function latest<Shown>(db: OwlDatabase, readDue: () => Promise<{ shown: Shown } | null>, tell: () => void) {
  let shown: Shown | undefined;
  let failed: { error: unknown } | null = null;
  const read = inTurn(async () => {
    try {
      const fresh = await readDue();
      if (!fresh) return;
      ({ shown } = fresh);
      failed = null;
    } catch (error) {
      if (!db.isOpen()) return;
      failed = { error };
    }
    tell();
  });
  const get = (): Shown | undefined => {
    if (failed) throw failed.error;
    return shown;
  };
  return { read, get };
}

/** Reads while someone listens. */
export function tableSource<Row, Shown>(db: OwlDatabase, how: TableReading<Row, Shown>): TableSource<Shown> {
  const { subscribe, tell } = createListeners();
  const reader = rowsReader(db, how);
  const { read, get } = latest(db, reader.read, tell);
  const part = `idb://${db.name}/${how.table}/`;
  let listening = 0;
  const noteChange = (parts: ObservabilitySet): void => {
    const keys = touched(parts, part);
    if (keys?.length === 0) return;
    reader.again(keys);
    read();
  };
  const listen = (): void => {
    Dexie.on('storagemutated', noteChange);
    reader.again(null);
    read();
  };
  return {
    get,
    ask: (keys) => {
      reader.again(keys);
      read();
    },
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

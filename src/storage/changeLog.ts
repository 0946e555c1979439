/** The list of changes that undo goes back along: written with every command, counted, and kept short. */
import { toUtcText } from '../core/time/utc.ts';
import type { Change, ChangeLabel, RowChange, StoredChange } from './changes.ts';
import type { OwlDatabase } from './database.ts';
import type { Writer } from './writer.ts';

/** Kept per tab. */
export const CHANGES_KEPT = 200;
/** Changes of many rows hold what they replaced; more of them would fill the disk. */
const LARGE_KEPT = 3;

const COUNTER = 'counter';

/** The next numbers of this database, the first of so many. Runs inside the caller's transaction. */
export async function nextSeqs(db: OwlDatabase, count: number): Promise<number> {
  const row = await db.meta.get(COUNTER);
  const last = Number(row?.value ?? 0);
  await db.meta.put({ key: COUNTER, value: String(last + count) });
  return last + 1;
}

const rowsAt = (db: OwlDatabase, changeId: string) =>
  db.changedRows.where('[changeId+n]').between([changeId, -Infinity], [changeId, Infinity]);

/** The rows of a change of many, in the order in which they were changed. */
export async function rowsOf(db: OwlDatabase, changeId: string): Promise<RowChange[]> {
  const rows = await rowsAt(db, changeId).toArray();
  return rows.map(({ table, key, before, afterPrint, afterIds }) => ({ table, key, before, afterPrint, afterIds }));
}

/** Runs inside the caller's transaction. */
export async function forgetChanges(db: OwlDatabase, ids: readonly string[]): Promise<void> {
  await db.changes.bulkDelete([...ids]);
  for (const id of ids) await rowsAt(db, id).delete();
}

/** Changes of many rows, oldest first. */
async function largeChanges(db: OwlDatabase): Promise<string[]> {
  const large = await db.changes.filter((c) => c.changes.some((one) => one.type === 'rows')).toArray();
  return large.sort((a, b) => a.seq - b.seq).map((c) => c.id);
}

type Logged = { label: ChangeLabel; name: string; changes: Change[]; seq: number };

async function put(w: Writer, { label, name, changes, seq }: Logged): Promise<string> {
  const stored: StoredChange = {
    id: w.newId(),
    seq,
    tabId: w.tabId,
    press: w.press ?? w.newId(),
    atUtc: toUtcText(w.nowMs()),
    label,
    name,
    changes,
    refused: false,
  };
  const [mine] = await Promise.all([changesOf(w.db, w.tabId).primaryKeys(), w.db.changes.put(stored)]);
  const tooMany = mine.length + 1 - CHANGES_KEPT;
  if (tooMany > 0) await forgetChanges(w.db, mine.slice(0, tooMany));
  return stored.id;
}

/** Keeps a change for undo. Runs inside the caller's transaction. @param seq its number, where the caller took one. */
export async function logChange(
  w: Writer,
  label: ChangeLabel,
  name: string,
  changes: Change[],
  seq?: number,
): Promise<void> {
  await put(w, { label, name, changes, seq: seq ?? (await nextSeqs(w.db, 1)) });
}

/** Keeps a change of many rows. Runs inside the caller's transaction. */
export async function logRows(w: Writer, name: string, rows: readonly RowChange[]): Promise<void> {
  const changeId = await put(w, { label: 'whole', name, changes: [{ type: 'rows' }], seq: await nextSeqs(w.db, 1) });
  await w.db.changedRows.bulkPut(rows.map((row, n) => ({ ...row, changeId, n })));
  const large = await largeChanges(w.db);
  await forgetChanges(w.db, large.slice(0, Math.max(0, large.length - LARGE_KEPT)));
}

/** A tab's changes, oldest first. */
export function changesOf(db: OwlDatabase, tabId: string) {
  return db.changes.where('[tabId+seq]').between([tabId, -Infinity], [tabId, Infinity]);
}

const WEEK_MS = 7 * 86_400_000;

/** Changes of tabs that are gone are kept for a week. @param open tabs that are open now. */
export async function forgetOldChanges(db: OwlDatabase, nowMs: number, open: ReadonlySet<string>): Promise<void> {
  const before = toUtcText(nowMs - WEEK_MS);
  await db.transaction('rw', db.changes, db.changedRows, async () => {
    const old = await db.changes.filter((c) => c.atUtc < before && !open.has(c.tabId)).primaryKeys();
    await forgetChanges(db, old);
  });
}

/** The list of changes that undo goes back along: written with every command, counted, and kept short. */
import { toUtcText } from '../core/time/utc.ts';
import type { Change, ChangeLabel, StoredChange } from './changes.ts';
import type { OwlDatabase } from './database.ts';
import type { Writer } from './writer.ts';

/** Kept per tab. */
export const CHANGES_KEPT = 200;
/** Changes of many rows hold what they replaced; more of them would fill the disk. */
const LARGE_KEPT = 3;

const COUNTER = 'counter';

/** The next number of this database. Runs inside the caller's transaction. */
export async function nextSeq(db: OwlDatabase): Promise<number> {
  const row = await db.meta.get(COUNTER);
  const seq = Number(row?.value ?? 0) + 1;
  await db.meta.put({ key: COUNTER, value: String(seq) });
  return seq;
}

const isLarge = (change: StoredChange): boolean => change.changes.some((one) => one.type === 'rows');

/** Keeps a change for undo. Runs inside the caller's transaction. */
export async function logChange(w: Writer, label: ChangeLabel, name: string, changes: Change[]): Promise<void> {
  const { db, tabId } = w;
  const stored: StoredChange = {
    id: w.newId(),
    seq: await nextSeq(db),
    tabId,
    press: w.press ?? w.newId(),
    atUtc: toUtcText(w.nowMs()),
    label,
    name,
    changes,
    refused: false,
  };
  await db.changes.put(stored);
  const mine = await changesOf(db, tabId).primaryKeys();
  await db.changes.bulkDelete(mine.slice(0, Math.max(0, mine.length - CHANGES_KEPT)));
  if (label !== 'whole') return;
  const large = (await db.changes.toArray()).filter(isLarge).sort((a, b) => a.seq - b.seq);
  await db.changes.bulkDelete(large.slice(0, Math.max(0, large.length - LARGE_KEPT)).map((c) => c.id));
}

/** A tab's changes, oldest first. */
export function changesOf(db: OwlDatabase, tabId: string) {
  return db.changes.where('[tabId+seq]').between([tabId, -Infinity], [tabId, Infinity]);
}

const WEEK_MS = 7 * 86_400_000;

/** Changes of tabs that are gone are kept for a week. @param open tabs that are open now. */
export async function forgetOldChanges(db: OwlDatabase, nowMs: number, open: ReadonlySet<string>): Promise<void> {
  const before = toUtcText(nowMs - WEEK_MS);
  await db.changes.filter((c) => c.atUtc < before && !open.has(c.tabId)).delete();
}

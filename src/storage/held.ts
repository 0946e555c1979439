/** How much this device held, remembered outside the database: a browser can lose a database without a word. Only what is
 *  the user's own is counted; the demo is not missed. */
import type { Backup } from '../formats/backup.ts';
import type { ReadingsByNight } from '../core/history/readingIndex.ts';
import { HEAD_TABLES } from '../core/records/heads.ts';
import type { Reading } from '../core/records/reading.ts';

export type Held = { records: number; readings: number; nights: number };
type Heads = Pick<Backup['lists'], (typeof HEAD_TABLES)[number]>;
type Lists = Heads & { readings: readonly Reading[] | ReadingsByNight };

export const NOTHING_HELD: Held = { records: 0, readings: 0, nights: 0 };

function ownIn(readings: Lists['readings']): Pick<Held, 'readings' | 'nights'> {
  if (readings instanceof Map) {
    const counts = [...(readings as ReadingsByNight).values()].map(({ summary }) => summary.own);
    return {
      readings: counts.reduce((sum, count) => sum + count, 0),
      nights: counts.filter((count) => count > 0).length,
    };
  }
  const own = (readings as readonly Reading[]).filter((r) => r.deviceId !== 'demo');
  return { readings: own.length, nights: new Set(own.map((r) => r.nightId)).size };
}

/** Tombstones count: a deletion is no loss. */
export function heldIn(lists: Lists): Held {
  return {
    records: HEAD_TABLES.flatMap((t) => lists[t] as { origin: string }[]).filter((r) => r.origin !== 'demo').length,
    ...ownIn(lists.readings),
  };
}

export const isSmaller = (now: Held, before: Held): boolean =>
  now.records < before.records || now.readings < before.readings;

/** What of both is more. */
export const larger = (a: Held, b: Held): Held => ({
  records: Math.max(a.records, b.records),
  readings: Math.max(a.readings, b.readings),
  nights: Math.max(a.nights, b.nights),
});

const KEY = 'tidy-owl-held';
const SAVED = 'tidy-owl-saved-nights';
type Store = Pick<Storage, 'getItem' | 'setItem'>;

/** Own nights after which a file is asked for. */
const NIGHTS_WITHOUT_FILE = 10;

/** A file of everything was saved: from here on nights are counted. */
export function rememberSaved({ nights }: Held, storage: Store): void {
  storage.setItem(SAVED, String(nights));
}

/** Own nights since the last file; null while there are few of them. */
export function nightsWithoutFile({ nights }: Held, storage: Store): number | null {
  const since = nights - Number(storage.getItem(SAVED) ?? 0);
  return since >= NIGHTS_WITHOUT_FILE ? since : null;
}

export function rememberHeld(held: Held, storage: Store): void {
  storage.setItem(KEY, JSON.stringify(held));
}

/** Null when nothing was remembered, or in no form that is known. */
export function heldBefore(storage: Store): Held | null {
  try {
    const found: unknown = JSON.parse(storage.getItem(KEY) ?? 'null');
    if (typeof found !== 'object' || found === null) return null;
    const read = (key: keyof Held): number => {
      const value: unknown = (found as Record<string, unknown>)[key];
      return typeof value === 'number' ? value : 0;
    };
    return { records: read('records'), readings: read('readings'), nights: read('nights') };
  } catch {
    return null;
  }
}

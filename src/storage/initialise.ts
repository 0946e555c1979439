/** Marks an empty database as set up when no demo is wanted, so that none is loaded later. */
import { toUtcText } from '../core/time/utc.ts';
import type { OwlDatabase } from './database.ts';

export async function initialiseEmpty(db: OwlDatabase, nowMs: number): Promise<void> {
  await db.transaction('rw', db.meta, async () => {
    if ((await db.meta.get('initialised')) === undefined)
      await db.meta.put({ key: 'initialised', value: toUtcText(nowMs) });
  });
}

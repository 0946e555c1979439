/** Opening the database: never with an older program over a newer one, and mending what an earlier version left. */
import { withoutDoubles } from '../core/records/upgrades.ts';
import { ok } from '../core/result.ts';
import type { OwlDatabase } from './database.ts';
import { MIGRATIONS } from './migrations.ts';
import { readingsIn } from './nightRows.ts';
import { caught, type Written } from './transact.ts';

/** The library numbers a browser's database in tens. */
const VERSION_STEP = 10;

/** The number of the newest schema that this program knows. */
export const LATEST_VERSION = Math.max(...MIGRATIONS.map((m) => m.version));

/** The database is open and of a schema that is known; or a newer program made it, and it was closed again untouched. */
export async function openDatabase(db: OwlDatabase): Promise<'open' | 'newer'> {
  await db.open();
  // A newer database opens under its own number; reading and writing it here would strip what this program does not know.
  if (db.backendDB().version <= LATEST_VERSION * VERSION_STEP) return 'open';
  db.close();
  return 'newer';
}

/** Takes out readings that an earlier version stored twice; answers how many. */
export function healDoubles(db: OwlDatabase): Written<number> {
  return caught(() =>
    db.transaction('rw', db.nightReadings, async () => {
      const seen = new Set<unknown>();
      let healed = 0;
      for (const row of await db.nightReadings.toArray()) {
        const there = readingsIn(row);
        const readings = withoutDoubles(there, seen) as typeof there;
        if (readings.length === there.length) continue;
        healed += there.length - readings.length;
        await db.nightReadings.put({ ...row, readings });
      }
      return ok(healed);
    }),
  );
}

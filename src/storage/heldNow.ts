/** How much is held now, by what is known of the nights. */
import { HEAD_TABLES } from '../core/records/heads.ts';
import type { OwlDatabase } from './database.ts';
import { heldIn, type Held } from './held.ts';
import { readHeads } from './stored.ts';
import { READINGS } from './storedReadings.ts';

export async function heldNow(db: OwlDatabase): Promise<Held> {
  const heads = await Promise.all(HEAD_TABLES.map(async (t) => [t, (await readHeads(db, t)).records] as const));
  const readings = READINGS.gather(await READINGS.readAll(db)).byNight;
  // Each table stands under its own name.
  return heldIn({ ...Object.fromEntries(heads), readings } as unknown as Parameters<typeof heldIn>[0]);
}

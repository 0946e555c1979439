/** Digests of nights and snapshots: what other nights ask of them, made of rows that were checked, so that opening reads a
 *  long history without taking it apart again. */
import type { Table } from 'dexie';
import { digestOf, nightOfDigest, wholeNight, type StoredNight } from '../core/history/storedNight.ts';
import type { Tell } from '../core/history/nightSummary.ts';
import { digestOfSnapshot, snapshotOfDigest, type StoredSnapshot } from '../core/history/storedSnapshot.ts';
import { tellingPole } from '../core/pole/measuredErrors.ts';
import type { NightReadings, Reading } from '../core/records/reading.ts';
import { snapshotSchema, type Snapshot } from '../core/records/snapshot.ts';
import { QUIETLY, type Work } from '../core/work.ts';
import type { OwlDatabase } from './database.ts';
import { checkNight } from './checkNight.ts';
import { readingsIn } from './nightRows.ts';
import { inPages } from './tableSource.ts';

/** Counts up when a digest of the same readings would hold anything else: a test compares. Others are made anew. */
export const DIGEST_VERSION = 8;
type Versioned = { version: number };

const isOurs = ({ version }: Versioned): boolean => version === DIGEST_VERSION;

async function ours<Row extends Versioned, Made>(
  table: Table<Row, string>,
  make: (row: Row) => [id: string, made: Made],
): Promise<Map<string, Made>> {
  const found = new Map<string, Made>();
  await inPages(table, (rows) => {
    for (const row of rows.filter(isOurs)) found.set(...make(row));
  });
  return found;
}

export const digestedNights = (db: OwlDatabase): Promise<Map<string, StoredNight>> =>
  ours(db.nightDigests, (digest) => [digest.nightId, nightOfDigest(digest)]);

export const digestedSnapshots = (db: OwlDatabase): Promise<Map<string, StoredSnapshot>> =>
  ours(db.snapshotDigests, (digest) => [digest.id, snapshotOfDigest(digest)]);

/** Where the snapshots of some nights were taken. @param known kept between calls. */
export async function latitudes(
  db: OwlDatabase,
  nights: readonly (readonly Reading[])[],
  known: Map<string, number | null>,
): Promise<Tell['latOf']> {
  const ids = [...new Set(nights.flatMap((readings) => readings.map((r) => r.snapshotId)))].filter(
    (id) => !known.has(id),
  );
  const found = await db.snapshots.bulkGet(ids);
  ids.forEach((id, i) => {
    const parsed = snapshotSchema.safeParse(found[i]);
    known.set(id, parsed.success ? parsed.data.site.latDeg : null);
  });
  return (snapshotId) => known.get(snapshotId) ?? null;
}

const keysOfOurs = async (db: OwlDatabase, digests: string): Promise<Set<string>> =>
  new Set(await db.table<Versioned, string>(digests).where('version').equals(DIGEST_VERSION).primaryKeys());

/** Nights whose digest is there: their rows were checked when it was made. */
export const digestedIds = (db: OwlDatabase): Promise<Set<string>> => keysOfOurs(db, 'nightDigests');

async function keysWithout(db: OwlDatabase, source: string, digests: string): Promise<string[]> {
  const keys = (await db.table(source).toCollection().primaryKeys()) as string[];
  const there = await keysOfOurs(db, digests);
  return keys.filter((key) => !there.has(key));
}

export const nightsWithoutDigest = (db: OwlDatabase): Promise<string[]> =>
  keysWithout(db, 'nightReadings', 'nightDigests');

const AT_ONCE = 50;
export const inParts = <T>(list: readonly T[], size = AT_ONCE): T[][] =>
  Array.from({ length: Math.ceil(list.length / size) }, (_, i) => list.slice(i * size, (i + 1) * size));

/** What cannot be reckoned with gets no digest: it stays whole, and whoever asks for it is told. */
function ifReckoned<Row, Digest>(rows: readonly Row[], make: (row: Row) => Digest): (Digest & Versioned)[] {
  return rows.flatMap((row) => {
    try {
      return [{ ...make(row), version: DIGEST_VERSION }];
    } catch {
      return [];
    }
  });
}

/** A night whose snapshots are not all here, or not readable, waits for them: what is made of it now would stay wrong. */
const isComplete = ({ readings }: NightReadings, latOf: Tell['latOf']): boolean =>
  readings.every((r) => latOf(r.snapshotId) !== null);

/** Nights that waited for these snapshots are read anew, here and in every open page. Runs inside the caller's transaction. */
export async function readAnew(db: OwlDatabase, snapshots: readonly Snapshot[]): Promise<void> {
  const come = new Set(snapshots.map(({ id }) => id));
  if (come.size === 0) return;
  for (const ids of inParts(await nightsWithoutDigest(db))) {
    const rows = (await db.nightReadings.bulkGet(ids)).filter((row) => row !== undefined);
    await db.nightReadings.bulkPut(rows.filter((row) => readingsIn(row).some((r) => come.has(r.snapshotId))));
  }
}

/** Of nights whose readings were checked already. Runs inside the caller's transaction.
 *  @param latDegOf of snapshots, as far as it is known; what is looked up is added. */
export async function digestChecked(
  db: OwlDatabase,
  nights: readonly NightReadings[],
  latDegOf: Map<string, number | null> = new Map(),
): Promise<void> {
  const latOf = await latitudes(
    db,
    nights.map(({ readings }) => readings),
    latDegOf,
  );
  const tell = tellingPole(latOf);
  await db.nightDigests.bulkPut(
    ifReckoned(
      nights.filter((one) => isComplete(one, latOf)),
      ({ nightId, readings }) => digestOf(nightId, wholeNight(readings, tell)),
    ),
  );
}

export async function digestNights(db: OwlDatabase, nightIds: readonly string[]): Promise<void> {
  await db.transaction('rw', db.nightReadings, db.nightDigests, db.snapshots, async () => {
    const rows = await db.nightReadings.bulkGet([...nightIds]);
    const good = rows.flatMap((row, i): NightReadings[] => {
      if (row === undefined) return [];
      const { readings, damaged, doubles } = checkNight(row);
      // What is damaged or double is found again and named until it is mended.
      return damaged.length > 0 || doubles > 0 ? [] : [{ nightId: nightIds[i] ?? '', readings: [...readings] }];
    });
    await digestChecked(db, good);
  });
}

/** Of snapshots that were checked already. Runs inside the caller's transaction. */
export async function digestCheckedSnapshots(db: OwlDatabase, snapshots: readonly Snapshot[]): Promise<void> {
  await db.snapshotDigests.bulkPut(ifReckoned(snapshots, digestOfSnapshot));
}

export async function digestSnapshots(db: OwlDatabase, ids: readonly string[]): Promise<void> {
  await db.transaction('rw', db.snapshots, db.snapshotDigests, async () => {
    const rows = await db.snapshots.bulkGet([...ids]);
    const good = rows.flatMap((row): Snapshot[] => {
      const parsed = snapshotSchema.safeParse(row);
      return parsed.success ? [parsed.data] : [];
    });
    await digestCheckedSnapshots(db, good);
  });
}

/** Makes the digests that are missing, a few at a time: what was made is there, also when the rest is not wanted now. */
export async function makeDigests(db: OwlDatabase, { report, check }: Work = QUIETLY): Promise<void> {
  for (const ids of inParts(await keysWithout(db, 'snapshots', 'snapshotDigests'))) {
    check();
    await digestSnapshots(db, ids);
  }
  const parts = inParts(await nightsWithoutDigest(db));
  for (const [i, ids] of parts.entries()) {
    check();
    await digestNights(db, ids);
    report('digesting', (i + 1) / parts.length);
  }
}

/** The readings of all nights as they are at hand: whole for the nights that are shown or were changed, put away small for
 *  the others. */
import type { ReadingsByNight } from '../core/history/readingIndex.ts';
import { wholeNight, type StoredNight } from '../core/history/storedNight.ts';
import { tellingPole } from '../core/pole/measuredErrors.ts';
import type { NightReadings, Reading } from '../core/records/reading.ts';
import { QUIETLY, type Work } from '../core/work.ts';
import { checkNight, type CheckedNight } from './checkNight.ts';
import type { Checked, Damaged } from './checkRows.ts';
import type { OwlDatabase } from './database.ts';
import { digestedIds, digestedNights, latitudes } from './digests.ts';
import { inPages, type TableReading } from './tableSource.ts';

export type StoredReadings = {
  byNight: ReadingsByNight;
  damaged: Damaged[];
  /** Readings that an earlier version stored once more than it should have; one of each counts. */
  doubles: number;
};

type Row = { night: StoredNight; damaged: Damaged[]; doubles: number };

/** Rows taken out at once: the page stays awake between them. */
const AT_ONCE = 40;
/** Rows read at once for a file. */
const FOR_FILES = 200;

/** Nights that are read whole, by their ids. */
async function wholeRows(db: OwlDatabase, ids: readonly string[]): Promise<Map<string, Row>> {
  const [seen, lats] = [new Set<unknown>(), new Map<string, number | null>()];
  const rows = new Map<string, Row>();
  for (let i = 0; i < ids.length; i += AT_ONCE) {
    const some = ids.slice(i, i + AT_ONCE);
    const found = await db.nightReadings.bulkGet([...some]);
    const checked = some.flatMap((id, at): [string, CheckedNight][] =>
      found[at] === undefined ? [] : [[id, checkNight(found[at], seen)]],
    );
    const latOf = await latitudes(
      db,
      checked.map(([, { readings }]) => readings),
      lats,
    );
    const tell = tellingPole(latOf);
    for (const [id, { readings, ...rest }] of checked) rows.set(id, { night: wholeNight(readings, tell), ...rest });
  }
  return rows;
}

async function allRows(db: OwlDatabase): Promise<Map<string, Row>> {
  const [digested, count] = await Promise.all([digestedNights(db), db.nightReadings.count()]);
  // A digest stands beside a row that is there, so that as many digests as rows are those of all of them.
  const ids = digested.size === count ? [...digested.keys()] : await db.nightReadings.toCollection().primaryKeys();
  const whole = await wholeRows(
    db,
    ids.filter((id) => !digested.has(id)),
  );
  const rowOf = (id: string): Row | undefined => {
    const night = digested.get(id);
    return night ? { night, damaged: [], doubles: 0 } : whole.get(id);
  };
  return new Map(
    ids.flatMap((id) => {
      const row = rowOf(id);
      return row ? [[id, row] as const] : [];
    }),
  );
}

function gathered(rows: ReadonlyMap<string, Row>): StoredReadings {
  const all = [...rows.values()];
  return {
    byNight: new Map([...rows].map(([nightId, { night }]) => [nightId, night])),
    damaged: all.flatMap((row) => row.damaged),
    doubles: all.reduce((count, row) => count + row.doubles, 0),
  };
}

export const READINGS: TableReading<Row, StoredReadings> = {
  table: 'nightReadings',
  readAll: allRows,
  readRows: wholeRows,
  gather: gathered,
};

/** Everything once, as one list: for files and copies. A night that has its digest was checked when that was made. */
export async function readReadings(
  db: OwlDatabase,
  { report, check }: Work = QUIETLY,
): Promise<Checked<Reading> & { doubles: number }> {
  const digested = await digestedIds(db);
  const [count, seen] = [await db.nightReadings.count(), new Set<unknown>()];
  const nights: CheckedNight[] = [];
  await inPages(
    db.nightReadings,
    (rows) => {
      check();
      for (const row of rows) nights.push(digested.has(row.nightId) ? asChecked(row) : checkNight(row, seen));
      report('collecting', nights.length / Math.max(1, count));
    },
    FOR_FILES,
  );
  return {
    records: nights.flatMap((night) => night.readings),
    damaged: nights.flatMap((night) => night.damaged),
    doubles: nights.reduce((count, night) => count + night.doubles, 0),
  };
}

const asChecked = ({ readings }: NightReadings): CheckedNight => ({ readings, damaged: [], doubles: 0 });

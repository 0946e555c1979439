import { expect } from 'chai';
import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { standingReadings } from '../../../src/core/history/standing.ts';
import type { Reading } from '../../../src/core/records/reading.ts';
import { writeBackup } from '../../../src/formats/backup.ts';
import { readBackup } from '../../../src/formats/readBackup.ts';
import { collect } from '../../../src/storage/backup.ts';
import { OwlDatabase } from '../../../src/storage/database.ts';
import { LATEST_VERSION, openDatabase } from '../../../src/storage/opening.ts';
import { undoLast } from '../../../src/storage/undo.ts';
import { demoDatabase, writerFor } from '../../support/database.ts';

type Row = Record<string, unknown> & { id: string };
type Frozen = { version: number; tables: Record<string, Row[]> };

/** A database as a released version wrote it; the files never change. */
const frozen = (version: number): Frozen =>
  JSON.parse(readFileSync(`tests/fixtures/databases/version-${version}.json`, 'utf8')) as Frozen;

const KEYS: Record<string, string> = { nightReadings: 'nightId', meta: 'key', lineage: 'key', changes: 'id, tabId' };
const KEYS_OF_5: Record<string, string> = {
  ...KEYS,
  changes: 'id, [tabId+seq], press',
  snapshots: 'id, [rig.id+site.id+takenAtUtc]',
};

const KEYS_OF_6: Record<string, string> = {
  ...KEYS_OF_5,
  nightDigests: 'nightId, version',
  snapshotDigests: 'id, version',
  changedRows: '[changeId+n], [table+key]',
};

/** Put into a browser's database under its own number, without any code of ours. */
async function thaw({ version, tables }: Frozen): Promise<string> {
  const name = `test-frozen-${version}`;
  const old = new Dexie(name);
  const keys = version < 5 ? KEYS : version < 6 ? KEYS_OF_5 : KEYS_OF_6;
  old.version(version).stores(Object.fromEntries(Object.keys(tables).map((table) => [table, keys[table] ?? 'id'])));
  await old.open();
  for (const [table, rows] of Object.entries(tables)) await old.table(table).bulkPut(rows);
  old.close();
  return name;
}

const opened: OwlDatabase[] = [];
async function upgraded(version: number) {
  const before = frozen(version);
  const db = new OwlDatabase(await thaw(before));
  opened.push(db);
  expect(await openDatabase(db)).to.equal('open');
  const { backup, damaged } = await collect(writerFor(db, 'laptop', 'tab-a'));
  return { before, db, lists: backup.lists, backup, damaged };
}
async function demoHere(): Promise<OwlDatabase> {
  const db = await demoDatabase();
  opened.push(db);
  return db;
}
/** In each of the groups below: hooks of a file itself would run for the tests of all files. */
function prepared(): void {
  afterEach(async () => {
    for (const db of opened.splice(0)) await db.delete();
  });
}

/** The demo's errors were called drift, its turns and locks stored what is derived now; all are left as they are. */
function asRecordedNow(r: Reading): Reading {
  if (r.kind === 'polarError') return { ...r, values: { ...r.values, method: 'typed' } };
  if (r.kind === 'lockShift') return { ...r, values: { altArcmin: null, azArcmin: null } };
  return r.kind === 'knobTurn' ? { ...r, values: { ...r.values, beforeArcmin: null } } : r;
}

describe('databases of released versions', () => {
  prepared();
  for (const version of [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]) {
    it(`version ${version} opens with every record in it, none damaged, and exports again`, async () => {
      const { before, lists, backup, damaged } = await upgraded(version);
      expect(damaged).to.deep.equal([]);
      for (const table of ['parts', 'rigs', 'sites', 'targets', 'nights', 'snapshots'] as const) {
        expect(lists[table].map((r) => r.id).sort(), table).to.deep.equal(
          before.tables[table]!.map((r) => r.id).sort(),
        );
      }
      const stored = (before.tables['nightReadings'] as unknown as { readings: Row[] }[]).flatMap(
        (row) => row.readings,
      );
      const derived = stored.filter((r) => r['kind'] === 'polarError' && (r['values'] as Row)['method'] === 'drift');
      const gone = version === 4 ? derived.filter((r) => r.id.startsWith('own-')) : [];
      expect(lists.readings.map((r) => r.id).sort()).to.deep.equal(
        stored
          .filter((r) => !gone.includes(r))
          .map((r) => r.id)
          .sort(),
      );
      const again = readBackup(writeBackup(backup).join(''));
      expect(again.ok && again.value.lists.readings).to.have.length(lists.readings.length);
    });
  }

  it('what a version added stands in every part, in snapshots too', async () => {
    const { lists } = await upgraded(1);
    for (const parts of [lists.parts, ...lists.snapshots.map((s) => s.parts)]) {
      const tube = parts.find((p) => p.kind === 'tube')!;
      const mount = parts.find((p) => p.id === 'demo-heron-mount')!;
      expect(tube).to.include({ imageCircleMm: null });
      expect(mount).to.have.property('saddle');
      expect(mount.kind === 'mount' && mount.finder).to.deep.include({ fieldDeg: 7, patternHips: [] });
    }
  });

  it('signals among the ticks become events, in the order in which they were; one unticked is taken back', async () => {
    const { lists, before } = await upgraded(4);
    const own = lists.readings.filter((r) => r.id.startsWith('own-'));
    const events = own.flatMap((r) => (r.kind === 'event' ? [r.values.what] : []));
    expect(events).to.deep.equal(['setByEye', 'scaleSet', 'flipBegun', 'plateMoved', 'driftGivenUp', 'lastPoleCheck']);
    expect(standingReadings(own).some((r) => r.kind === 'event' && r.values.what === 'flipBegun')).to.equal(false);
    expect(own.filter((r) => r.kind === 'check').map((r) => r.values)).to.deep.equal([
      { listId: 'beforeFirstSub', itemId: 'caps', done: true },
    ]);
    const ticks = JSON.stringify(before.tables['nightReadings']).match(/"kind":"check"/g)!.length;
    expect(lists.readings.filter((r) => r.kind === 'check')).to.have.length(ticks - 7);
  });

  it('an error that was reckoned from timed stars goes, one that was measured stays', async () => {
    const { lists } = await upgraded(4);
    const own = lists.readings.filter((r) => r.id.startsWith('own-') && r.kind === 'polarError');
    expect(own.map((r) => r.kind === 'polarError' && r.values.method)).to.deep.equal(['typed']);
    expect(lists.readings.filter((r) => r.kind === 'drift')).to.have.length(1);
  });

  for (const version of [4, 6, 7, 8, 9, 10, 11, 12])
    it(`the demo of version ${version} is the one that a new device loads, wherever its user has not changed it`, async () => {
      const { lists } = await upgraded(version);
      const fresh = (await collect(writerFor(await demoHere(), 'new', 'tab-a'))).backup.lists;
      for (const table of ['parts', 'rigs', 'sites', 'targets', 'nights'] as const) {
        const untouched = new Map(lists[table].filter((r) => r.origin === 'demo').map((r) => [r.id, r]));
        expect(untouched.size, table).to.be.greaterThan(fresh[table].length - 2);
        for (const record of fresh[table]) {
          const old = untouched.get(record.id);
          if (old) expect(record, record.id).to.deep.equal(old);
        }
      }
      const recorded = lists.readings.filter((r) => r.deviceId === 'demo');
      expect(recorded).to.have.length(fresh.readings.length);
      const inOrder = (list: readonly Reading[]) => [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
      expect(inOrder(fresh.readings)).to.deep.equal(inOrder(recorded.map(asRecordedNow)));
      expect(fresh.snapshots).to.deep.equal(lists.snapshots.filter((s) => s.id.startsWith('demo-')));
    });

  it('changes of before can still be taken back, the last one first', async () => {
    const { db } = await upgraded(4);
    const undone = await undoLast(writerFor(db, 'laptop', 'tab-a'));
    expect(undone.ok && [undone.value.label, undone.value.name]).to.deep.equal(['recorded', 'check']);
  });

  it('what an import of before replaced is still taken back, from a table of its own now', async () => {
    const { db, lists } = await upgraded(5);
    expect(lists.targets.map((t) => t.id)).to.include('own-target');
    const stored = await db.changes.toArray();
    expect(stored.flatMap((c) => c.changes.filter((one) => one.type === 'rows'))).to.deep.equal([{ type: 'rows' }]);
    expect(await db.changedRows.count()).to.equal(2);
    const w = writerFor(db, 'laptop', 'tab-a');
    const undone = await undoLast(w);
    expect(undone.ok && undone.value.label).to.equal('whole');
    const after = (await collect(w)).backup.lists;
    expect(after.targets.map((t) => t.id)).not.to.include('own-target');
    expect(after.readings.map((r) => r.id)).not.to.include('own-brought-note');
    expect(after.readings).to.have.length(lists.readings.length - 1);
    expect(await db.changedRows.count()).to.equal(0);
  });

  it('a newer database is left as it is and not opened', async () => {
    const name = 'test-newer';
    const newer = new Dexie(name);
    newer.version(LATEST_VERSION + 1).stores({ parts: 'id', futures: 'id' });
    await newer.table('parts').put({ id: 'p', fromTheFuture: true });
    newer.close();
    const db = new OwlDatabase(name);
    expect(await openDatabase(db)).to.equal('newer');
    expect(db.isOpen()).to.equal(false);
    expect(await newer.open().then(() => newer.table('parts').get('p'))).to.deep.equal({
      id: 'p',
      fromTheFuture: true,
    });
    await newer.delete();
  });
});

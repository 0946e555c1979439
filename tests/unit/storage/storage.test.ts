import { expect } from 'chai';
import { copyHead, createHead, deleteHead, updateHead } from '../../../src/storage/heads.ts';
import { recordReadings } from '../../../src/storage/readings.ts';
import { undoLast } from '../../../src/storage/undo.ts';
import { collect } from '../../../src/storage/backup.ts';
import { OwlDatabase } from '../../../src/storage/database.ts';
import { loadDemo } from '../../../src/storage/demo/loadDemo.ts';
import { SETTING_DEFAULTS } from '../../../src/core/records/setting.ts';
import { HEAD_SCHEMAS } from '../../../src/core/records/heads.ts';
import { checkRows } from '../../../src/storage/checkRows.ts';
import { ulidSource } from '../../../src/storage/ids.ts';
import { initialiseEmpty } from '../../../src/storage/initialise.ts';
import { saveSetting } from '../../../src/storage/settings.ts';
import { isInitialised, readHeads, readSnapshots } from '../../../src/storage/stored.ts';
import { readReadings } from '../../../src/storage/storedReadings.ts';
import type { Writer } from '../../../src/storage/writer.ts';
import { learnedOf } from '../../../src/core/night/learned/learned.ts';
import { recordsOfNight } from '../../../src/core/history/nightRecords.ts';
import { trial } from '../../support/commands.ts';
import { demoDatabase, writerFor, recordOne } from '../../support/database.ts';
import { NOW, recordsIn } from '../../support/records.ts';

let db: OwlDatabase;
let w: Writer;

const masses = async () => (await readHeads(db, 'parts')).records.find((p) => p.id === 'demo-heron-camera')?.massKg;

/** In each of the groups below: hooks of a file itself would run for the tests of all files. */
function prepared(): void {
  beforeEach(async () => {
    db = await demoDatabase();
    w = writerFor(db, 'device', 'tab-a');
  });
  afterEach(() => db.delete());
}

describe('demo data', () => {
  prepared();
  it('holds three rigs, tonight for two of them, and twelve earlier nights, all valid', async () => {
    const tables = await Promise.all([
      readHeads(db, 'rigs'),
      readHeads(db, 'nights'),
      readHeads(db, 'parts'),
      readHeads(db, 'sites'),
      readHeads(db, 'targets'),
    ]);
    expect(tables.map((t) => t.damaged)).to.deep.equal([[], [], [], [], []]);
    expect(tables[0].records.map((r) => r.name)).to.have.members(['Heron', 'Wagtail', 'Plover']);
    expect(tables[1].records).to.have.length(14);
    const { records, damaged } = await readReadings(db);
    expect(damaged).to.deep.equal([]);
    const steps = ['level', 'payload', 'balance', 'polar', 'pointing', 'tracking', 'watch', 'logbook'];
    for (const nightId of new Set(records.map((r) => r.nightId))) {
      const recorded = new Set(records.filter((r) => r.nightId === nightId).map((r) => r.step));
      expect([...recorded], nightId ?? '').to.have.members(steps);
    }
    expect(new Set(records.map((r) => r.nightId)).size).to.equal(12);
    expect((await readSnapshots(db)).records).to.have.length(1);
  });

  it('teaches the knobs of Heron’s mount and what tightening does', async () => {
    const { backup } = await collect(w);
    const all = recordsIn(backup.lists);
    const { knobs, lockShift } = learnedOf(recordsOfNight(all, 'demo-tonight-heron', NOW)!);
    const knob = knobs.altitude!;
    expect(knob.basis).to.equal('learned');
    expect(knob.gainArcminPerTurn).to.be.closeTo(56, 56 * 0.04);
    expect(lockShift).to.deep.include({ learned: true });
    expect(lockShift!.altArcmin).to.be.closeTo(1.3, 0.15);
  });

  it('is loaded once and never again, not even after everything was removed', async () => {
    await db.heads('rigs').clear();
    await loadDemo(db, NOW);
    expect(await db.heads('rigs').count()).to.equal(0);
    expect(await isInitialised(db)).to.equal(true);
  });

  it('a database without demo stays without', async () => {
    const empty = new OwlDatabase('test-empty');
    await initialiseEmpty(empty, NOW);
    await loadDemo(empty, NOW);
    expect(await empty.heads('rigs').count()).to.equal(0);
    await empty.delete();
  });
});

describe('commands', () => {
  prepared();
  it('an edit raises the revision, makes a demo record the user’s own, and can be undone', async () => {
    const edited = await updateHead(w, 'parts', 'demo-heron-camera', { massKg: 0.9 });
    expect(edited.ok && [edited.value.rev, edited.value.origin, edited.value.massKg]).to.deep.equal([2, 'user', 0.9]);
    expect((await undoLast(w)).ok).to.equal(true);
    const after = await db.heads('parts').get('demo-heron-camera');
    expect([after?.massKg, after?.rev]).to.deep.equal([0.72, 3]);
  });

  it('refuses a bad value and leaves what was stored', async () => {
    const bad = await updateHead(w, 'parts', 'demo-heron-camera', { massKg: -1 });
    expect(bad).to.deep.include({ ok: false, code: 'invalidRecord' });
    expect(await masses()).to.equal(0.72);
    expect(await db.changes.count()).to.equal(0);
  });

  it('copies a record under another name with a head of its own', async () => {
    const copied = await copyHead(w, 'parts', 'demo-heron-mount', 'Spare mount');
    if (!copied.ok) throw new Error(copied.code);
    const original = await db.heads('parts').get('demo-heron-mount');
    expect(copied.value).to.include({ name: 'Spare mount', origin: 'user', rev: 1 });
    expect(copied.value.id).not.to.equal('demo-heron-mount');
    expect(copied.value).to.have.deep.property('finder', original?.kind === 'mount' ? original.finder : null);
    expect(await copyHead(w, 'parts', 'nobody', 'x')).to.deep.include({ ok: false, code: 'missingRecord' });
  });

  it('refuses to save over a newer version, and to undo what was changed elsewhere', async () => {
    await updateHead(w, 'parts', 'demo-heron-camera', { massKg: 0.9 });
    await updateHead(writerFor(db, 'device', 'tab-b'), 'parts', 'demo-heron-camera', { massKg: 1 });
    expect(await updateHead(w, 'parts', 'demo-heron-camera', { massKg: 2 }, { baseRev: 2 })).to.deep.include({
      ok: false,
      code: 'changedElsewhere',
    });
    expect(await undoLast(w)).to.deep.include({ ok: false, code: 'changedElsewhere' });
    expect(await masses()).to.equal(1);
    expect(await db.changes.where('tabId').equals('tab-a').count()).to.equal(1);
  });

  it('creates, deletes as a tombstone, and brings back', async () => {
    const made = await createHead(w, 'sites', {
      name: 'Hill',
      latDeg: 50,
      lonDeg: 10,
      elevationM: 300,
      zoneIana: 'Europe/Berlin',
      horizon: [],
    });
    const id = made.ok ? made.value.id : '';
    await deleteHead(w, 'sites', id);
    expect((await db.heads('sites').get(id))?.deletedAtUtc).to.be.a('string');
    await undoLast(w);
    expect((await db.heads('sites').get(id))?.deletedAtUtc).to.equal(null);
    await undoLast(w);
    expect((await db.heads('sites').get(id))?.deletedAtUtc).to.be.a('string');
    expect(await undoLast(w)).to.deep.include({ ok: false, code: 'nothingToUndo' });
  });

  it('does not delete what a rig or night still uses', async () => {
    expect(await deleteHead(w, 'parts', 'demo-heron-camera')).to.deep.include({
      ok: false,
      code: 'stillUsed',
      figures: { name: 'Heron' },
    });
    expect(await deleteHead(w, 'sites', 'demo-estrela')).to.deep.include({ ok: false, code: 'stillUsed' });
    expect(await deleteHead(w, 'parts', 'nobody')).to.deep.include({ ok: false, code: 'missingRecord' });
  });

  it('keeps settings as one record per key', async () => {
    await saveSetting(w, 'units', 'imperial');
    await saveSetting(w, 'units', 'metric');
    const { records } = await readHeads(db, 'settings');
    expect(records.map((s) => [s.key, s.value, s.rev])).to.deep.equal([['units', 'metric', 2]]);
  });

  it('of two settings with one key the deleted one stays deleted', async () => {
    await saveSetting(w, 'units', 'imperial');
    const [first] = (await readHeads(db, 'settings')).records;
    await db.heads('settings').put({ ...first!, id: 'a-deleted-one', deletedAtUtc: '2026-11-02T00:00:00.000Z' });
    await saveSetting(w, 'units', 'metric');
    const live = (await readHeads(db, 'settings')).records.filter((s) => s.deletedAtUtc === null);
    expect(live.map((s) => [s.id, s.value])).to.deep.equal([[first!.id, 'metric']]);
  });

  it('keeps the last 200 changes of a tab', async () => {
    for (let i = 0; i < 205; i += 1) await updateHead(w, 'parts', 'demo-heron-camera', { massKg: i / 100 });
    expect(await db.changes.where('tabId').equals('tab-a').count()).to.equal(200);
  });
});

describe('readings', () => {
  prepared();
  it('are packed by night and carry a snapshot only when something changed', async () => {
    const first = await recordOne(w, trial(0.29));
    const second = await recordOne(w, trial(0.292));
    await updateHead(w, 'parts', 'demo-heron-camera', { massKg: 0.9 });
    const third = await recordOne(w, trial(0.31));
    const snapshot = [first, second, third].map((r) => (r.ok ? r.value.snapshotId : 'failed'));
    expect(snapshot[0]).to.equal(snapshot[1]);
    expect(snapshot[2]).not.to.equal(snapshot[1]);
    expect((await db.nightReadings.get('demo-tonight-heron'))?.readings).to.have.length(3);
    expect(await db.snapshots.count()).to.equal(3);
  });

  it('keep the night’s targets and what judges it as they were', async () => {
    const first = await recordOne(w, trial(0.29));
    await updateHead(w, 'targets', 'demo-ngc281', { raJ2000Deg: 14 });
    const second = await recordOne(w, trial(0.3));
    await saveSetting(w, 'limits', { round: 1.05, acceptable: 1.4 });
    await recordOne(w, trial(0.31));
    const third = await recordOne(w, trial(0.32));
    const kept = await Promise.all([first, second, third].map((r) => db.snapshots.get(r.ok ? r.value.snapshotId : '')));
    expect(kept.map((s) => s?.targets?.map((t) => [t.id, Math.round(t.raJ2000Deg)]))).to.deep.equal([
      [['demo-ngc281', 13]],
      [['demo-ngc281', 14]],
      [['demo-ngc281', 14]],
    ]);
    expect(kept.map((s) => s?.limits?.round)).to.deep.equal([1.1, 1.1, 1.05]);
    expect(kept[2]?.schools).to.deep.equal(SETTING_DEFAULTS.schools);
  });

  it('of targets taken in turn one snapshot is enough, however many nights', async () => {
    const plan = async (targetId: string) => {
      const [entry] = (await db.heads('nights').get('demo-tonight-heron'))!.plan;
      await updateHead(w, 'nights', 'demo-tonight-heron', { plan: [{ ...entry!, targetId }] });
      return recordOne(w, trial(0.3));
    };
    await plan('demo-ngc281');
    await plan('demo-m33');
    const both = await db.snapshots.count();
    for (const id of ['demo-ngc281', 'demo-m33', 'demo-ngc281']) await plan(id);
    expect(await db.snapshots.count()).to.equal(both);
    await updateHead(w, 'targets', 'demo-ngc281', { raJ2000Deg: 14 });
    const changed = await plan('demo-m33');
    expect(await db.snapshots.count(), 'tonight’s own is as it was').to.equal(both);
    const since = await plan('demo-ngc281');
    const kept = await db.snapshots.get(since.ok ? since.value.snapshotId : '');
    expect(kept?.targets?.map((t) => [t.id, Math.round(t.raJ2000Deg)])).to.deep.equal([
      ['demo-ngc281', 14],
      ['demo-m33', 23],
    ]);
    expect(changed.ok && changed.value.snapshotId).not.to.equal(kept?.id);
  });

  it('undo retracts: the reading stays, a retraction is added', async () => {
    const made = await recordOne(w, trial(0.29));
    await undoLast(w);
    const row = await db.nightReadings.get('demo-tonight-heron');
    expect(row?.readings.map((r) => r.kind)).to.deep.equal(['balance', 'retract']);
    expect(row?.readings[1]?.kind === 'retract' && row.readings[1].values.readingId).to.equal(made.ok && made.value.id);
    expect((await readReadings(db)).damaged).to.deep.equal([]);
  });

  it('refuses a reading out of range or without a night, storing nothing', async () => {
    expect(await recordOne(w, trial(99))).to.deep.include({ ok: false, code: 'invalidRecord' });
    expect(await recordOne(w, trial(0.3, 'no-such-night'))).to.deep.include({
      ok: false,
      code: 'missingRecord',
    });
    expect(await db.nightReadings.get('demo-tonight-heron')).to.equal(undefined);
    expect(await db.changes.count()).to.equal(0);
  });
});

describe('reading what is stored', () => {
  prepared();
  it('names damaged rows, repairs heads that lack new keys, keeps the rest', async () => {
    const whole = await db.heads('parts').get('demo-heron-camera');
    const older = Object.fromEntries(Object.entries(whole!).filter(([key]) => key !== 'note' && key !== 'archived'));
    const checked = checkRows('parts', HEAD_SCHEMAS.parts, [older, { ...whole, massKg: 'heavy' }, 7, null]);
    expect(checked.records.map((p) => [p.id, p.note, p.archived])).to.deep.equal([['demo-heron-camera', '', false]]);
    expect(checked.damaged.map((d) => d.id)).to.deep.equal(['demo-heron-camera', '?', '?']);
    expect(checked.damaged[0]).to.include({ where: 'massKg', what: 'wrongType number' });
  });

  it('leaves out one damaged reading and keeps its neighbours', async () => {
    await recordOne(w, trial(0.29));
    const row = await db.nightReadings.get('demo-tonight-heron');
    await db.nightReadings.put({
      nightId: 'demo-tonight-heron',
      readings: [...row!.readings, { id: 'broken' } as never],
    });
    const { records, damaged } = await readReadings(db);
    expect(records.filter((r) => r.nightId === 'demo-tonight-heron')).to.have.length(1);
    expect(damaged.map((d) => d.id)).to.deep.equal(['broken']);
  });
});

describe('readings that belong together', () => {
  prepared();
  const count = async () => (await readReadings(db)).records.filter((r) => r.nightId === 'demo-tonight-heron').length;

  it('are kept as one change, and undone as one', async () => {
    const before = await count();
    const kept = await recordReadings(w, [trial(0.29), trial(0.3)]);
    expect(kept.ok && kept.value.map((r) => r.kind)).to.deep.equal(['balance', 'balance']);
    expect(await count()).to.equal(before + 2);
    await undoLast(w);
    const standing = (await readReadings(db)).records.filter((r) => r.nightId === 'demo-tonight-heron');
    const retracted = standing.flatMap((r) => (r.kind === 'retract' ? [r.values.readingId] : []));
    expect(retracted).to.have.members(kept.ok ? kept.value.map((r) => r.id) : []);
  });

  it('are kept whole or not at all', async () => {
    const before = await count();
    const refused = await recordReadings(w, [trial(0.29), trial(99)]);
    expect(refused.ok).to.equal(false);
    expect(await count()).to.equal(before);
  });
});

describe('ids', () => {
  it('sort by time and never repeat', () => {
    let now = 1_000;
    const next = ulidSource(
      () => (now += 1),
      (count) => crypto.getRandomValues(new Uint8Array(count)),
    );
    const made = Array.from({ length: 500 }, next);
    expect([...made].sort()).to.deep.equal(made);
    expect(new Set(made).size).to.equal(500);
    expect(made[0]).to.match(/^[0-9A-HJKMNP-TV-Z]{26}$/);
  });

  it('keep the order in which they were made within one millisecond, over a carry too', () => {
    for (const byte of [0, 7, 31]) {
      const next = ulidSource(
        () => 1_000,
        (count) => new Uint8Array(count).fill(byte === 31 ? 30 : byte).map((b, i) => (i === count - 1 ? 31 : b)),
      );
      const made = Array.from({ length: 70 }, next);
      expect([...made].sort()).to.deep.equal(made);
      expect(new Set(made).size).to.equal(70);
    }
  });
});

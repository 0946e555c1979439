import { expect } from 'chai';
import { writeBackup, type Backup } from '../../../src/formats/backup.ts';
import { readBackup } from '../../../src/formats/readBackup.ts';
import { applyMerge, applyReplace, collect, removeDemo, wipe } from '../../../src/storage/backup.ts';
import { createHead, deleteHead, updateHead } from '../../../src/storage/heads.ts';
import { retractReading } from '../../../src/storage/readings.ts';
import { undoLast } from '../../../src/storage/undo.ts';
import { fingerprint } from '../../../src/core/fingerprint.ts';
import { contentFingerprint } from '../../../src/storage/content.ts';
import type { OwlDatabase } from '../../../src/storage/database.ts';
import { planMerge, undecided } from '../../../src/storage/merge.ts';
import { saveSetting } from '../../../src/storage/settings.ts';
import { readHeads } from '../../../src/storage/stored.ts';
import { readReadings } from '../../../src/storage/storedReadings.ts';
import type { Writer } from '../../../src/storage/writer.ts';
import { standingReadings } from '../../../src/core/history/standing.ts';
import { fileOf, trial } from '../../support/commands.ts';
import { demoDatabase, writerFor, recordOne } from '../../support/database.ts';

let laptop: Writer;
let phone: Writer;
let databases: OwlDatabase[] = [];

/** In each of the groups below: hooks of a file itself would run for the tests of all files. */
function prepared(): void {
  beforeEach(async () => {
    databases = [await demoDatabase(), await demoDatabase()];
    laptop = writerFor(databases[0]!, 'laptop');
    phone = writerFor(databases[1]!, 'phone');
  });
  afterEach(() => Promise.all(databases.map((db) => db.delete())));
}

const planOf = async (w: Writer, file: Backup) => planMerge((await collect(w)).backup, file);
async function bringIn(w: Writer, file: Backup, choices = {}) {
  return applyMerge(w, file, await planOf(w, file), choices);
}
const part = async (w: Writer, id = 'demo-heron-camera') =>
  (await readHeads(w.db, 'parts')).records.find((p) => p.id === id)!;
const setMass = (w: Writer, massKg: number, id?: string) =>
  part(w, id).then((p) => updateHead(w, 'parts', p.id, { massKg }));
const stateText = async (w: Writer) => {
  const { backup } = await collect(w);
  return writeBackup({ ...backup, deviceId: 'any', lineage: {} }).join('');
};
describe('merging two devices', () => {
  prepared();
  it('takes over what only the other side changed, and keeps what only this side changed', async () => {
    await setMass(laptop, 0.8);
    await setMass(phone, 3.6, 'demo-heron-tube');
    expect(await bringIn(phone, await fileOf(laptop))).to.deep.include({ ok: true });
    expect([(await part(phone)).massKg, (await part(phone, 'demo-heron-tube')).massKg]).to.deep.equal([0.8, 3.6]);
  });

  it('what is taken over is a newer revision than both sides had, so that a form opened before is told', async () => {
    await setMass(laptop, 0.8);
    await bringIn(phone, await fileOf(laptop));
    await setMass(phone, 0.9);
    await bringIn(laptop, await fileOf(phone));
    expect([(await part(phone)).rev, (await part(laptop)).rev]).to.deep.equal([3, 3]);
    // Undone and taken over again: the side that takes has counted further than the one that gives.
    for (let i = 0; i < 4; i += 1) await setMass(laptop, 1 + i);
    await bringIn(phone, await fileOf(laptop));
    expect((await part(phone)).rev).to.equal(7);
    for (let i = 0; i < 2; i += 1) await undoLast(phone);
    await setMass(laptop, 2);
    await bringIn(phone, await fileOf(laptop));
    expect((await part(phone)).rev).to.be.greaterThan(8);
  });

  it('goes back and forth: a newer version of what came from the other side is taken, an older one is not', async () => {
    await setMass(laptop, 0.8);
    const early = await fileOf(laptop);
    await bringIn(phone, early);
    await setMass(phone, 0.9);
    const plan = await planOf(laptop, await fileOf(phone));
    expect([plan.conflicts.length, plan.incoming.map((i) => i.record.id)]).to.deep.equal([0, ['demo-heron-camera']]);
    await bringIn(laptop, await fileOf(phone));
    expect((await part(laptop)).massKg).to.equal(0.9);
    const older = await planOf(laptop, early);
    expect([older.conflicts.length, older.incoming.length]).to.deep.equal([0, 0]);
  });

  it('both changed the same record: a conflict, field by field, and nothing is chosen silently', async () => {
    await updateHead(laptop, 'parts', 'demo-heron-camera', { massKg: 0.8, note: 'weighed again' });
    await updateHead(phone, 'parts', 'demo-heron-camera', { massKg: 0.75, lengthM: 0.12 });
    const file = await fileOf(laptop);
    const plan = await planOf(phone, file);
    expect(plan.conflicts.map((c) => c.fields)).to.deep.equal([
      [
        { field: 'lengthM', mine: 0.12, theirs: 0.11 },
        { field: 'massKg', mine: 0.75, theirs: 0.8 },
        { field: 'note', mine: '', theirs: 'weighed again' },
      ],
    ]);
    expect(undecided(plan, {})).to.equal(3);
    const before = await stateText(phone);
    expect(await applyMerge(phone, file, plan, {})).to.deep.include({
      ok: false,
      code: 'undecided',
      figures: { open: 3 },
    });
    expect(await stateText(phone)).to.equal(before);
    const key = 'parts/demo-heron-camera';
    const choices = { [key]: { lengthM: 'mine', massKg: 'theirs', note: 'theirs' } as const };
    expect(await applyMerge(phone, file, plan, choices)).to.deep.include({ ok: true });
    expect(await part(phone)).to.include({ lengthM: 0.12, massKg: 0.8, note: 'weighed again' });
    const settledOnce = await planOf(laptop, await fileOf(phone));
    expect([settledOnce.conflicts.length, settledOnce.incoming.length]).to.deep.equal([0, 1]);
  });

  it('refuses a mixture that is no valid record, changing nothing', async () => {
    await updateHead(laptop, 'parts', 'demo-heron-camera', { massKg: 0.8 });
    await updateHead(phone, 'parts', 'demo-heron-camera', { massKg: 0.75 });
    const file = await fileOf(laptop);
    const spoilt: Backup = {
      ...file,
      lists: { ...file.lists, parts: file.lists.parts.map((p) => (p.massKg === 0.8 ? { ...p, massKg: -4 } : p)) },
    };
    const plan = await planOf(phone, spoilt);
    const before = await stateText(phone);
    const choices = { 'parts/demo-heron-camera': { massKg: 'theirs' } as const };
    expect(await applyMerge(phone, spoilt, plan, choices)).to.deep.include({ ok: false, code: 'invalidRecord' });
    expect(await stateText(phone)).to.equal(before);
  });

  it('a deletion travels as a tombstone and stays', async () => {
    await deleteHead(laptop, 'targets', 'demo-m33');
    await bringIn(phone, await fileOf(laptop));
    const gone = (await readHeads(phone.db, 'targets')).records.find((t) => t.id === 'demo-m33')!;
    expect(gone.deletedAtUtc).not.to.equal(null);
    const back = await planOf(laptop, await fileOf(phone));
    expect([back.conflicts.length, back.incoming.length]).to.deep.equal([0, 0]);
  });

  it('joins readings and snapshots by id; a retraction travels too', async () => {
    const made = await recordOne(laptop, trial(0.29));
    if (!made.ok) throw new Error(made.code);
    await recordOne(phone, trial(0.3));
    await bringIn(phone, await fileOf(laptop));
    const positions = async () =>
      standingReadings((await readReadings(phone.db)).records).flatMap((r) =>
        r.kind === 'balance' && r.nightId === 'demo-tonight-heron' ? [r.values.positionM] : [],
      );
    expect(await positions()).to.have.members([0.29, 0.3]);
    await retractReading(laptop, made.value);
    await bringIn(phone, await fileOf(laptop));
    expect(await positions()).to.deep.equal([0.3]);
  });

  it('an unedited demo record gives way to an edited one, even when the demo was loaded on another day', async () => {
    databases.push(await demoDatabase(Date.parse('2026-11-02T19:00:00Z')));
    const tablet = writerFor(databases[2]!, 'tablet');
    await setMass(laptop, 0.8);
    const plan = await planOf(tablet, await fileOf(laptop));
    expect(plan.conflicts).to.deep.equal([]);
    expect(plan.incoming.map((i) => i.record.id)).to.include('demo-heron-camera');
  });

  it('keeps one record per setting on both devices', async () => {
    await saveSetting(laptop, 'units', 'imperial');
    await saveSetting(phone, 'clock', 'utc');
    await bringIn(phone, await fileOf(laptop));
    const settings = (await readHeads(phone.db, 'settings')).records;
    expect(settings.map((s) => s.id).sort()).to.deep.equal(['setting-clock', 'setting-units']);
  });

  it('is undone as a whole, unless a record it touched changed since', async () => {
    const before = await stateText(phone);
    await createHead(laptop, 'targets', {
      name: 'NGC 7000',
      catalogueId: null,
      raJ2000Deg: 314,
      decJ2000Deg: 44,
      sizeArcmin: 120,
    });
    await recordOne(laptop, trial(0.29));
    await bringIn(phone, await fileOf(laptop));
    expect(await stateText(phone)).not.to.equal(before);
    expect(await undoLast(phone)).to.deep.include({ ok: true });
    expect(await stateText(phone)).to.equal(before);
    await setMass(laptop, 0.8);
    await bringIn(phone, await fileOf(laptop));
    await setMass(writerFor(phone.db, 'phone', 'other-tab'), 2);
    expect(await undoLast(phone)).to.deep.include({ ok: false, code: 'changedElsewhere' });
    expect((await part(phone)).massKg).to.equal(2);
  });
});

describe('everything out and back', () => {
  prepared();
  it('export, wipe, import gives the same bytes', async () => {
    await setMass(laptop, 0.8);
    await recordOne(laptop, trial(0.29));
    const file = await fileOf(laptop);
    const before = writeBackup((await collect(laptop)).backup).join('');
    await wipe(laptop);
    expect((await collect(laptop)).backup.lists.parts).to.deep.equal([]);
    expect(await applyReplace(laptop, file)).to.deep.include({ ok: true });
    expect(writeBackup((await collect(laptop)).backup).join('')).to.equal(before);
  });

  it('a wipe can be undone, and does not bring the demo back by itself', async () => {
    const before = await stateText(laptop);
    await wipe(laptop);
    expect(await laptop.db.meta.get('initialised')).not.to.equal(undefined);
    await undoLast(laptop);
    expect(await stateText(laptop)).to.equal(before);
  });

  it('names damaged rows instead of writing them', async () => {
    await laptop.db.table('parts').put({ id: 'broken', name: 5 });
    const { backup, damaged } = await collect(laptop);
    expect(damaged.map((d) => d.id)).to.deep.equal(['broken']);
    expect(readBackup(writeBackup(backup).join('')).ok).to.equal(true);
  });
});

describe('removing the demo', () => {
  prepared();
  it('leaves nothing of it on an untouched device', async () => {
    const done = await removeDemo(laptop);
    if (!done.ok) throw new Error(done.code);
    expect(done.value.kept).to.equal(0);
    const { lists } = (await collect(laptop)).backup;
    expect(Object.values(lists).map((l) => l.length)).to.deep.equal(Object.values(lists).map(() => 0));
  });

  it('keeps what the user’s own records refer to', async () => {
    await recordOne(laptop, trial(0.29));
    const done = await removeDemo(laptop);
    if (!done.ok) throw new Error(done.code);
    const { lists } = (await collect(laptop)).backup;
    expect(lists.nights.map((n) => n.id)).to.deep.equal(['demo-tonight-heron']);
    expect(lists.rigs.map((r) => r.id)).to.deep.equal(['demo-heron']);
    expect(lists.parts.map((p) => p.id)).to.include.members([
      'demo-heron-mount',
      'demo-weight-35',
      'demo-heron-spacer-10',
    ]);
    expect(lists.parts.map((p) => p.id)).not.to.include('demo-plover-tube');
    expect(lists.readings).to.have.length(1);
    expect(lists.snapshots.map((s) => s.id)).to.include(lists.readings[0]!.snapshotId);
    expect(done.value.kept).to.be.greaterThan(10);
    await undoLast(laptop);
    expect((await collect(laptop)).backup.lists.nights).to.have.length(14);
  });
});

describe('fingerprints', () => {
  it('differ for texts that differ in one character, and do not see the bookkeeping', () => {
    const texts = Array.from({ length: 5000 }, (_, i) => `record ${i}`);
    expect(new Set(texts.map(fingerprint)).size).to.equal(texts.length);
    const record = { id: 'a', rev: 1, updatedAtUtc: 'x', deviceId: 'd', origin: 'user', massKg: 2 };
    expect(contentFingerprint({ ...record, rev: 7, deviceId: 'e', origin: 'demo' })).to.equal(
      contentFingerprint(record),
    );
    expect(contentFingerprint({ ...record, massKg: 3 })).not.to.equal(contentFingerprint(record));
  });

  it('stay what they are: devices remember them and files carry them', () => {
    expect(['', 'Heron', '{"name":"Serra da Estrela"}'].map(fingerprint)).to.deep.equal([
      '1aee8d83488bdcb8',
      '0647947e97a97a4b',
      '94c0f850052f01ef',
    ]);
  });
});

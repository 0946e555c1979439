/** Files, copies and undo go by what records say, not by their ids and revisions. */
import { expect } from 'chai';
import type { Reading } from '../../../src/core/records/reading.ts';
import type { Backup } from '../../../src/formats/backup.ts';
import { applyMerge, applyReplace, collect, listsPrint, previewImport } from '../../../src/storage/backup.ts';
import type { OwlDatabase } from '../../../src/storage/database.ts';
import { makeDigests, nightsWithoutDigest } from '../../../src/storage/digests.ts';
import { createHead, updateHead } from '../../../src/storage/heads.ts';
import { undoChange, undoLast } from '../../../src/storage/undo.ts';
import { writeTogether } from '../../../src/storage/writeTogether.ts';
import type { Writer } from '../../../src/storage/writer.ts';
import { READINGS } from '../../../src/storage/storedReadings.ts';
import { fileOf, HILL, must, trial } from '../../support/commands.ts';
import { recordOne, writerFor } from '../../support/database.ts';
import { devices } from '../../support/devices.ts';

let db: OwlDatabase;
let w: Writer;
const { prepared, phoneOf } = devices((made, laptop) => {
  [db, w] = [made, laptop];
});
const merge = async (file: Backup) => applyMerge(w, file, must(await previewImport(w, file)).plan, {});
const camera = () => db.heads('parts').get('demo-heron-camera');
const withReadings = (file: Backup, change: (r: Reading) => Reading): Backup => ({
  ...file,
  lists: { ...file.lists, readings: file.lists.readings.map(change) },
});
const ownPositions = async () =>
  (await collect(w)).backup.lists.readings.flatMap((r) =>
    r.kind === 'balance' && r.deviceId !== 'demo' ? [r.values.positionM] : [],
  );

describe('what is in a file decides', () => {
  prepared();
  it('a file with the same ids and revisions, mended in one value, replaces; once, and undo brings the other back', async () => {
    must(await recordOne(w, trial(0.29)));
    const file = await fileOf(w);
    const mended = withReadings(file, (r) =>
      r.deviceId === 'demo' || r.kind !== 'balance' ? r : { ...r, values: { ...r.values, positionM: 0.31 } },
    );
    mended.lists.parts = file.lists.parts.map((p) => (p.id === 'demo-heron-camera' ? { ...p, massKg: 0.7 } : p));
    must(await applyReplace(w, mended));
    expect([(await camera())!.massKg, await ownPositions()]).to.deep.equal([0.7, [0.31]]);
    expect(listsPrint((await collect(w)).backup.lists)).to.equal(listsPrint(mended.lists));
    must(await applyReplace(w, mended));
    expect(await db.changes.count(), 'already so').to.equal(2);
    must(await undoLast(w));
    expect(listsPrint((await collect(w)).backup.lists)).to.equal(listsPrint(file.lists));
  });

  it('a record changed there and back is what was copied already', async () => {
    const print = async () => listsPrint((await collect(w)).backup.lists);
    const first = await print();
    const { massKg } = (await camera())!;
    must(await updateHead(w, 'parts', 'demo-heron-camera', { massKg: 1.9 }));
    expect(await print()).not.to.equal(first);
    must(await updateHead(w, 'parts', 'demo-heron-camera', { massKg }));
    expect([await print(), (await camera())!.rev]).to.deep.equal([first, 3]);
  });

  it('a merge is still the one that was shown when only revisions counted on', async () => {
    const other = await phoneOf();
    must(await updateHead(other, 'parts', 'demo-heron-camera', { massKg: 0.8 }));
    const file = await fileOf(other);
    const { plan } = must(await previewImport(w, file));
    const { massKg } = (await camera())!;
    must(await updateHead(w, 'parts', 'demo-heron-camera', { massKg: 1.9 }));
    must(await undoLast(w));
    expect((await camera())!).to.include({ massKg, rev: 3 });
    must(await applyMerge(w, file, plan, {}));
    expect((await camera())!, 'newer than both').to.include({ massKg: 0.8, rev: 4 });
  });

  it('a reading that stands here damaged is mended by a file that holds it well', async () => {
    must(await recordOne(w, trial(0.29)));
    const file = await fileOf(w);
    const row = (await db.nightReadings.get('demo-tonight-heron'))!;
    const spoilt = row.readings.map((r) => (r.deviceId === 'demo' ? r : { ...r, takenAtUtc: 'never' }));
    await db.nightReadings.put({ ...row, readings: spoilt });
    expect(await ownPositions()).to.deep.equal([]);
    must(await merge(file));
    expect(await ownPositions()).to.deep.equal([0.29]);
    expect((await db.nightReadings.get('demo-tonight-heron'))!.readings).to.have.length(row.readings.length);
  });

  it('a night that came before its snapshot is made anew when it comes, and not put away until then', async () => {
    const other = await phoneOf();
    must(await recordOne(other, trial(0.3)));
    const file = await fileOf(other);
    const reading = file.lists.readings.find((r) => r.deviceId === 'phone')!;
    const { snapshotId } = reading;
    const early = {
      ...file,
      lists: { ...file.lists, snapshots: file.lists.snapshots.filter((s) => s.id !== snapshotId) },
    };
    must(await merge(early));
    await makeDigests(db);
    expect(await nightsWithoutDigest(db)).to.deep.equal(['demo-tonight-heron']);
    let told = 0;
    const heard = (await import('../../../src/storage/tableSource.ts')).tableSource(db, {
      ...READINGS,
      readRows: (...asked) => {
        told += asked[1].includes('demo-tonight-heron') ? 1 : 0;
        return READINGS.readRows(...asked);
      },
    });
    const leave = heard.subscribe(() => undefined);
    must(await merge(file));
    await new Promise<void>((done) => {
      const stop = heard.subscribe(() => {
        stop();
        done();
      });
      if (told > 0) done();
    });
    leave();
    expect(told, 'an open page reads it again').to.be.at.least(1);
    await makeDigests(db);
    expect(await nightsWithoutDigest(db)).to.deep.equal([]);
  });
});

describe('undo where something refers to it since', () => {
  prepared();
  const other = () => writerFor(db, 'laptop', 'tab-b');
  const moveTo = async (siteId: string) => {
    must(await updateHead(other(), 'nights', 'demo-tonight-heron', { siteId }));
  };

  it('a creation is refused with the name of who uses it, and goes once nobody does', async () => {
    const site = must(await createHead(w, 'sites', HILL));
    const [change] = await db.changes.toArray();
    await moveTo(site.id);
    const refused = await undoChange(w, change!.id);
    expect(refused).to.deep.include({ ok: false, code: 'stillUsed' });
    expect(refused)
      .to.have.nested.property('figures.name')
      .that.matches(/^2026-/);
    expect((await db.heads('sites').get(site.id))!.deletedAtUtc).to.equal(null);
    must(await undoLast(other()));
    must(await undoChange(w, change!.id));
    expect((await db.heads('sites').get(site.id))!.deletedAtUtc).not.to.equal(null);
  });

  it('an import too', async () => {
    const phone = await phoneOf();
    const site = must(await createHead(phone, 'sites', HILL));
    must(await merge(await fileOf(phone)));
    await moveTo(site.id);
    expect(await undoLast(w)).to.deep.include({ ok: false, code: 'stillUsed' });
    expect(await db.heads('sites').get(site.id)).not.to.equal(undefined);
  });

  it('what came together goes together', async () => {
    const night = (await db.heads('nights').get('demo-tonight-heron'))!;
    const records = [
      { table: 'sites' as const, id: 'own-site', body: HILL },
      { table: 'nights' as const, id: night.id, patch: { siteId: 'own-site' }, baseRev: night.rev },
    ];
    must(await writeTogether(w, 'a place', records));
    must(await undoLast(w));
    expect((await db.heads('nights').get(night.id))!.siteId).to.equal(night.siteId);
    expect((await db.heads('sites').get('own-site'))!.deletedAtUtc).not.to.equal(null);
  });
});

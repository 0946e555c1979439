import { expect } from 'chai';
import { fingerprint } from '../../../src/core/fingerprint.ts';
import { Cancelled } from '../../../src/core/work.ts';
import { canonicalJson } from '../../../src/formats/canonicalJson.ts';
import { wipe } from '../../../src/storage/backup.ts';
import type { OwlDatabase } from '../../../src/storage/database.ts';
import { DIGEST_VERSION, digestedNights, makeDigests, nightsWithoutDigest } from '../../../src/storage/digests.ts';
import { retractReading } from '../../../src/storage/readings.ts';
import { READINGS } from '../../../src/storage/storedReadings.ts';
import { SNAPSHOTS } from '../../../src/storage/stored.ts';
import { undoLast } from '../../../src/storage/undo.ts';
import type { Writer } from '../../../src/storage/writer.ts';
import { must, trial } from '../../support/commands.ts';
import { demoDatabase, recordOne, writerFor } from '../../support/database.ts';

const TONIGHT = 'demo-tonight-heron';
let db: OwlDatabase;
let w: Writer;

const nights = async () => READINGS.gather(await READINGS.readAll(db)).byNight;

describe('digests of nights', () => {
  beforeEach(async () => {
    db = await demoDatabase();
    w = writerFor(db);
    await makeDigests(db);
  });
  afterEach(() => db.delete());

  it('are made of every night and snapshot, once, and opening takes them in their place', async () => {
    expect(await nightsWithoutDigest(db)).to.deep.equal([]);
    const shares: number[] = [];
    await makeDigests(db, { report: (_doing, share) => shares.push(share), check: () => undefined });
    expect(shares, 'nothing is left to do').to.deep.equal([]);
    expect([...(await nights()).values()].map((night) => night.whole)).to.deep.equal(Array(12).fill(false));
    const snapshots = SNAPSHOTS.gather(await SNAPSHOTS.readAll(db)).byId;
    expect([...snapshots.values()].map((s) => s.whole().rig.id)).to.deep.equal(['demo-heron']);
  });

  it('stop when they are not wanted now, and what was made is there', async () => {
    const rows = Array.from({ length: 120 }, (_, i) => ({ nightId: `many-${i}`, readings: [] }));
    await db.nightReadings.bulkPut(rows);
    let parts = 0;
    const check = (): void => {
      if ((parts += 1) > 1) throw new Cancelled();
    };
    const ended = await makeDigests(db, { report: () => undefined, check }).catch((error: unknown) => error);
    expect(ended).to.be.instanceOf(Cancelled);
    expect(await nightsWithoutDigest(db)).to.have.length(70);
  });

  it('go with every way of changing a night, and only its own', async () => {
    const ways: [string, () => Promise<unknown>][] = [
      ['recorded', () => recordOne(w, trial(0.29))],
      ['retracted', async () => retractReading(w, must(await recordOne(w, trial(0.3))))],
      ['undone', () => undoLast(w)],
    ];
    for (const [name, change] of ways) {
      await makeDigests(db);
      await change();
      expect(await nightsWithoutDigest(db), name).to.deep.equal([TONIGHT]);
      expect((await nights()).get(TONIGHT)?.whole, name).to.equal(true);
    }
    await makeDigests(db);
    must(await wipe(w));
    expect(await db.nightDigests.count()).to.equal(0);
    must(await undoLast(w));
    expect(await nightsWithoutDigest(db)).to.have.length(13);
    const [row] = await db.nightReadings.toArray();
    await makeDigests(db);
    await db.nightReadings.put(row!);
    expect(await nightsWithoutDigest(db)).to.deep.equal([row!.nightId]);
    await makeDigests(db);
    await db.nightReadings.delete(row!.nightId);
    expect(await db.nightDigests.get(row!.nightId)).to.equal(undefined);
    await db.nightReadings.clear();
    expect(await db.nightDigests.count()).to.equal(0);
  });

  it('are taken back with a change that is not kept', async () => {
    await db
      .transaction('rw', db.nightReadings, async () => {
        await db.nightReadings.clear();
        throw new Error('not kept');
      })
      .catch(() => undefined);
    expect(await nightsWithoutDigest(db)).to.deep.equal([]);
    expect(await db.nightDigests.count()).to.equal(12);
  });

  it('of another version are not looked at, and made anew', async () => {
    const [digest] = await db.nightDigests.toArray();
    await db.nightDigests.put({ ...digest!, version: DIGEST_VERSION - 1 });
    expect((await nights()).get(digest!.nightId)?.whole).to.equal(true);
    await makeDigests(db);
    expect(await db.nightDigests.get(digest!.nightId)).to.deep.equal(digest);
  });

  it('are read page by page, however many there are', async () => {
    const [digest] = await db.nightDigests.toArray();
    const many = Array.from({ length: 2500 }, (_, i) => ({ ...digest!, nightId: `n${String(i).padStart(4, '0')}` }));
    await db.nightDigests.clear();
    await db.nightDigests.bulkPut(many);
    expect([...(await digestedNights(db)).keys()]).to.deep.equal(many.map((one) => one.nightId));
  });

  it('are not made of what is damaged or stored twice: it is named until it is mended', async () => {
    const [first, second] = await db.nightReadings.toArray();
    await db.nightReadings.bulkPut([
      { ...first!, readings: [{ ...first!.readings[0]!, takenAtUtc: 'soon' }, ...first!.readings.slice(1)] },
      { ...second!, readings: [...second!.readings, second!.readings[0]!] },
    ]);
    await makeDigests(db);
    expect(await nightsWithoutDigest(db)).to.have.members([first!.nightId, second!.nightId]);
    const { damaged, doubles } = READINGS.gather(await READINGS.readAll(db));
    expect([damaged.map((d) => d.id), doubles]).to.deep.equal([[first!.readings[0]!.id], 1]);
  });

  it('hold what they held when their version was fixed: raise DIGEST_VERSION when this print changes', async () => {
    const digests = [...(await db.nightDigests.toArray()), ...(await db.snapshotDigests.toArray())];
    expect([DIGEST_VERSION, fingerprint(canonicalJson(digests))]).to.deep.equal([8, 'c92fed42788721e1']);
  });
});

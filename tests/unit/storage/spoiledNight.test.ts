/** A night's row that something has spoiled: the app opens, says how many are not shown, and writes beside it. */
import { expect } from 'chai';
import { applyReplace } from '../../../src/storage/backup.ts';
import type { OwlDatabase } from '../../../src/storage/database.ts';
import { digestNights, nightsWithoutDigest, readAnew } from '../../../src/storage/digests.ts';
import { healDoubles } from '../../../src/storage/opening.ts';
import { retractReading } from '../../../src/storage/readings.ts';
import { READINGS, readReadings } from '../../../src/storage/storedReadings.ts';
import { undoLast } from '../../../src/storage/undo.ts';
import type { Writer } from '../../../src/storage/writer.ts';
import { fileOf, must, trial } from '../../support/commands.ts';
import { demoDatabase, recordOne, writerFor } from '../../support/database.ts';

const NIGHT = 'demo-tonight-heron';
let db: OwlDatabase;
let w: Writer;

/** What stands where the list of good readings should; how many of it are not shown, and what must not be lost. */
type Spoiling = { readings: (good: object[]) => unknown; hidden: number; kept: string };
const SPOILT: Record<string, Spoiling> = {
  'an object': { readings: (good) => Object.fromEntries(good.entries()), hidden: 0, kept: '0.2811' },
  'a text': { readings: () => 'a text of mine', hidden: 1, kept: 'a text of mine' },
  'a number': { readings: () => 4711, hidden: 1, kept: '4711' },
  nothing: { readings: () => null, hidden: 1, kept: '' },
  'spoiled ones among good ones': {
    readings: (good) => [...good, 'half a rea', { id: 'x', kind: 'retract', values: 7 }, { kind: 'balance' }],
    hidden: 3,
    kept: 'half a rea',
  },
};

const lying = async () => JSON.stringify(await db.nightReadings.get(NIGHT));
const shown = async () => READINGS.gather(await READINGS.readAll(db));

describe('a spoiled night', () => {
  beforeEach(async () => {
    db = await demoDatabase();
    w = writerFor(db);
    must(await recordOne(w, trial(0.2811)));
  });
  afterEach(() => db.delete());

  for (const [what, { readings, hidden, kept }] of Object.entries(SPOILT)) {
    it(`${what} in place of its readings is told, kept, and not in the way`, async () => {
      const row = must({ ok: true, value: await db.nightReadings.get(NIGHT) });
      await db.table('nightReadings').put({ nightId: NIGHT, readings: readings(row!.readings) });
      await db.nightDigests.delete(NIGHT);

      expect(must(await healDoubles(db))).to.equal(0);
      const before = await shown();
      expect(before.damaged).to.have.lengthOf(hidden);
      expect(before.damaged.every(({ table }) => table === 'nightReadings')).to.equal(true);
      expect((await readReadings(db)).damaged).to.have.lengthOf(hidden);
      await digestNights(db, [NIGHT]);
      expect((await nightsWithoutDigest(db)).includes(NIGHT)).to.equal(hidden > 0);
      await readAnew(db, await db.snapshots.limit(1).toArray());

      const recorded = must(await recordOne(w, trial(0.3333)));
      expect(await lying())
        .to.include(kept)
        .and.include('0.3333');
      must(await retractReading(w, recorded));
      must(await undoLast(w));
      must(await undoLast(w));
      expect(await lying()).to.include(kept);
      const standing = (await readReadings(db)).records.filter((r) => r.nightId === NIGHT);
      expect(standing.some((r) => r.id === recorded.id)).to.equal(true);
      expect((await shown()).damaged).to.have.lengthOf(what === 'nothing' ? 0 : hidden);
    });
  }

  it('a file taken over it is taken back whole', async () => {
    const file = await fileOf(w);
    await db.table('nightReadings').put({ nightId: NIGHT, readings: ['half a rea', 9] });
    must(await applyReplace(w, file));
    expect(await lying()).to.include('0.2811');
    must(await undoLast(w));
    expect(await lying())
      .to.include('half a rea')
      .and.include('9');
  });
});

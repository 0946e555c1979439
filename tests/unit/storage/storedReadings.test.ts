import { expect } from 'chai';
import { removeDemo, wipe } from '../../../src/storage/backup.ts';
import type { OwlDatabase } from '../../../src/storage/database.ts';
import { retractReading } from '../../../src/storage/readings.ts';
import { READINGS, readReadings, type StoredReadings } from '../../../src/storage/storedReadings.ts';
import { tableSource, type TableSource } from '../../../src/storage/tableSource.ts';
import { undoLast } from '../../../src/storage/undo.ts';
import type { Writer } from '../../../src/storage/writer.ts';
import { must, trial } from '../../support/commands.ts';
import { demoDatabase, recordOne, writerFor } from '../../support/database.ts';

const TONIGHT = 'demo-tonight-heron';
let db: OwlDatabase;
let w: Writer;
let leave: (() => void) | null;
let seen: StoredReadings[];
let told: (() => void)[];
let source: TableSource<StoredReadings>;
let isBroken: boolean;

/** Waits for the next time that the source tells something. */
const next = () => new Promise<void>((resolve) => told.push(resolve));

/** In each of the groups below: hooks of a file itself would run for the tests of all files. */
function prepared(): void {
  beforeEach(async () => {
    db = await demoDatabase();
    w = writerFor(db);
    [seen, told] = [[], []];
    isBroken = false;
    const readRows: typeof READINGS.readRows = (...given) =>
      isBroken ? Promise.reject(new DOMException('broken', 'UnknownError')) : READINGS.readRows(...given);
    source = tableSource(db, { ...READINGS, readRows });
    expect(source.get(), 'nothing before it was read').to.equal(undefined);
    const first = next();
    leave = source.subscribe(() => {
      try {
        seen.push(source.get()!);
      } catch {
        // Looked at where it is expected.
      }
      for (const tell of told.splice(0)) tell();
    });
    await first;
  });
  afterEach(async () => {
    leave?.();
    await db.delete();
  });
}

describe('the source of readings', () => {
  prepared();
  it('holds all nights at first, and after every change what the database holds', async () => {
    const all = async () => {
      const { records } = await readReadings(db);
      const shown = [...seen.at(-1)!.byNight.values()].flatMap((night) => night.stored);
      expect(new Map(shown.map((r) => [r.id, r]))).to.deep.equal(new Map(records.map((r) => [r.id, r])));
    };
    await all();
    const steps: (() => Promise<unknown>)[] = [
      () => recordOne(w, trial(0.29)),
      async () => retractReading(w, must(await recordOne(w, trial(0.3)))),
      () => undoLast(w),
      () => removeDemo(w),
      () => undoLast(w),
      () => wipe(w),
    ];
    for (const step of steps) {
      const changed = next();
      await step();
      await changed;
      await new Promise((resolve) => setImmediate(resolve));
      await all();
    }
    expect(seen.at(-1)!.byNight.size).to.equal(0);
  });

  it('a reading more costs its own night: every other night keeps its list', async () => {
    const before = seen.at(-1)!.byNight;
    const changed = next();
    await recordOne(w, trial(0.29));
    await changed;
    const after = seen.at(-1)!.byNight;
    const others = [...after.keys()].filter((nightId) => nightId !== TONIGHT);
    expect(others.length).to.be.greaterThan(10);
    for (const nightId of others) expect(after.get(nightId), nightId).to.equal(before.get(nightId));
    expect(after.get(TONIGHT)?.stored).to.have.length((before.get(TONIGHT)?.stored.length ?? 0) + 1);
  });

  it('changes of other tables are none of its business, and nothing is told after the last listener left', async () => {
    const count = seen.length;
    await db.meta.put({ key: 'other', value: '1' });
    leave?.();
    leave = null;
    await recordOne(w, trial(0.29));
    await readReadings(db);
    expect(seen).to.have.length(count);
  });

  it('a damaged row that came in later is named, and goes when it is mended', async () => {
    const [row] = await db.nightReadings.toArray();
    const broken = { ...row!, readings: [{ ...row!.readings[0]!, takenAtUtc: 'soon' } as never] };
    let changed = next();
    await db.nightReadings.put(broken);
    await changed;
    expect(seen.at(-1)!.damaged.map((d) => d.id)).to.deep.equal([row!.readings[0]!.id]);
    changed = next();
    await db.nightReadings.put(row!);
    await changed;
    expect(seen.at(-1)!.damaged).to.deep.equal([]);
  });

  it('what stands in the way of reading is thrown where it is shown, and forgotten once it reads again', async () => {
    isBroken = true;
    let changed = next();
    await recordOne(w, trial(0.29));
    await changed;
    expect(() => source.get()).to.throw('broken');
    isBroken = false;
    changed = next();
    await recordOne(w, trial(0.3));
    await changed;
    expect(source.get()!.byNight.get(TONIGHT)?.stored).to.have.length(2);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { copiesIn, copiesToRemove, copyName, copyOf, leftovers, nextCount } from '../../../src/storage/copies.ts';
import {
  heldBefore,
  heldIn,
  isSmaller,
  larger,
  nightsWithoutFile,
  rememberHeld,
  rememberSaved,
} from '../../../src/storage/held.ts';
import { collect } from '../../../src/storage/backup.ts';
import { createHead } from '../../../src/storage/heads.ts';
import { ulidSource } from '../../../src/storage/ids.ts';
import { holds } from '../../support/properties.ts';
import { demoDatabase, writerFor } from '../../support/database.ts';

const HELD = { records: 3, readings: 40, nights: 2 };
const DAY = 86_400_000;
const NOW = Date.parse('2026-11-24T21:05:09.500Z');
const memory = () => {
  const values = new Map<string, string>();
  return { getItem: (k: string) => values.get(k) ?? null, setItem: (k: string, v: string) => void values.set(k, v) };
};

describe('automatic copies', () => {
  it('a name tells the moment and what the copy holds', () => {
    const name = copyName(7, NOW, HELD, '00ff00ff00ff00ff');
    expect(name).to.equal('tidy-owl_n7_2026-11-24T21-05-09_3_40_2_00ff00ff00ff00ff.json.gz');
    expect(copyOf(name)).to.deep.equal({
      fileName: name,
      count: 7,
      atUtc: '2026-11-24T21:05:09.000Z',
      print: '00ff00ff00ff00ff',
      ...HELD,
    });
    expect([copyOf(`${name}.part`), copyOf('notes.txt')], 'half written, or none of ours').to.deep.equal([null, null]);
  });

  it('the newer one is the one written later, whatever the clock said; those from before they were counted are older', () => {
    const old = 'tidy-owl_2030-01-01T00-00-00_3_40_2_aa.json.gz';
    const ahead = copyName(1, Date.UTC(2031, 0, 1), HELD, 'bb');
    const right = Array.from({ length: 8 }, (_, i) => copyName(2 + i, NOW + i * 60_000, HELD, `c${i}`));
    const all = [...right.slice(4), old, ahead, ...right.slice(0, 4)];
    expect(copiesIn(all).map(({ fileName }) => fileName)).to.deep.equal([...right.toReversed(), ahead, old]);
    expect(nextCount(copiesIn(all))).to.equal(10);
    expect(nextCount([])).to.equal(1);
    // A clock that once stood years ahead pushes none of the last five out.
    for (const name of right.slice(3)) expect(copiesToRemove(all), name).not.to.include(name);
  });

  it('half a copy is one that a killed page left; nothing else is', () => {
    const name = copyName(3, NOW, HELD, 'ab');
    expect(leftovers([name, `${name}.part`, 'notes.part'])).to.deep.equal([`${name}.part`]);
  });

  it('the last five stay and one of each week, whatever was copied when', () => {
    holds(
      fc.property(fc.array(fc.integer({ min: 0, max: 200 * 24 }), { minLength: 1, maxLength: 60 }), (hours) => {
        const names = [...new Set(hours)].map((h) => copyName(10_000 - h, NOW - h * 3_600_000, HELD, 'ab'));
        const gone = new Set(copiesToRemove([...names, 'other.txt']));
        const kept = names.filter((n) => !gone.has(n));
        const newest = copiesIn(names).map((c) => c.fileName);
        expect(kept).to.include.members(newest.slice(0, 5));
        const weekOf = (name: string) => Math.floor(Date.parse(copyOf(name)!.atUtc) / (7 * DAY));
        const weeks = (list: string[]) => [...new Set(list.map(weekOf))].sort((a, b) => b - a).slice(0, 26);
        expect(weeks(kept)).to.deep.equal(weeks(names));
        for (const week of weeks(names)) {
          const first = newest.find((n) => weekOf(n) === week);
          expect(kept, 'the newest of its week').to.include(first);
        }
        expect(kept.length).to.be.at.most(5 + 26);
        expect(gone.has('other.txt')).to.equal(false);
      }),
    );
  });
});

describe('what a device remembers of itself', () => {
  it('counts what is the user’s own: the demo is not missed, a deletion is no loss', async () => {
    const db = await demoDatabase();
    const w = writerFor(db);
    const held = async () => heldIn((await collect(w)).backup.lists);
    expect(await held()).to.deep.equal({ records: 0, readings: 0, nights: 0 });
    const made = await createHead(w, 'sites', {
      name: 'Hill',
      latDeg: 50,
      lonDeg: 10,
      elevationM: 0,
      zoneIana: 'UTC',
      horizon: [],
    });
    expect(await held()).to.deep.equal({ records: 1, readings: 0, nights: 0 });
    expect(made.ok).to.equal(true);
    await db.delete();
  });

  it('is read back, and nothing is made of what was never written', () => {
    const store = memory();
    expect(heldBefore(store)).to.equal(null);
    rememberHeld(HELD, store);
    expect(heldBefore(store)).to.deep.equal(HELD);
    store.setItem('tidy-owl-held', '{"records":"many"');
    expect(heldBefore(store)).to.equal(null);
    store.setItem('tidy-owl-held', '{"records":"many","readings":4}');
    expect(heldBefore(store)).to.deep.equal({ records: 0, readings: 4, nights: 0 });
  });

  it('less of anything is less; the larger of two is remembered', () => {
    expect(isSmaller({ ...HELD, readings: 39 }, HELD)).to.equal(true);
    expect(isSmaller({ ...HELD, records: 2, readings: 90 }, HELD)).to.equal(true);
    expect(isSmaller(HELD, HELD)).to.equal(false);
    expect(larger({ ...HELD, readings: 1 }, { ...HELD, records: 1 })).to.deep.equal(HELD);
  });

  it('asks for a file after ten nights, and again ten nights after it was saved', () => {
    const store = memory();
    const nights = (count: number) => nightsWithoutFile({ ...HELD, nights: count }, store);
    expect([nights(9), nights(10)]).to.deep.equal([null, 10]);
    rememberSaved({ ...HELD, nights: 12 }, store);
    expect([nights(21), nights(22)]).to.deep.equal([null, 10]);
  });
});

describe('ids of one device', () => {
  const bytes = (count: number) => crypto.getRandomValues(new Uint8Array(count));
  it('go on upward after the clock was set back, over a reload and beside another tab', () => {
    let now = Date.parse('2026-11-24T21:00:00Z');
    let last = '';
    const kept = { read: () => last, write: (id: string) => void (last = id) };
    const page = () => ulidSource(() => now, bytes, kept);
    const [tabA, tabB] = [page(), page()];
    const made = [tabA(), tabB(), tabA()];
    now -= 2 * 3_600_000;
    made.push(tabA(), tabA(), tabB(), tabA(), page()());
    expect([...made].sort()).to.deep.equal(made);
    expect(new Set(made).size).to.equal(made.length);
  });
});

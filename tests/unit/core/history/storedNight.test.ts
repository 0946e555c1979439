import { expect } from 'chai';
import fc from 'fast-check';
import { changed, readingsOfKinds } from '../../../support/nights.ts';
import { recordsOfNight, type AllRecords } from '../../../../src/core/history/nightRecords.ts';
import { nightStatic } from '../../../../src/core/night/nightStatic.ts';
import { byNight, standingIn } from '../../../../src/core/history/readingIndex.ts';
import {
  digestOf,
  isTaught,
  nightOfDigest,
  wholeNight,
  type StoredNight,
} from '../../../../src/core/history/storedNight.ts';
import { digestOfSnapshot, snapshotOfDigest, snapshotsById } from '../../../../src/core/history/storedSnapshot.ts';
import { standingReadings } from '../../../../src/core/history/standing.ts';
import { tellingPole } from '../../../../src/core/pole/measuredErrors.ts';
import type { Reading } from '../../../../src/core/records/reading.ts';
import { canonicalJson } from '../../../../src/formats/canonicalJson.ts';
import { collect } from '../../../../src/storage/backup.ts';
import { drawAll } from '../../../../scripts/trials/benches.ts';
import { demoDatabase, writerFor } from '../../../support/database.ts';
import { holds } from '../../../support/properties.ts';
import { NOW, reading, readingsIn, recordsIn, snapshotOf } from '../../../support/records.ts';

/** As it comes back from the database. */
const stored = <T>(value: T): T => structuredClone(value);
const putAway = (night: StoredNight): StoredNight => nightOfDigest(stored(digestOf('n', night)));
const at = (hour: number) => new Date(NOW + hour * 3_600_000).toISOString();

describe('a night put away small', () => {
  it('gives back what teaches, in its order, and everything that is told of it', () => {
    holds(
      fc.property(fc.array(readingsOfKinds, { maxLength: 12 }), fc.constantFrom(null, 40, -33), (list, latDeg) => {
        const whole = wholeNight(
          list,
          tellingPole(() => latDeg),
        );
        const back = putAway(whole);
        const taught = whole.standing.readings.filter(isTaught);
        expect(back.stored).to.deep.equal(taught);
        expect(back.stored.map(back.standing.timeOf)).to.deep.equal(taught.map(whole.standing.timeOf));
        for (const key of ['summary', 'earliestUtc', 'latestUtc', 'latestTime'] as const)
          expect(back[key], key).to.deep.equal(whole[key]);
        for (const r of list) {
          const keys = [r.kind, `${r.kind} ${r.subject.id}`];
          expect(keys.map(back.mayHold)).to.deep.equal(keys.map(whole.mayHold));
        }
      }),
      150,
    );
  });

  it('keeps the order that a clock set back did not turn round', () => {
    const counted = (id: string, hour: number, seq: number, kind: Reading['kind'] = 'feet') =>
      reading(kind, kind === 'feet' ? { azimuthDeg: 1 } : { text: 'x' }, {
        id,
        seq,
        takenAtUtc: at(hour),
        recordedAtUtc: at(hour),
      });
    const back = putAway(wholeNight([counted('first', 5, 1, 'note'), counted('second', 3, 2), counted('third', 4, 3)]));
    expect(back.stored.map((r) => [r.id, back.standing.timeOf(r)])).to.deep.equal([
      ['second', at(5)],
      ['third', at(5)],
    ]);
    expect([back.latestUtc, back.latestTime]).to.deep.equal([at(5), at(5)]);
  });

  it('is told by what was measured last', () => {
    const error = (id: string, hour: number, altErrorArcmin: number) =>
      reading(
        'polarError',
        { altErrorArcmin, azErrorArcmin: 0, method: 'typed', reference: 'true' },
        { id, takenAtUtc: at(hour), recordedAtUtc: at(hour) },
      );
    const subs = (id: string, hour: number, count: number, usable: number, snapshotId: string) =>
      reading('subs', { count, usable }, { id, snapshotId, takenAtUtc: at(hour), recordedAtUtc: at(hour) });
    const stayed = (id: string, axis: string, drops: string, positionM: number) =>
      reading('balance', { axis, drops, positionM }, { id, takenAtUtc: at(1), recordedAtUtc: at(1) });
    const list = [
      error('a', 1, 30),
      error('b', 2, -4),
      subs('c', 3, 10, 8, 'good'),
      subs('d', 4, 10, 7, 'bad'),
      subs('e', 5, 4, 4, 'few'),
      stayed('e0', 'ra', 'none', 0.1),
      stayed('f', 'ra', 'none', 0.2),
      stayed('g', 'dec', 'none', 0.3),
      stayed('h', 'ra', 'tube', 0.4),
      reading('retract', { readingId: 'nothing' }, { id: 'i', deviceId: 'demo', takenAtUtc: at(6) }),
    ];
    const { summary } = wholeNight(
      list,
      tellingPole(() => 40),
    );
    expect(summary).to.deep.include({
      readings: 9,
      own: 9,
      balanceM: 0.2,
      subs: { count: 4, usable: 4 },
      good: [{ snapshotId: 'good', sinceUtc: at(3) }],
    });
    expect(summary.polarArcmin?.true).to.be.closeTo(4, 1e-9);
    expect(summary.polarArcmin?.refracted, 'the air lifts the pole').to.be.closeTo(5.2, 0.05);
    expect(wholeNight(list).summary.polarArcmin, 'where is not known').to.equal(null);
    const { subs: none, balanceM, seeingArcsec } = wholeNight([error('a', 1, 30)]).summary;
    expect([none, balanceM, seeingArcsec], 'nothing of it was measured').to.deep.equal([null, null, null]);
  });
});

describe('a reading that cannot be reckoned with', () => {
  const hostile = {
    ...reading('polarError', {}, { id: 'hostile' }),
    get values(): never {
      throw new RangeError('no values');
    },
  };
  it('stands in the way of what is told of its night, not of reading the night', () => {
    const night = wholeNight(
      [hostile],
      tellingPole(() => 40),
    );
    expect(night.standing.readings).to.have.length(1);
    expect(() => night.summary.polarArcmin).to.throw('no values');
    expect(() => digestOf('n', night)).to.throw('no values');
  });
});

describe('a snapshot put away small', () => {
  it('is the same when it is taken out, and has the print of its state', () => {
    const [one, other] = [snapshotOf(), snapshotOf({}, 's2', (rig) => ({ ...rig, name: 'Another' }))];
    const back = snapshotOfDigest(stored(digestOfSnapshot(one)));
    expect(back.whole()).to.deep.equal(one);
    expect(back).to.deep.include({ rigId: 'demo-heron', mountId: 'demo-heron-mount', siteId: one.site.id });
    const prints = snapshotsById([one, { ...one, id: 's3' }, other]);
    expect(prints.get('s3')?.print).to.equal(prints.get('s1')?.print);
    expect(prints.get('s2')?.print).not.to.equal(prints.get('s1')?.print);
  });

  it('has the same print after marks for home were made: nothing was measured with them', () => {
    const marked = snapshotOf({ parts: changed('demo-heron-mount', { homeMarks: true }) });
    const heavier = snapshotOf({ parts: changed('demo-heron-mount', { massKg: 99 }) });
    const print = (one: ReturnType<typeof snapshotOf>) => snapshotsById([one]).get(one.id)?.print;
    expect(print(marked)).to.equal(print(snapshotOf()));
    expect(print(heavier)).not.to.equal(print(snapshotOf()));
  });
});

describe('nights that learn from nights put away', () => {
  let all: AllRecords;
  before(async () => {
    const db = await demoDatabase();
    all = recordsIn((await collect(writerFor(db))).backup.lists);
    await db.delete();
  });
  const drawn = (records: AllRecords, id: string) => {
    const night = nightStatic(recordsOfNight(records, id, NOW)!);
    return canonicalJson(JSON.parse(JSON.stringify({ ...drawAll(night), nights: night.records.known.nights() })));
  };

  it('draw every bench as they do from whole ones', () => {
    for (const id of ['demo-tonight-heron', 'demo-night-8', 'demo-night-40']) {
      const others = [...all.readings].map(([nightId, night]): [string, StoredNight] => [
        nightId,
        nightId === id ? night : putAway(night),
      ]);
      expect(others.filter(([, night]) => !night.whole).length).to.be.greaterThan(10);
      expect(drawn({ ...all, readings: new Map(others) }, id), id).to.equal(drawn(all, id));
    }
  });

  it('look into no more nights than an answer needs', () => {
    const looked = new Set<string>();
    const watched = new Map(
      [...all.readings].map(([nightId, night]): [string, StoredNight] => [
        nightId,
        new Proxy(night, {
          get: (of, key, self) => {
            if (key === 'standing' || key === 'stored') looked.add(nightId);
            return Reflect.get(of, key, self) as unknown;
          },
        }),
      ]),
    );
    const known = standingIn(watched).knownBy('demo-tonight-heron', at(30));
    expect(known.last('track', 'demo-heron-mount')?.nightId).to.equal('demo-night-22');
    expect([...looked]).to.deep.equal(['demo-night-22']);
    const none = known.latest('feet', { takenWith: () => false });
    expect([...none], 'nights of other rigs and sites are not taken out').to.deep.equal([]);
    expect([...known.latest('track', { takenWith: (id) => id === 'demo-snapshot-heron' })]).to.have.length(2);
    expect([...looked].sort()).to.deep.equal(['demo-night-22', 'demo-night-54']);
    expect(known.last('track', 'nothing')).to.equal(undefined);
    expect(known.nights()).to.equal(12);
    expect(looked.size).to.equal(2);
  });

  it('find where an axis stayed without taking out the nights on which only another one did', () => {
    const tip = (id: string, night: number, axis: string, drops: string) =>
      reading('balance', { axis, positionM: 0.2, drops }, { id, nightId: `n${night}`, takenAtUtc: at(24 * night) });
    const nights = Array.from({ length: 40 }, (_, i) => tip(`ra${i}`, i + 2, 'ra', 'none'));
    const list = [
      tip('dec', 1, 'dec', 'none'),
      tip('trial', 1, 'dec', 'front'),
      tip('late', 60, 'dec', 'rear'),
      ...nights,
    ];
    let taken = 0;
    const away = new Map(
      [...byNight(list)].map(([nightId, night]): [string, StoredNight] => [
        nightId,
        new Proxy(putAway(night), {
          get: (of, key, self) => {
            if (key === 'standing') taken += 1;
            return Reflect.get(of, key, self) as unknown;
          },
        }),
      ]),
    );
    const known = standingIn(away).knownBy('n61', at(24 * 61));
    const ids = (settledOn: 'ra' | 'dec' | 'sideways') => [...known.latest('balance', { settledOn })].map((r) => r.id);
    expect(ids('dec'), 'stayed, not only tried').to.deep.equal(['dec']);
    expect(ids('sideways')).to.deep.equal([]);
    expect(taken, 'the night of that mark, some times').to.be.lessThan(5);
    expect(ids('ra')).to.have.length(40);
  });

  it('in the order that sorting all of them gives, whatever nights overlap', () => {
    const nights = fc.constantFrom('a', 'b', 'c', 'd', null);
    const some = fc.array(fc.tuple(nights, fc.integer({ min: 0, max: 30 })), { maxLength: 25 });
    holds(
      fc.property(some, fc.integer({ min: 0, max: 30 }), (list, end) => {
        const readings = list.map(([nightId, hour], i) =>
          reading('feet', { azimuthDeg: i }, { id: `f${i}`, nightId, takenAtUtc: at(hour), recordedAtUtc: at(hour) }),
        );
        const found = [...standingIn(byNight(readings)).knownBefore('a', at(end)).latest(['feet', 'focus'])];
        const expected = standingReadings(readings.filter((r) => r.nightId !== 'a' && r.takenAtUtc < at(end)));
        const times = (of: readonly Reading[]) => of.map((r) => r.takenAtUtc);
        expect(times(found)).to.deep.equal(times(expected).reverse());
        const ids = (of: readonly Reading[]) => of.map((r) => r.id).sort();
        expect(ids(found)).to.deep.equal(ids(expected));
      }),
      200,
    );
    expect(readingsIn(all).length).to.be.greaterThan(300);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { recordsOfNight, type AllRecords } from '../../../../src/core/history/nightRecords.ts';
import { byNight } from '../../../../src/core/history/readingIndex.ts';
import { wholeSnapshot } from '../../../../src/core/history/storedSnapshot.ts';
import { nightStatic } from '../../../../src/core/night/nightStatic.ts';
import { readingSchema, type Reading } from '../../../../src/core/records/reading.ts';
import { collect } from '../../../../src/storage/backup.ts';
import { arbitraryOf } from '../../../../scripts/trials/arbitraries.ts';
import { drawAll } from '../../../../scripts/trials/benches.ts';
import { demoDatabase, writerFor } from '../../../support/database.ts';
import { holds } from '../../../support/properties.ts';
import { NOW, reading, readingsIn, recordsIn, withReadings } from '../../../support/records.ts';

const DAY = 86_400_000;
const LATER = NOW + 2 * DAY;
let all: AllRecords;
/** In each of the groups below: hooks of a file itself would run for the tests of all files. */
function prepared(): void {
  before(async () => {
    const db = await demoDatabase();
    const { backup } = await collect(writerFor(db));
    all = recordsIn(backup.lists);
    await db.delete();
  });
}

const SUBJECTS: Record<string, Reading['subject']> = {
  mount: { type: 'mount', id: 'demo-heron-mount' },
  rig: { type: 'rig', id: 'demo-heron' },
  part: { type: 'part', id: 'demo-heron-camera' },
  reducer: { type: 'part', id: 'demo-heron-reducer' },
  site: { type: 'site', id: 'demo-estrela' },
  night: { type: 'night', id: 'demo-tonight-heron' },
};

/** A reading of any kind, of a later night, by rig, mount, site and camera that the earlier ones know. */
const laterReading = fc
  .tuple(
    arbitraryOf(readingSchema),
    fc.constantFrom(...Object.values(SUBJECTS)),
    fc.integer({ min: 0, max: 40 }),
    fc.nat(),
  )
  .map(([raw, subject, hours, n]): Reading => {
    const r = raw as Reading;
    const takenAtUtc = new Date(LATER + hours * 3_600_000).toISOString();
    const [snapshotId = ''] = all.snapshots.keys();
    return {
      ...r,
      id: `later-${n}`,
      nightId: 'later',
      snapshotId,
      subject,
      takenAtUtc,
      recordedAtUtc: takenAtUtc,
    };
  })
  .filter((r) => r.kind !== 'retract');

/** As text: the models hold functions here and there, which are new each time. */
const drawn = (records: AllRecords, nightId: string): Record<string, string> => {
  const night = nightStatic(recordsOfNight(records, nightId, LATER + 30 * DAY)!);
  return Object.fromEntries(Object.entries(drawAll(night)).map(([name, model]) => [name, JSON.stringify(model)]));
};

describe('nights that are over', () => {
  prepared();
  it('stay what they were, whatever later nights teach', () => {
    const past = all.nights.filter((n) => n.rigId === 'demo-heron').map((n) => n.id);
    const before = new Map(past.map((id) => [id, drawn(all, id)]));
    holds(
      fc.property(fc.array(laterReading, { minLength: 1, maxLength: 12 }), fc.constantFrom(...past), (later, id) => {
        expect(drawn(withReadings(all, later), id)).to.deep.equal(before.get(id));
      }),
      // The trial of past nights goes on through the commands themselves.
      15,
    );
  });

  it('each teaching kind alone moves the night after it and no night before it', () => {
    const long = { stick: 'rising', strong: true };
    const cornersSeen = {
      places: {
        topLeft: { ...long, stick: 'falling' },
        topRight: long,
        bottomLeft: long,
        bottomRight: { ...long, stick: 'falling' },
        centre: { stick: 'round', strong: false },
      },
      centreFocused: true,
      highTarget: true,
      exposureS: 8,
      pastFocus: 'notTried',
      spacingMm: 55.5,
      glassMm: 2 / 3,
    };
    const teaching: [Reading['kind'], object, keyof typeof SUBJECTS][] = [
      ['flexure', { arcsecPerMin: 9, directionDeg: 0 }, 'rig'],
      ['steadiness', { settleS: 9 }, 'rig'],
      ['corners', { sigmaArcsec: [3, 3, 3, 3], direction: 'radial', verdict: 'v', spacingMm: null }, 'part'],
      ['flip', { atUtc: '2026-11-26T22:00:00.000Z', minutes: 44, missEastArcmin: null, missNorthArcmin: null }, 'rig'],
      ['focus', { positionUm: 90_000, temperatureC: -9, fwhmPx: 2 }, 'rig'],
      ['scaleReading', { scaleDeg: 60, trueAltDeg: 40 }, 'mount'],
      ['lockShift', { altArcmin: 30, azArcmin: 30 }, 'mount'],
      ['halfTurn', { beforeXArcmin: 40, beforeYArcmin: 0, afterXArcmin: -40, afterYArcmin: 0 }, 'mount'],
      ['balance', { axis: 'ra', positionM: 0.4, drops: 'none' }, 'rig'],
      ['feet', { azimuthDeg: 77 }, 'site'],
      ['cornersSeen', cornersSeen, 'reducer'],
    ];
    const next = {
      ...all.nights[0]!,
      id: 'next',
      eveningDate: '2026-12-10',
      rigId: 'demo-heron',
      siteId: 'demo-estrela',
    };
    const withNext = { ...all, nights: [...all.nights, next] };
    for (const [kind, values, about] of teaching) {
      const takenAtUtc = '2026-11-26T22:00:00.000Z';
      const one = reading(kind, values, {
        id: `t-${kind}`,
        nightId: 'later',
        snapshotId: [...all.snapshots.keys()][0]!,
        subject: SUBJECTS[about]!,
        takenAtUtc,
        recordedAtUtc: takenAtUtc,
      });
      const taught = withReadings(withNext, [one]);
      expect(drawn(taught, 'demo-tonight-heron'), kind).to.deep.equal(drawn(withNext, 'demo-tonight-heron'));
      expect(drawn(taught, 'next'), `${kind} teaches`).not.to.deep.equal(drawn(withNext, 'next'));
    }
  });

  it('a reading taken back later counts no more on its own night', () => {
    const own = readingsIn(all).find((r) => r.kind === 'steadiness')!;
    const takenAtUtc = new Date(LATER).toISOString();
    const gone = reading(
      'retract',
      { readingId: own.id },
      { id: 'x', nightId: own.nightId, takenAtUtc, recordedAtUtc: takenAtUtc },
    );
    const night = (records: AllRecords) => recordsOfNight(records, own.nightId!, LATER + DAY)!;
    expect(night(all).tonight.of('steadiness')).to.have.length(1);
    expect(night(withReadings(all, [gone])).tonight.of('steadiness')).to.have.length(0);
  });

  it('what is typed in for it afterwards does not dress it anew, nor what was taken back', () => {
    const id = 'demo-night-3';
    const mass = (records: AllRecords) =>
      recordsOfNight(records, id, LATER)!.parts.find((p) => p.kind === 'mount')?.massKg;
    const [first] = all.snapshots.values();
    const other = { ...first!.whole(), id: 'other', parts: first!.whole().parts.map((p) => ({ ...p, massKg: 77 })) };
    const withOther = { ...all, snapshots: new Map([...all.snapshots, ['other', wholeSnapshot(other)]]) };
    const own = readingsIn(all).findLast((r) => r.nightId === id)!;
    const more = (rest: { recordedAtUtc?: string }) =>
      withReadings(withOther, [{ ...own, id: 'more', snapshotId: 'other', seq: 9999, ...rest }]);
    const was = mass(all);
    expect(was).to.be.a('number').and.not.equal(77);
    expect(mass(more({ recordedAtUtc: new Date(NOW).toISOString() })), 'recorded later').to.equal(was);
    const inTime = more({});
    expect(mass(inTime), 'recorded in the night').to.equal(77);
    const back = reading('retract', { readingId: 'more' }, { id: 'x', nightId: id, recordedAtUtc: own.recordedAtUtc });
    expect(mass(withReadings(inTime, [back])), 'so the rig was').to.equal(77);
  });

  it('that was only written down afterwards stands by what it was written down with first', () => {
    const id = 'demo-night-3';
    const late = (r: Reading, snapshotId: string, hours: number): Reading => ({
      ...r,
      snapshotId,
      recordedAtUtc: new Date(LATER + hours * 3_600_000).toISOString(),
    });
    const [first] = all.snapshots.values();
    const made = ['a', 'b'].map((name, i) => ({
      ...first!.whole(),
      id: name,
      limits: { round: 1.1 + i / 10, acceptable: 1.5 },
    }));
    const [one, two] = readingsIn(all).filter((r) => r.nightId === id);
    const records = {
      ...all,
      snapshots: new Map([...all.snapshots, ...made.map((s) => [s.id, wholeSnapshot(s)] as const)]),
      readings: byNight([late(two!, 'b', 2), late(one!, 'a', 1)]),
    };
    expect(recordsOfNight(records, id, LATER + DAY)!.limits.round).to.equal(1.1);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { recordsOfNight, type AllRecords } from '../../../../src/core/history/nightRecords.ts';
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
      40,
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
});

import { expect } from 'chai';
import fc from 'fast-check';
import { median } from '../../../../../src/core/math/statistics.ts';
import { firstSubChecks, isTicked } from '../../../../../src/core/night/plan/checklists.ts';
import { runFor } from '../../../../../src/core/night/plan/run.ts';
import { standingReadings } from '../../../../../src/core/history/standing.ts';
import type { MountPart } from '../../../../../src/core/records/part.ts';
import type { Reading } from '../../../../../src/core/records/reading.ts';
import { zoneAnswer } from '../../../../../src/core/time/civil.ts';
import { holds } from '../../../../support/properties.ts';
import { parts, reading } from '../../../../support/records.ts';

const heron = parts.find((p) => p.id === 'demo-heron-mount') as MountPart;
const mount = (change: Partial<MountPart>): MountPart => ({ ...heron, ...change });
const checks = (m: MountPart) => firstSubChecks({ mount: m, support: null, eyepiece: null });
const order = (m: MountPart | null) => runFor(m).stops.map((s) => (s.visit ? `${s.step}:${s.visit}` : s.step));

describe('the order of the run', () => {
  it('German mount: balance in final dress, then the pole, then focus', () => {
    const run = runFor(heron);
    expect(order(heron).slice(3, 8)).to.deep.equal(['level', 'balance', 'polar', 'pointing', 'tracking']);
    expect([run.reason, run.leftOut]).to.deep.equal(['german', []]);
  });

  it('tracker with a bracket: pole first, and once more when all is on', () => {
    const tracker = mount({ mountKind: 'trackerBracket' });
    expect(order(tracker).slice(3, 9)).to.deep.equal([
      'level',
      'polar:rough',
      'balance',
      'pointing',
      'polar:final',
      'tracking',
    ]);
    expect(runFor(tracker).leftOut).to.deep.equal([]);
  });

  it('what does not apply is absent and named once', () => {
    const ballHead = runFor(mount({ mountKind: 'trackerBallHead' }));
    expect(ballHead.stops.map((s) => s.step)).not.to.include('balance');
    expect(ballHead.leftOut).to.deep.equal([{ step: 'balance', why: 'ballHead' }]);
    expect(runFor(mount({ drive: 'strainWave' })).leftOut).to.deep.equal([
      { step: 'balance', why: 'strainWaveHasNoClutch' },
    ]);
    expect(runFor(mount({ mountKind: 'forkOnWedge' })).leftOut).to.deep.equal([]);
    expect(runFor(mount({ mountKind: 'forkOnWedge', drive: 'strainWave' })).leftOut).to.deep.equal([
      { step: 'balance', why: 'strainWaveHasNoClutch' },
    ]);
    const altAz = runFor(mount({ mountKind: 'altAzimuth' }));
    const kept = altAz.stops.map((s) => s.step);
    expect(kept).to.include('level').and.not.include('balance').and.not.include('polar');
    expect(altAz.leftOut.map((l) => l.step)).to.deep.equal(['balance', 'polar']);
  });

  it('every run begins at the desk and ends in the logbook, and without a mount lists everything', () => {
    for (const mountKind of ['germanEquatorial', 'trackerBallHead', 'forkOnWedge', 'altAzimuth'] as const) {
      const steps = order(mount({ mountKind }));
      expect([steps[0], steps.at(-2), steps.at(-1)]).to.deep.equal(['light-path', 'watch', 'logbook']);
    }
    expect(order(null)).to.have.length(10);
  });

  it('a tracker gets the checks that lenses need, a German mount others', () => {
    expect(checks(mount({ mountKind: 'trackerBallHead' })))
      .to.include('hemisphere')
      .and.not.to.include('parked');
    expect(checks(heron)).to.include('parked').and.not.to.include('hemisphere');
  });

  it('the last word on a tick counts', () => {
    const tick = (done: boolean, minute: number) =>
      reading(
        'check',
        { listId: 'l', itemId: 'i', done },
        { id: `t${minute}`, takenAtUtc: `2026-11-24T20:0${minute}:00.000Z` },
      );
    expect(isTicked([tick(true, 1), tick(false, 2)], 'l', 'i')).to.equal(false);
    expect(isTicked([tick(true, 1)], 'l', 'other')).to.equal(false);
  });
});

describe('what stands after retractions', () => {
  const r = (id: string, minute: number, retracts?: string): Reading =>
    reading(
      retracts === undefined ? 'note' : 'retract',
      retracts === undefined ? { text: id } : { readingId: retracts },
      {
        id,
        takenAtUtc: `2026-11-24T20:${String(minute).padStart(2, '0')}:00.000Z`,
      },
    );
  const ids = (...all: Reading[]) => standingReadings(all).map((x) => x.id);

  it('a retraction hides its reading, and its own retraction brings it back', () => {
    expect(ids(r('a', 1), r('b', 2), r('x', 3, 'a'))).to.deep.equal(['b']);
    expect(ids(r('a', 1), r('x', 3, 'a'), r('y', 4, 'x'))).to.deep.equal(['a']);
    expect(ids(r('a', 1), r('x', 3, 'a'), r('y', 4, 'x'), r('z', 5, 'y'))).to.deep.equal([]);
  });

  it('does not depend on the order in which rows are stored', () => {
    const all = [r('a', 1), r('b', 2), r('x', 3, 'a'), r('y', 4, 'x'), r('z', 5, 'b')];
    holds(
      fc.property(fc.shuffledSubarray(all, { minLength: all.length }), (shuffled) => {
        expect(ids(...shuffled)).to.deep.equal(['a']);
      }),
    );
  });
});

describe('the zone as controllers ask for it', () => {
  const summer = Date.UTC(2026, 6, 1, 22);
  const winter = Date.UTC(2026, 11, 1, 22);
  it('tells the standard offset and summer time apart, in both hemispheres', () => {
    expect(zoneAnswer(winter, 'Europe/Lisbon')).to.deep.equal({ standardMin: 0, summerMin: 0 });
    expect(zoneAnswer(summer, 'Europe/Lisbon')).to.deep.equal({ standardMin: 0, summerMin: 60 });
    expect(zoneAnswer(winter, 'Australia/Adelaide')).to.deep.equal({ standardMin: 570, summerMin: 60 });
    expect(zoneAnswer(summer, 'Africa/Windhoek')).to.deep.equal({ standardMin: 120, summerMin: 0 });
  });
});

describe('median', () => {
  it('is the middle of the sorted values, null for none', () => {
    expect([median([]), median([4]), median([9, 1, 5]), median([1, 2, 9, 4])]).to.deep.equal([null, 4, 5, 3]);
  });
});

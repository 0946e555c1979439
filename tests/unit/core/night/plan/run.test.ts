import { expect } from 'chai';
import fc from 'fast-check';
import { median } from '../../../../../src/core/math/statistics.ts';
import { firstSubChecks, isTicked } from '../../../../../src/core/night/plan/checklists.ts';
import { nightStatic } from '../../../../../src/core/night/nightStatic.ts';
import { runFor } from '../../../../../src/core/night/plan/run.ts';
import { standingReadings } from '../../../../../src/core/history/standing.ts';
import { FLIP_READY_MS, flipProgress, watchAt } from '../../../../../src/core/night/advice/watch.ts';
import type { MountPart } from '../../../../../src/core/records/part.ts';
import type { Reading } from '../../../../../src/core/records/reading.ts';
import { zoneAnswer } from '../../../../../src/core/time/civil.ts';
import { toUtcText } from '../../../../../src/core/time/utc.ts';
import { holds } from '../../../../support/properties.ts';
import { event, nightRecords, parts, reading } from '../../../../support/records.ts';

const heron = parts.find((p) => p.id === 'demo-heron-mount') as MountPart;
const mount = (change: Partial<MountPart>): MountPart => ({ ...heron, ...change });
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
    expect(runFor(mount({ mountKind: 'forkOnWedge' })).leftOut).to.deep.equal([
      { step: 'balance', why: 'forkHasNoBar' },
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
    expect(firstSubChecks(mount({ mountKind: 'trackerBallHead' })))
      .to.include('hemisphere')
      .and.not.to.include('parked');
    expect(firstSubChecks(heron)).to.include('parked').and.not.to.include('hemisphere');
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

describe('the watch', () => {
  const night = nightStatic(nightRecords());
  const plan = night.plan!;
  const flip = plan.flips[0]!;
  const withReadings = (...readings: Reading[]) => nightStatic(nightRecords({ readings }));
  const begun = event('flipBegun', { takenAtUtc: toUtcText(flip.startMs) });
  const done = reading(
    'flip',
    { atUtc: toUtcText(flip.startMs), minutes: 9, missEastArcmin: null, missNorthArcmin: null },
    { takenAtUtc: toUtcText(flip.startMs + 540_000) },
  );

  it('waits for the dark, then names the running sub and counts to the flip', () => {
    const dusk = watchAt(night, night.dark!.fromMs - 3_600_000);
    expect(dusk).to.deep.include({ code: 'waiting', next: 'dark', untilMs: night.dark!.fromMs });
    const running = watchAt(night, plan.subs[18]!.startMs + 1000);
    expect(running).to.deep.include({ code: 'running', sub: 19, count: plan.subs.length, next: 'flip' });
    expect(watchAt(night, plan.subs[18]!.endMs + 1000).code).to.equal('waiting');
  });

  it('asks for the flip when it is due, more sharply past the limit, and not when it is done', () => {
    expect(watchAt(night, flip.startMs - FLIP_READY_MS - 1).code).to.equal('running');
    expect(watchAt(night, flip.startMs)).to.deep.equal({ code: 'flipDue', latestMs: plan.limitMs });
    expect(watchAt(night, plan.limitMs! + 1000).code).to.equal('flipLate');
    const flipping = watchAt(withReadings(begun), flip.startMs + 1000);
    expect(flipping).to.deep.equal({ code: 'flipping', sinceMs: Math.floor(flip.startMs) });
    const after = watchAt(withReadings(begun, done), flip.endMs + 60_000);
    expect(after).to.deep.include({ code: 'running', next: 'end' });
  });

  it('is over after dawn, and says what is missing', () => {
    expect(watchAt(night, night.dark!.toMs + 1).code).to.equal('over');
    expect(watchAt(nightStatic(nightRecords({ targetId: null })), 0).code).to.equal('noTarget');
    expect(watchAt(nightStatic(nightRecords({ targetId: 'demo-ngc104' })), 0).code).to.equal('noSubs');
  });

  it('an earlier flip of the same night that was taken back counts no more', () => {
    const undone = reading('retract', { readingId: begun.id }, { id: 'x', takenAtUtc: toUtcText(flip.startMs + 1) });
    expect(flipProgress(standingReadings([begun, undone])).state).to.equal('none');
    expect(flipProgress([]).state).to.equal('none');
  });

  it('what flips took before is planned for the next one', () => {
    const flips = [7, 12, 9].map((minutes, i) =>
      reading(
        'flip',
        { ...done.values, minutes },
        { id: `f${i}`, nightId: 'old', subject: { type: 'rig', id: 'demo-heron' } },
      ),
    );
    const learned = nightStatic(nightRecords({ readings: flips }));
    expect((learned.plan!.flips[0]!.endMs - learned.plan!.flips[0]!.startMs) / 60_000).to.equal(9);
    expect((flip.endMs - flip.startMs) / 60_000).to.equal(8);
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

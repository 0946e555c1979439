/** What the night asks for at a moment, through a flip that goes as planned and through one with a cloud over it. */
import { expect } from 'chai';
import { FLIP_READY_MS, watchAt } from '../../../../../src/core/night/advice/watch.ts';
import { nightAsOf, nightStatic } from '../../../../../src/core/night/nightStatic.ts';
import { subAt } from '../../../../../src/core/night/plan/plan.ts';
import type { EventName, Reading } from '../../../../../src/core/records/reading.ts';
import { toUtcText } from '../../../../../src/core/time/utc.ts';
import { night as nightOf } from '../../../../support/nights.ts';
import { event, nightRecords, reading } from '../../../../support/records.ts';

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
    expect(watchAt(night, flip.startMs - 1)).to.deep.equal({
      code: 'flipDue',
      latestMs: plan.limitMs,
      state: 'planned',
    });
    expect(watchAt(night, plan.limitMs! + 1000)).to.deep.equal({
      code: 'tubeLate',
      limitMs: plan.limitMs,
      fromMs: null,
      flips: true,
      state: 'planned',
    });
    const flipping = watchAt(withReadings(begun), flip.startMs + 1000);
    expect(flipping).to.deep.equal({ code: 'flipping', sinceMs: Math.floor(flip.startMs) });
    expect(watchAt(withReadings(begun), Math.floor(flip.startMs)).code, 'in the moment itself').to.equal('flipping');
    const backMs = flip.startMs - 7_200_000;
    expect(watchAt(withReadings(begun), backMs).code, 'by a clock that was set back').to.equal('flipping');
    expect(watchAt(withReadings(begun), backMs, flip.startMs + 1000).code, 'as it was then').not.to.equal('flipping');
    const after = watchAt(withReadings(begun, done), flip.endMs + 60_000);
    expect(after).to.deep.include({ code: 'running', next: 'end' });
  });

  it('a moment ahead is shown as planned, one that lies back as it was', () => {
    const nowMs = plan.subs[0]!.startMs;
    expect(watchAt(night, flip.endMs + 60_000, nowMs)).to.deep.include({ code: 'running', next: 'end' });
    expect(watchAt(night, flip.endMs, nowMs).code, 'just over').to.equal('running');
    const late = flip.startMs + 3_600_000;
    expect(watchAt(night, plan.subs[3]!.startMs + 1000, late)).to.deep.include({ code: 'running', sub: 4 });
  });

  it('is over after dawn, and says what is missing', () => {
    expect(watchAt(withReadings(done), night.dark!.toMs + 1).code).to.equal('over');
    const sunriseMs = night.sky.events.twilight.sunset.dawnMs!;
    expect(watchAt(night, sunriseMs - 1).code, 'nobody flipped it').to.equal('tubeLate');
    expect(watchAt(night, sunriseMs + 1).code).to.equal('over');
    expect(watchAt(nightStatic(nightRecords({ targetId: null })), 0).code).to.equal('noTarget');
    expect(watchAt(nightStatic(nightRecords({ targetId: 'demo-ngc104' })), 0).code).to.equal('noSubs');
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

describe('a cloud over the flip', () => {
  const plan = nightOf().plan!;
  const flipMs = plan.flips[0]!.startMs;
  const MIN = 60_000;
  const said = (what: EventName, timeMs: number) => event(what, { takenAtUtc: toUtcText(timeMs) });
  const cloud = [said('started', plan.subs[0]!.startMs), said('paused', flipMs - 20 * MIN)];
  const at = (timeMs: number, ...more: Reading[]) => watchAt(nightOf({ readings: [...cloud, ...more] }), timeMs);

  it('paused it counts to the limit, asks for the flip when that is natural, and past the limit to stop or flip', () => {
    const limitMs = plan.flips[0]!.latestMs;
    expect(at(flipMs - 10 * MIN)).to.deep.equal({ code: 'paused', target: 'NGC 281', limitMs });
    expect(at(limitMs - MIN / 2)).to.deep.equal({ code: 'flipDue', latestMs: limitMs, state: 'paused' });
    for (const hours of [0.5, 2, 5])
      expect(at(limitMs + hours * 60 * MIN)).to.deep.equal({
        code: 'tubeLate',
        limitMs,
        fromMs: null,
        flips: true,
        state: 'paused',
      });
    expect(at(limitMs + 60 * MIN, said('stopped', limitMs + 30 * MIN)).code).to.equal('over');
  });

  it('going on an hour later it is to flip now, and the rest is laid behind that', () => {
    const onMs = flipMs + 60 * MIN;
    const readings = [...cloud, said('resumed', onMs)];
    const night = nightOf({ readings });
    expect(watchAt(night, onMs + 1000).code).to.equal('tubeLate');
    const now = nightAsOf(night, onMs + 30 * MIN);
    expect(subAt(now.plan!.subs, onMs + 30 * MIN)).to.equal(null);
    expect(now.plan!.subs.find((s) => s.startMs > onMs)).to.include({ side: 'after' });
    expect(now.plan!.subs.find((s) => s.startMs > onMs)!.startMs).to.be.closeTo(onMs + 38 * MIN, MIN);
    // Flipped, it runs.
    const atUtc = toUtcText(onMs + 30 * MIN);
    const values = { atUtc, minutes: 9, to: 'after', missEastArcmin: null, missNorthArcmin: null };
    const done = reading('flip', values, { takenAtUtc: toUtcText(onMs + 39 * MIN) });
    expect(watchAt(nightOf({ readings: [...readings, done] }), onMs + 45 * MIN)).to.deep.include({ code: 'running' });
  });

  it('flipped while it is paused nothing is late any more', () => {
    const values = { atUtc: toUtcText(flipMs), minutes: 9, to: 'after', missEastArcmin: null, missNorthArcmin: null };
    const done = reading('flip', values, { takenAtUtc: toUtcText(flipMs + 9 * MIN) });
    expect(at(flipMs + 60 * MIN, done)).to.deep.include({ code: 'paused' });
  });
});

describe('the way to the next target', () => {
  const MIN = 60_000;
  const records = nightRecords();
  const entry = { ...records.night.plan[0]!, count: 10 };
  const plan = [entry, { ...entry, targetId: 'demo-m33', count: 40 }];
  const two = (readings: Reading[] = []) =>
    nightStatic({ ...nightRecords({ readings }), night: { ...records.night, plan } });

  it('is asked for when the first is over, and its subs wait for it', () => {
    const night = two();
    const overMs = night.legs[0]!.overMs!;
    const startMs = night.legs[1]!.plan!.subs[0]!.startMs;
    expect(watchAt(night, overMs + 1000)).to.deep.include({ code: 'targetDue', target: 'M 33', untilMs: startMs });
    const late = nightAsOf(night, startMs + 60 * MIN);
    expect(late.legs[1]!.plan!.subs[0]!.startMs).to.be.closeTo(startMs + 60 * MIN, MIN);
    const values = { what: 'targetTaken', targetId: 'demo-m33' };
    const taken = reading('event', values, { id: 'taken', takenAtUtc: toUtcText(startMs + 90 * MIN) });
    expect(watchAt(two([taken]), startMs + 93 * MIN)).to.deep.include({ code: 'running', sub: 2, count: 40 });
  });
});

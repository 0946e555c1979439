/** The one state of a night: what each event does to it, also doubled, too late and in the wrong order. */
import { expect } from 'chai';
import fc from 'fast-check';
import type { LifeEvent } from '../../../../../src/core/night/life/events.ts';
import { laidOf } from '../../../../../src/core/night/life/laid.ts';
import { inputOfTurn, liveOf, sideOf, toldOf } from '../../../../../src/core/night/life/life.ts';
import { sideAt, tubeStand } from '../../../../../src/core/night/life/tube.ts';
import { planSubs, type PlanInput } from '../../../../../src/core/night/plan/plan.ts';
import { plans, replanHolds } from '../../../../../scripts/trials/planTrial.ts';
import {
  HOUR,
  MIN,
  WINDOWS,
  base,
  CHANGE_MS,
  courseOf,
  said,
  begun,
  flip,
  lived as night,
} from '../../../../support/lives.ts';
import { holds } from '../../../../support/properties.ts';

/** Two targets, the second after the first. */
function two(events: LifeEvent[], input: PlanInput = { ...base, count: 30 }) {
  const courses = [courseOf('one', input), courseOf('two', { ...base, count: 30 })];
  const life = liveOf(courses, events);
  const first = laidOf(life, 0, { input: inputOfTurn(courses[0], toldOf(life, 0)), subS: 120 }, null)!;
  const from = life.told[1]!.freeFromMs ?? (first.overMs ?? 0) + CHANGE_MS;
  const second = laidOf(life, 1, { input: courses[1]!.inputFrom(from), subS: 120 }, null)!;
  return { life, first, second };
}
const planned = planSubs(base);
const [due] = planned.flips;

describe('the state of a night', () => {
  it('started late nothing is counted as taken before; started twice is started once', () => {
    const late = night([said('started', HOUR)]);
    expect([late.plan.subs[0]!.startMs, late.state]).to.deep.equal([HOUR, 'running']);
    const twice = night([said('started', HOUR), said('started', 2 * HOUR)]);
    expect(twice.plan).to.deep.equal(late.plan);
    const past = night([said('started', 5 * HOUR)]);
    expect([past.plan.flips.length, past.plan.subs[0]!.side]).to.deep.equal([0, 'after']);
  });

  it('a pause keeps what was taken and loses what ran; going on lays the rest from then, with the count that is left', () => {
    const paused = night([said('paused', HOUR)]);
    expect([paused.state, paused.plan.flips]).to.deep.equal(['paused', []]);
    expect(paused.plan.subs).to.deep.equal(planned.subs.filter((s) => s.endMs <= HOUR));
    const ran = planned.subs.find((s) => s.startMs < HOUR && s.endMs > HOUR)!;
    expect(toldOf(paused.life).lost).to.deep.equal([{ ...ran, endMs: HOUR }]);
    expect(paused.plan.limitMs, 'it tracks on').to.equal(4.5 * HOUR);
    const rest = night([said('paused', HOUR), said('resumed', 2 * HOUR)], { ...base, count: 60 }).plan.subs;
    expect([rest.length, rest[paused.plan.subs.length]!.startMs]).to.deep.equal([60, 2 * HOUR]);
    expect(night([said('resumed', HOUR)]).plan).to.deep.equal(planned);
    const doubled = [
      said('paused', HOUR),
      said('paused', HOUR + 1000),
      said('resumed', 2 * HOUR),
      said('resumed', 2 * HOUR + 1000),
    ];
    expect(night(doubled).plan).to.deep.equal(night([doubled[0]!, doubled[2]!]).plan);
  });

  it('a cloud over the flip: going on it flips first, then the rest', () => {
    for (const atMs of [4.25 * HOUR, 5 * HOUR]) {
      const { plan } = night([said('paused', 3 * HOUR), said('resumed', atMs)]);
      expect(plan.flips).to.deep.equal([
        { startMs: atMs, endMs: atMs + 12 * MIN, latestMs: 4.5 * HOUR, to: 'after', done: false },
      ]);
      expect(plan.subs.find((s) => s.startMs > atMs)).to.include({ startMs: atMs + 12 * MIN, side: 'after' });
    }
  });

  it('a flip that nobody recorded did not happen: the rest waits for it, and is laid from now', () => {
    const now = night([said('started', 0)], base, 5 * HOUR);
    expect(now.plan.subs.filter((s) => s.startMs < 5 * HOUR)).to.deep.equal(
      planned.subs.filter((s) => s.endMs <= due!.startMs),
    );
    expect(now.plan.flips).to.deep.equal([{ ...due, startMs: 5 * HOUR, endMs: 5 * HOUR + 12 * MIN }]);
    expect(now.plan.subs.find((s) => s.side === 'after')!.startMs).to.equal(5 * HOUR + 12 * MIN);
    expect(now.dueMs).to.equal(5 * HOUR);
    // Paused then, what was laid behind the flip is not among what was taken.
    const paused = night([said('started', 0), said('paused', 6 * HOUR)]);
    expect(paused.plan.subs.every((s) => s.side === 'before')).to.equal(true);
    expect(night([], base, HOUR).plan).to.deep.equal(planned);
  });

  it('a flip is as it was recorded: later subs follow its end, and those planned meanwhile were not taken', () => {
    const startMs = due!.startMs + 20 * MIN;
    const { plan } = night([flip(startMs, startMs + 15 * MIN)]);
    expect(plan.flips).to.deep.equal([
      { startMs, endMs: startMs + 15 * MIN, latestMs: 4.5 * HOUR, to: 'after', done: true },
    ]);
    expect(plan.subs.find((s) => s.startMs > due!.startMs)).to.include({ startMs: startMs + 15 * MIN, side: 'after' });
    const early = night([flip(3.9 * HOUR, 4.1 * HOUR)]).plan;
    expect(early.subs.filter((s) => s.side === 'before').every((s) => s.endMs <= 3.9 * HOUR)).to.equal(true);
    expect(early.subs.find((s) => s.side === 'after')!.startMs).to.equal(4.1 * HOUR);
  });

  it('a flip tried before the first sub tells nothing of the night', () => {
    expect(night([flip(-HOUR, -0.9 * HOUR, { to: 'after' })]).plan).to.deep.equal(planned);
    expect(night([begun(-HOUR), flip(-HOUR, -0.9 * HOUR, { to: 'after' })]).plan).to.deep.equal(planned);
  });

  it('begun it stops the subs at once, and lays the rest behind its usual end, or behind now when that has passed', () => {
    const atMs = 3.99 * HOUR;
    const on = night([begun(atMs)]);
    expect([on.life.flipSinceMs, sideOf(toldOf(on.life))]).to.deep.equal([atMs, 'before']);
    expect(on.plan.flips[0]).to.deep.equal({
      startMs: atMs,
      endMs: atMs + 12 * MIN,
      latestMs: 4.5 * HOUR,
      to: 'after',
      done: false,
    });
    expect(on.plan.subs.find((s) => s.startMs >= atMs)).to.include({ startMs: atMs + 12 * MIN, side: 'after' });
    const slow = night([begun(atMs)], base, 5 * HOUR).plan;
    expect(slow.subs.find((s) => s.startMs >= atMs)).to.include({ startMs: 5 * HOUR, side: 'after' });
    const done = night([begun(atMs), begun(atMs + 1000), flip(atMs, atMs + 5 * MIN, { to: 'after' })]);
    expect(done.life.flipSinceMs).to.equal(null);
    expect(done.plan.flips.map((f) => [f.startMs, f.endMs, f.done])).to.deep.equal([[atMs, atMs + 5 * MIN, true]]);
  });

  it('recorded twice a flip is one, with its side said or not', () => {
    for (const to of ['after', undefined] as const) {
      const one = flip(due!.startMs, due!.endMs, to ? { to } : {});
      const once = night([one]);
      expect(night([one, { ...one, timeMs: one.timeMs + 2000 }]).plan, to).to.deep.equal(once.plan);
    }
  });

  it('flipped in a pause it goes on from the other side', () => {
    const { plan } = night([said('paused', 3.9 * HOUR), flip(4.1 * HOUR, 4.3 * HOUR), said('resumed', 4.5 * HOUR)]);
    expect(plan.flips.map((f) => [f.startMs, f.done])).to.deep.equal([[4.1 * HOUR, true]]);
    expect(plan.subs.find((s) => s.startMs > 4 * HOUR)).to.include({ startMs: 4.5 * HOUR, side: 'after' });
  });

  it('a leg that is moved under running subs pauses them; before the first one it is work like other', () => {
    const moved = night([said('started', 0), { what: 'legsMoved', timeMs: HOUR }]);
    expect([moved.state, toldOf(moved.life).lost.length]).to.deep.equal(['paused', 1]);
    expect(night([{ what: 'legsMoved', timeMs: -HOUR }]).plan).to.deep.equal(planned);
  });

  it('stopped it stays stopped, whatever is said later', () => {
    const stop = said('stopped', 2 * HOUR);
    const later = [
      said('started', 3 * HOUR),
      said('resumed', 3 * HOUR),
      begun(3 * HOUR),
      flip(3 * HOUR, 3.2 * HOUR),
      said('targetTaken', 3 * HOUR, 'one'),
    ];
    expect(night([stop, ...later])).to.deep.equal(night([stop]));
    expect(night([stop]).overMs).to.equal(2 * HOUR);
  });

  it('is over after the last sub, when a target is said to be done, and in a pause as if it went on', () => {
    expect(night([]).overMs).to.equal(planned.subs.at(-1)!.endMs);
    const going = night([said('paused', HOUR), said('resumed', HOUR)]);
    expect(night([said('paused', HOUR)]).overMs).to.equal(going.overMs);
  });

  it('what is past never moves when it is laid anew', () => {
    const hours = (max: number) => fc.double({ min: 0, max, noNaN: true });
    holds(fc.property(plans, hours(14), hours(3), replanHolds));
  });
});

describe('one target after the other', () => {
  it('the next is waited for until the mount was sent to it, and begins then', () => {
    const { first, second, life } = two([said('started', 0)]);
    expect([life.leg, second.state, second.dueMs]).to.deep.equal([0, 'planned', first.overMs! + CHANGE_MS]);
    const taken = two([said('started', 0), said('targetTaken', 2 * HOUR, 'two')]);
    expect([taken.life.leg, taken.second.state]).to.deep.equal([1, 'running']);
    expect(taken.first.plan.subs).to.have.length(30);
    expect(taken.second.plan.subs[0]!.startMs).to.equal(2 * HOUR);
    const again = two([
      said('started', 0),
      said('targetTaken', 2 * HOUR, 'two'),
      said('targetTaken', 2.5 * HOUR, 'two'),
    ]);
    expect(again.second).to.deep.equal(taken.second);
  });

  it('sent on early the first is over from then on; started there too', () => {
    for (const what of ['targetTaken', 'started'] as const) {
      const { first, second, life } = two([said('started', 0), said(what, 0.5 * HOUR, 'two')]);
      expect([first.state, first.overMs, life.leg]).to.deep.equal(['stopped', 0.5 * HOUR, 1]);
      expect(first.plan.subs.every((s) => s.endMs <= 0.5 * HOUR)).to.equal(true);
      expect(toldOf(life, 0).lost).to.have.length(1);
      expect(second.plan.subs[0]!.startMs).to.equal(0.5 * HOUR);
    }
  });

  it('done with a target twice ends one target, not two', () => {
    const stop = (timeMs: number) => said('stopped', timeMs, 'one');
    const once = two([said('started', 0), stop(HOUR)]);
    expect(two([said('started', 0), stop(HOUR), stop(HOUR + 2000)]).life.told).to.deep.equal(once.life.told);
    expect([once.life.stage, once.first.overMs]).to.deep.equal(['running', HOUR]);
    expect(two([stop(HOUR), said('stopped', 2 * HOUR, 'two')]).life.stage).to.equal('stopped');
  });

  it('left out, its turn never comes; sent back to, it is taken up again', () => {
    const out = two([said('started', 0), said('skipped', HOUR, 'two')]);
    expect([out.life.leg, out.second.plan.subs, out.first.state]).to.deep.equal([0, [], 'running']);
    const back = two([said('started', 0), said('targetTaken', HOUR, 'two'), said('targetTaken', 1.5 * HOUR, 'one')]);
    expect(back.life.leg).to.equal(0);
    expect(back.first.plan.subs.filter((s) => s.startMs > HOUR)[0]!.startMs).to.equal(1.5 * HOUR);
    expect(back.first.plan.subs).to.have.length(30);
    expect(back.second.plan.subs.filter((s) => s.startMs < 1.5 * HOUR && s.startMs >= HOUR)).to.have.length(14);
  });

  it('those passed over on the way to a later one are over, those behind it still come', () => {
    const courses = ['one', 'two', 'three', 'four'].map((id) => courseOf(id, { ...base, count: 10 }));
    const at = HOUR;
    const sent = liveOf(courses, [said('started', 0), said('targetTaken', at, 'three')]);
    expect(sent.told.map((t) => t.overMs)).to.deep.equal([at, at, null, null]);
    expect(sent.leg).to.equal(2);
    const back = liveOf(courses, [
      said('started', 0),
      said('targetTaken', at, 'three'),
      said('started', 2 * HOUR, 'one'),
    ]);
    expect([back.leg, back.stage, back.told], 'from a tab that knew nothing of it').to.deep.equal([
      2,
      'running',
      sent.told,
    ]);
  });

  it('a flip to where the target may not be taken ends it: begun, with nothing to come, it is over at once', () => {
    const early = { ...base, endMs: 3 * HOUR, count: 5 };
    const { plan, overMs } = night([said('started', 0), flip(MIN, 2 * MIN)], early);
    expect([plan.subs, plan.lost.length]).to.deep.equal([[], 1]);
    expect(overMs).to.equal(2 * MIN);
    expect(plan.flips[0], 'no flip was due').to.include({ startMs: MIN, latestMs: MIN, to: 'after' });
    expect(night([], { ...early, endMs: -1 }).overMs, 'never begun').to.equal(null);
  });

  it('while it goes over nothing is taken, whatever else is said', () => {
    for (const what of ['paused', 'stopped'] as const) {
      const { life } = night([said('started', 0), begun(HOUR), said(what, 2 * HOUR)]);
      expect(toldOf(life).kept.every((sub) => sub.endMs <= HOUR)).to.equal(true);
      expect(toldOf(life).kept.length).to.equal(Math.floor((HOUR + 5000) / 125_000));
    }
  });

  it('what is said of a target is its own, and of one that is not in the plan nothing', () => {
    const own = said('started', HOUR, 'one');
    expect(night([said('stopped', 0.5 * HOUR, 'taken out'), own]).plan).to.deep.equal(night([own]).plan);
    expect(night([said('stopped', HOUR, 'taken out')]).state).to.equal('planned');
    expect(two([said('targetTaken', HOUR, 'two'), said('paused', 2 * HOUR, 'one')]).life.stage).to.equal('running');
  });
});

describe('where the tube stands', () => {
  it('by subs and recorded flips; what nobody recorded counts only ahead', () => {
    expect([
      sideAt(planned, HOUR, true),
      sideAt(planned, 6 * HOUR, true),
      sideAt(planned, 6 * HOUR, false),
    ]).to.deep.equal(['before', 'before', 'after']);
    expect(sideAt(planned, -1, false)).to.equal(null);
    const { plan } = night([flip(due!.startMs, due!.endMs)]);
    expect([sideAt(plan, due!.startMs - 1, true), sideAt(plan, due!.startMs, true)]).to.deep.equal(['before', 'after']);
  });

  it('is forbidden past its limit and before its time; over it goes where the other side is free', () => {
    const stand = (side: 'before' | 'after', timeMs: number) => tubeStand(WINDOWS, side, timeMs)!;
    expect(stand('before', HOUR)).to.deep.equal({
      side: 'before',
      limitMs: 4.5 * HOUR,
      forbidden: false,
      mayGoOver: false,
      opensMs: 4 * HOUR,
      naturalMs: 4 * HOUR,
    });
    expect(stand('before', 4.2 * HOUR)).to.include({ forbidden: false, mayGoOver: true });
    expect(stand('before', 4.5 * HOUR)).to.include({ forbidden: true, mayGoOver: true });
    expect(stand('after', 3 * HOUR)).to.include({ forbidden: true, limitMs: null });
    expect(tubeStand(null, 'before', 0)).to.equal(null);
    // A side that closes at a moment is closed at it.
    expect(stand('after', 4.5 * HOUR - 1)).to.include({ mayGoOver: true });
    expect(stand('after', 4.5 * HOUR)).to.include({ mayGoOver: false });
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import {
  planSubs,
  type FlipStrategy,
  type PlanInput,
  type SideWindow,
} from '../../../../../src/core/night/plan/plan.ts';
import { undoneFlip } from '../../../../../src/core/night/life/tube.ts';
import { subsThatFit, type Cadence } from '../../../../../src/core/night/plan/stretch.ts';
import { lightNeverFalls, planHolds, plans } from '../../../../../scripts/trials/planTrial.ts';
import { holds } from '../../../../support/properties.ts';

const HOUR = 3_600_000;
const MIN = 60_000;

/** The two sides about a transit. */
const sides = (transitMs: number, limitMs: number, earliestMs = transitMs): SideWindow[] => [
  { side: 'before', fromMs: transitMs - 12 * HOUR, toMs: limitMs, crossingMs: transitMs },
  { side: 'after', fromMs: earliestMs, toMs: transitMs + 12 * HOUR, crossingMs: transitMs + 12 * HOUR },
];

const base: PlanInput = {
  startMs: 0,
  endMs: 8 * HOUR,
  subS: 120,
  gapS: 5,
  count: null,
  windows: sides(4 * HOUR, 4.5 * HOUR),
  standsOn: null,
  flipMinutes: 8,
  refocus: null,
  reset: null,
  dither: null,
  strategy: 'endOfCrossingSub',
};
const before = (input: PlanInput) => planSubs(input).subs.filter((s) => s.side === 'before');

describe('subs around the flip', () => {
  it('one wanted is one, and none wanted is none', () => {
    const cadence: Cadence = { subMs: 120_000, stepMs: 125_000, refocus: null, dither: null, reset: null };
    expect([0, 1, 2].map((most) => subsThatFit(cadence, 0, HOUR, most))).to.deep.equal([0, 1, 2]);
  });

  it('what has crossed before it begins goes over at once, without a sub on this side', () => {
    const late: PlanInput = { ...base, startMs: 4.1 * HOUR, standsOn: 'before' };
    expect(before(late)).to.deep.equal([]);
    expect(planSubs(late).subs.length).to.be.greaterThan(0);
    // Until it crosses, every sub that ends before it does stays on this side.
    expect(before({ ...late, startMs: 3.9 * HOUR }).length).to.be.greaterThan(2);
  });

  it('of two flips the one that was not done is due, and of two such the earlier', () => {
    const flip = (startMs: number, done: boolean) => ({
      startMs,
      endMs: startMs,
      latestMs: startMs,
      to: 'after' as const,
      done,
    });
    expect(undoneFlip({ flips: [flip(1, true), flip(2, false), flip(3, false)] })?.startMs).to.equal(2);
    expect(undoneFlip({ flips: [flip(1, true)] })).to.equal(null);
  });

  it('the last sub needs no pause after it', () => {
    const fitting = (endS: number) => planSubs({ ...base, windows: null, endMs: endS * 1000 }).subs.length;
    expect([fitting(370), fitting(369.9), fitting(119)]).to.deep.equal([3, 2, 0]);
  });

  it('the usual way: the sub that crosses the meridian is finished first', () => {
    const plan = planSubs(base);
    const last = plan.subs.filter((s) => s.side === 'before').at(-1)!;
    expect(last.startMs < 4 * HOUR && last.endMs >= 4 * HOUR).to.equal(true);
    expect(plan.flips).to.deep.equal([
      { startMs: last.endMs, endMs: last.endMs + 8 * MIN, latestMs: 4.5 * HOUR, to: 'after', done: false },
    ]);
    expect(plan.subs.find((s) => s.side === 'after')!.startMs).to.equal(last.endMs + 8 * MIN);
    expect([plan.limitMs, plan.stopsAtLimit, plan.integrationS]).to.deep.equal([
      4.5 * HOUR,
      false,
      120 * plan.subs.length,
    ]);
  });

  it('a sub that ends on the meridian is the last: nothing crosses after it', () => {
    const plan = planSubs({ ...base, subS: 120, gapS: 0, startMs: 0, windows: sides(4 * HOUR, 4.5 * HOUR) });
    expect(plan.subs.filter((s) => s.side === 'before').at(-1)!.endMs).to.equal(4 * HOUR);
  });

  it('the crossing sub is left out when it would pass the limit', () => {
    const input = { ...base, windows: sides(4 * HOUR, 4 * HOUR), subS: 600 };
    expect(before(input).at(-1)!.endMs).to.be.at.most(4 * HOUR);
    expect(planSubs(input).flips[0]!.startMs).to.equal(4 * HOUR);
  });

  it('late, soon and never differ as they say', () => {
    const windows = sides(4 * HOUR, 5 * HOUR);
    const flipAt = (strategy: FlipStrategy) => planSubs({ ...base, windows, strategy }).flips[0]?.startMs ?? null;
    const crossing = flipAt('endOfCrossingSub')!;
    expect(flipAt('asLateAsAllowed')!).to.be.within(5 * HOUR - 125_000, 5 * HOUR);
    expect(flipAt('asSoonAsAllowed')!).to.be.within(4 * HOUR, crossing);
    expect([flipAt('stopAtLimit'), flipAt('startAfter')]).to.deep.equal([null, null]);
    const stopped = planSubs({ ...base, strategy: 'stopAtLimit' });
    expect([stopped.stopsAtLimit, stopped.limitMs, stopped.subs.every((s) => s.side === 'before')]).to.deep.equal([
      true,
      4.5 * HOUR,
      true,
    ]);
    const after = planSubs({ ...base, strategy: 'startAfter' });
    expect([after.subs[0]!.startMs, after.subs.every((s) => s.side === 'after')]).to.deep.equal([4 * HOUR, true]);
  });

  it('as soon as the mount goes over: subs run up to that moment, not only to the meridian', () => {
    const plan = planSubs({
      ...base,
      windows: sides(4 * HOUR, 5 * HOUR, 4.5 * HOUR),
      strategy: 'asSoonAsAllowed',
    });
    expect(plan.flips[0]!.startMs).to.equal(4.5 * HOUR);
    const last = plan.subs.filter((s) => s.side === 'before').at(-1)!;
    expect(4.5 * HOUR - last.endMs).to.be.within(0, 125_000);
  });

  it('free on neither side the tube waits, and is sent over only when the other is free', () => {
    const plan = planSubs({ ...base, windows: sides(4 * HOUR, 3.5 * HOUR, 4.5 * HOUR) });
    expect(before({ ...base, windows: sides(4 * HOUR, 3.5 * HOUR, 4.5 * HOUR) }).at(-1)!.endMs).to.be.at.most(
      3.5 * HOUR,
    );
    expect(plan.flips[0]).to.include({ startMs: 4.5 * HOUR, latestMs: 3.5 * HOUR });
  });

  it('past the meridian at the start, everything runs after the flip; a mount without flip has one side', () => {
    const past = planSubs({ ...base, windows: sides(-2 * HOUR, -1.5 * HOUR) });
    expect([past.flips.length, past.subs.every((s) => s.side === 'after')]).to.deep.equal([0, true]);
    // Past it, though the limit would still let it stand there: who starts now starts on the other side.
    const just = planSubs({ ...base, windows: sides(-0.25 * HOUR, 0.5 * HOUR) });
    expect([just.flips.length, just.subs[0]!.side]).to.deep.equal([0, 'after']);
    const stands = planSubs({ ...base, windows: sides(-0.25 * HOUR, 0.5 * HOUR), standsOn: 'before' });
    expect([stands.flips[0]!.startMs, stands.subs[0]!.startMs]).to.deep.equal([0, 8 * MIN]);
    expect(planSubs({ ...base, windows: null }).flips).to.deep.equal([]);
    expect(planSubs({ ...base, endMs: -1 }).subs).to.deep.equal([]);
    expect(() => planSubs({ ...base, subS: 0 })).to.throw('subS must be above 0, got 0');
  });

  it('crossing the meridian below the pole it flips a second time', () => {
    const windows: SideWindow[] = [
      ...sides(-6 * HOUR, -5 * HOUR),
      { side: 'before', fromMs: 6 * HOUR, toMs: 19 * HOUR, crossingMs: 18 * HOUR },
    ];
    windows[1]!.toMs = 6.5 * HOUR;
    windows[1]!.crossingMs = 6 * HOUR;
    const plan = planSubs({ ...base, endMs: 10 * HOUR, windows });
    expect(plan.flips.length).to.equal(1);
    expect(plan.flips[0]!.startMs).to.be.within(6 * HOUR, 6 * HOUR + 125_000);
    expect(plan.flips[0]!.latestMs).to.equal(6.5 * HOUR);
    expect([plan.subs[0]!.side, plan.subs.at(-1)!.side]).to.deep.equal(['after', 'before']);
    // The whole way from before the upper transit to beyond the lower one: two.
    const long = [
      ...sides(1 * HOUR, 1.5 * HOUR),
      { ...windows[2]!, fromMs: 13 * HOUR, toMs: 26 * HOUR, crossingMs: 25 * HOUR },
    ];
    long[1]!.toMs = 13.5 * HOUR;
    const all = planSubs({ ...base, endMs: 16 * HOUR, windows: long });
    expect(all.flips.map((f) => Math.round(f.startMs / HOUR))).to.deep.equal([1, 13]);
  });

  it('refocuses after so many subs, never after the last, and a flip counts as one', () => {
    const focus = { everyMin: 30, minutes: 3 };
    const plan = planSubs({ ...base, windows: null, gapS: 0, refocus: focus, count: 31 });
    expect(plan.breaks).to.deep.equal([
      { startMs: 30 * MIN, endMs: 33 * MIN, why: 'refocus' },
      { startMs: 63 * MIN, endMs: 66 * MIN, why: 'refocus' },
    ]);
    expect(planSubs({ ...base, windows: null, gapS: 0, refocus: focus, count: 30 }).breaks).to.have.length(1);
    const flipped = planSubs({ ...base, gapS: 0, refocus: focus });
    const [flip] = flipped.flips;
    const next = flipped.breaks.find((r) => r.startMs > flip!.startMs)!;
    expect(next.startMs - flip!.endMs).to.equal(30 * MIN);
  });

  const breaks = (most: number) =>
    fc.record({ every: fc.integer({ min: 1, max: most }), ms: fc.integer({ min: 0, max: 300 }) });

  it('dithers after so many subs', () => {
    const { subs } = planSubs({ ...base, windows: null, gapS: 0, dither: { everySubs: 3, seconds: 10 }, count: 7 });
    expect(subs.map((s) => s.startMs / 1000)).to.deep.equal([0, 120, 240, 370, 490, 610, 740]);
  });

  it('sets a platform back before a sub outlasts its run, whatever else breaks the row', () => {
    const reset = { everyMin: 60, minutes: 3 };
    const plain = planSubs({ ...base, windows: null, gapS: 0, reset, count: 61 });
    expect(plain.breaks).to.deep.equal([
      { startMs: 60 * MIN, endMs: 63 * MIN, why: 'reset' },
      { startMs: 123 * MIN, endMs: 126 * MIN, why: 'reset' },
    ]);
    const seconds = fc.integer({ min: 5, max: 1800 });
    const dither = fc.option(fc.record({ everySubs: fc.integer({ min: 1, max: 5 }), seconds: fc.constant(20) }));
    const refocus = fc.option(fc.record({ everyMin: fc.integer({ min: 5, max: 90 }), minutes: fc.constant(3) }));
    holds(
      fc.property(seconds, dither, refocus, (subS, dithers, focus) => {
        const free = { ...base, windows: null, subS, gapS: 2, flipMinutes: 8, dither: dithers, refocus: focus, reset };
        const { subs, breaks: all } = planSubs({ ...free, endMs: 10 * HOUR });
        const runs = all.filter((b) => b.why === 'reset');
        [free.startMs, ...runs.map((b) => b.endMs)].forEach((fromMs, i) => {
          const own = subs.filter((s) => s.startMs >= fromMs - 1 && s.startMs < (runs[i]?.startMs ?? Infinity));
          expect(own.at(-1)!.endMs - fromMs, `run ${i}`).to.be.at.most(60 * MIN + 1);
          if (runs[i]) expect(runs[i].endMs - runs[i].startMs, 'its minutes').to.be.at.least(3 * MIN - 1);
        });
        expect(runs.length).to.be.at.least(8);
      }),
    );
  });

  it('how many fit is what laying them one by one finds', () => {
    holds(
      fc.property(
        fc.record({
          subMs: fc.integer({ min: 1, max: 900 }),
          gapMs: fc.integer({ min: 0, max: 60 }),
          refocus: fc.option(breaks(20)),
          dither: fc.option(breaks(5)),
        }),
        fc.integer({ min: 0, max: 20_000 }),
        ({ subMs, gapMs, refocus, dither }, toMs) => {
          const cadence: Cadence = { subMs, stepMs: subMs + gapMs, refocus, dither, reset: null };
          const after = (one: Cadence['dither'], n: number) => (one && n % one.every === 0 ? one.ms : 0);
          let [count, startMs] = [0, 0];
          while (startMs + subMs <= toMs) {
            count += 1;
            startMs += subMs + gapMs + after(refocus, count) + after(dither, count);
          }
          expect(subsThatFit(cadence, 0, toMs)).to.equal(count);
        },
      ),
    );
  });

  it('no sub runs where the tube may not stand, none over a flip or a break, under any strategy', () => {
    holds(fc.property(plans, planHolds));
  });

  it('a tube that stands on a side whose time is over goes over at once, however long ago that was', () => {
    const late = planSubs({ ...base, startMs: 5 * HOUR, standsOn: 'before' });
    expect(late.flips).to.deep.equal([
      { startMs: 5 * HOUR, endMs: 5 * HOUR + 8 * MIN, latestMs: 4.5 * HOUR, to: 'after', done: false },
    ]);
    expect(late.subs[0]).to.include({ startMs: 5 * HOUR + 8 * MIN, side: 'after' });
    expect(planSubs({ ...base, startMs: 5 * HOUR, standsOn: 'before', strategy: 'stopAtLimit' }).subs).to.deep.equal(
      [],
    );
    // Crossed already, and the limit not yet reached: only who flips as late as allowed stays.
    const crossed = { ...base, startMs: 4.1 * HOUR, standsOn: 'before' as const };
    expect(planSubs(crossed).flips[0]!.startMs).to.equal(4.1 * HOUR);
    expect(planSubs({ ...crossed, strategy: 'asLateAsAllowed' }).flips[0]!.startMs).to.be.greaterThan(4.4 * HOUR);
  });

  it('a tube that was sent over too early waits for its side', () => {
    const early = planSubs({ ...base, standsOn: 'after' });
    expect([early.flips, early.subs[0]!.startMs]).to.deep.equal([[], 4 * HOUR]);
  });

  it('a wider limit never costs light', () => {
    holds(fc.property(plans, fc.double({ min: 0, max: 2, noNaN: true }), lightNeverFalls));
  });
});

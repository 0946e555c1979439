import { expect } from 'chai';
import { planSubs, type PlanInput } from '../../../../../src/core/night/plan/plan.ts';

const HOUR = 3_600_000;
const base: PlanInput = {
  startMs: 0,
  endMs: 8 * HOUR,
  subS: 120,
  gapS: 5,
  count: null,
  transitMs: 4 * HOUR,
  limitH: 0.5,
  earliestFlipH: 0,
  flipMinutes: 8,
  clearFromMs: null,
  strategy: 'endOfCrossingSub',
};

describe('subs around the flip', () => {
  it('the last sub needs no pause after it', () => {
    const fitting = (endS: number) => planSubs({ ...base, transitMs: null, endMs: endS * 1000 }).subs.length;
    expect([fitting(370), fitting(369.9), fitting(119)]).to.deep.equal([3, 2, 0]);
  });

  it('the usual way: the sub that crosses the meridian is finished first', () => {
    const plan = planSubs(base);
    const last = plan.subs.filter((s) => s.side === 'before').at(-1);
    expect(last && last.startMs < 4 * HOUR && last.endMs >= 4 * HOUR).to.equal(true);
    expect(plan.flip?.startMs).to.equal(last?.endMs);
  });

  it('the crossing sub is left out when it would pass the limit', () => {
    const plan = planSubs({ ...base, limitH: 0, subS: 600 });
    const last = plan.subs.filter((s) => s.side === 'before').at(-1);
    expect(last && last.endMs <= 4 * HOUR).to.equal(true);
    expect(plan.flip?.startMs).to.equal(4 * HOUR);
  });

  it('late, soon and never differ as they say', () => {
    const flipAt = (strategy: PlanInput['strategy']) =>
      planSubs({ ...base, limitH: 1, strategy }).flip?.startMs ?? null;
    expect(flipAt('asLateAsAllowed')!).to.be.greaterThan(flipAt('endOfCrossingSub')!);
    expect(flipAt('asSoonAsAllowed')!).to.be.at.most(flipAt('endOfCrossingSub')!);
    const stopped = planSubs({ ...base, strategy: 'stopAtLimit' });
    expect([stopped.flip, stopped.stopsAtLimit, stopped.subs.every((s) => s.side === 'before')]).to.deep.equal([
      null,
      true,
      true,
    ]);
  });

  it('as soon as the mount goes over: subs run up to that moment, not only to the meridian', () => {
    const plan = planSubs({ ...base, limitH: 1, earliestFlipH: 0.5, strategy: 'asSoonAsAllowed' });
    const last = plan.subs.filter((s) => s.side === 'before').at(-1)!;
    const earliestMs = 4 * HOUR + 0.5 * HOUR * (86164.09 / 86400);
    expect(earliestMs - last.endMs).to.be.within(0, 125_000);
    expect(plan.flip!.startMs).to.be.closeTo(earliestMs, 500);
  });

  it('past the meridian at the start, everything runs after the flip; a mount without flip has one side', () => {
    expect(planSubs({ ...base, transitMs: -2 * HOUR }).subs.every((s) => s.side === 'after')).to.equal(true);
    expect(planSubs({ ...base, transitMs: null }).flip).to.equal(null);
    expect(planSubs({ ...base, endMs: -1 }).subs).to.deep.equal([]);
    expect(() => planSubs({ ...base, subS: 0 })).to.throw('subS must be above 0, got 0');
  });
});

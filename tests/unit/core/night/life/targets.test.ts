/** Targets one after the other, and a flip that nobody had planned. */
import { expect } from 'chai';
import { liveOf, nextLeg } from '../../../../../src/core/night/life/life.ts';
import { base, begun, courseOf, HOUR, lived as night, MIN, said } from '../../../../support/lives.ts';

describe('targets one after the other', () => {
  const two = [courseOf('one', base), courseOf('two', { ...base, startMs: 2 * HOUR })];

  it('the next one is behind the one that is looked at, not that one itself', () => {
    const life = liveOf(two, [said('started', 0)]);
    expect(nextLeg(life)).to.equal(1);
    expect(nextLeg(liveOf(two, [said('started', 0), said('targetTaken', 2 * HOUR, 'two')]))).to.equal(null);
  });

  it('the end of a target that nobody planned changes nothing, nor that of one that is long over', () => {
    const before = [said('started', 0), said('targetTaken', 2 * HOUR, 'two')];
    const life = liveOf(two, before);
    for (const targetId of ['nobody', 'one'])
      expect(liveOf(two, [...before, said('skipped', 3 * HOUR, targetId)]).told, targetId).to.deep.equal(life.told);
  });

  it('a flip that was begun though none was due has until it began, not for ever', () => {
    const short = { ...base, endMs: HOUR };
    const { plan } = night([said('started', 0), begun(30 * MIN)], short, 31 * MIN);
    expect(plan.flips.at(-1)).to.include({ startMs: 30 * MIN, latestMs: 30 * MIN, done: false });
  });
});

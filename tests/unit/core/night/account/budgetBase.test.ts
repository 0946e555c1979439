import { expect } from 'chai';
import { budgetBase } from '../../../../../src/core/night/account/budgetBase.ts';
import type { Rig } from '../../../../../src/core/records/rig.ts';
import { night } from '../../../../support/nights.ts';

const { records, numbers } = night();
const based = (change: Partial<Rig>, without: object = {}) =>
  budgetBase(
    { ...records, rig: { ...records.rig, ...change } },
    { ...numbers, ...without },
    { raDeg: 30, decDeg: 40 },
    120,
  );

describe('what the account is put together from', () => {
  it('without tube, camera or scale is nothing', () => {
    expect(based({})).not.to.equal(null);
    for (const gone of ['tube', 'camera', 'train'] as const) expect(based({}, { [gone]: null }), gone).to.equal(null);
  });

  it('has flexure where a guide scope sags, and none where the guider looks through the same tube', () => {
    const flexureOf = (guiding: Rig['guiding']) => {
      const { sub, sources } = based({ guiding })!;
      return [sub.tracking.guided && sub.tracking.flexureArcsecPerMin, sources.flexure?.basis];
    };
    expect(flexureOf('guideScope')).to.deep.equal([0.1, 'assumed']);
    expect(flexureOf('offAxis')).to.deep.equal([0, 'told']);
    expect(flexureOf('none')).to.deep.equal([false, undefined]);
  });
});

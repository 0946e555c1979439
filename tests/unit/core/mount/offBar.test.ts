/** Weights whose place lies off their bar: none, another set, a lighter one, a longer bar. */
import { expect } from 'chai';
import fc from 'fast-check';
import { raBalance, type RaBalanceInput } from '../../../../src/core/mount/balance.ts';
import { offBarOf } from '../../../../src/core/mount/offBar.ts';
import { holds } from '../../../support/properties.ts';

const hung = (tubeKg: number, weightKg: number | null): RaBalanceInput => ({
  parts: [{ id: 'tube', massKg: tubeKg, fromRaAxisM: 0.15 }],
  bar: { massKg: 0.7, centreM: 0.1 },
  movableWeights: weightKg === null ? [] : [{ id: 'hangs', massKg: weightKg }],
  fixedWeights: [],
  barRangeM: [0.06, 0.3],
});
const box = [0.5, 1, 2].map((massKg) => ({ id: `w${massKg}`, massKg }));

describe('weights off their bar', () => {
  it('a telephone wants none: the bar outweighs it', () => {
    // 0.2 kg at 150 mm against 0.7 kg at 100 mm.
    const off = offBarOf(hung(0.2, 0.5), box);
    expect(off).to.deep.include({ code: 'noWeight' });
    expect(off?.code === 'noWeight' && off.leftKgM).to.be.closeTo(0.03 - 0.07, 1e-12);
  });

  it('none as long as none is nearer to balance than the lightest closest in', () => {
    // Half of 0.5 kg at 60 mm: 0.015 kg m; tubes of 0.56 and 0.58 kg leave 0.014 and 0.017.
    expect(offBarOf(hung(0.56, null), box)?.code).to.equal('noWeight');
    expect(offBarOf(hung(0.58, null), box)).to.equal(null);
    expect(offBarOf(hung(0.58, 0.5), box)?.code).to.equal('lighter');
  });

  it('another set where one fits, else what is missing', () => {
    expect(offBarOf(hung(4, 1), box))
      .to.have.nested.property('set.ids')
      .that.deep.equals(['w2']);
    expect(offBarOf(hung(4, 1), [])).to.deep.include({ code: 'longer' });
    expect(offBarOf(hung(1, 7.5), [])).to.deep.equal({ code: 'lighter', nearestM: 0.06 });
  });

  it('nobody who has no weight at all is told that none is missing under a heavy tube', () => {
    expect(offBarOf(hung(0.5, null), [])?.code).to.equal('noWeight');
    expect(offBarOf(hung(1, null), [])).to.equal(null);
  });

  it('speaks exactly when the weights’ place is off the bar, and every way out is one', () => {
    holds(
      fc.property(fc.double({ min: 0.1, max: 12, noNaN: true }), fc.constantFrom(0.5, 2, 5), (tubeKg, weightKg) => {
        const input = hung(tubeKg, weightKg);
        const off = offBarOf(input, box);
        expect(off === null).to.equal(raBalance(input).inRange);
        if (off?.code === 'otherSet') {
          const movableWeights = box.filter(({ id }) => off.set.ids.includes(id));
          expect(raBalance({ ...input, movableWeights }).inRange).to.equal(true);
        }
        if (off?.code === 'longer') {
          const barRangeM = [0.06, 0.3 + off.byM + 1e-9] as const;
          expect(raBalance({ ...input, barRangeM }).inRange).to.equal(true);
        }
      }),
    );
  });
});

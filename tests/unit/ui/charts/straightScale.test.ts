import { expect } from 'chai';
import fc from 'fast-check';
import { finite } from '../../../support/properties.ts';
import { straightScale } from '../../../../src/ui/charts/straightScale.ts';

describe('a straight scale', () => {
  it('maps ends to ends, upward too, and goes on beyond them', () => {
    const x = straightScale([100, 200], [0, 50]);
    expect([100, 150, 200, 220, 90].map(x)).to.deep.equal([0, 25, 50, 60, -5]);
    const y = straightScale([0, 90], [84, 26]);
    expect([y(0), y(90), y(45)]).to.deep.equal([84, 26, 55]);
  });

  it('goes back to the value that it came from', () => {
    const ends = fc.tuple(fc.integer({ min: -1e6, max: 1e6 }), fc.integer({ min: 1, max: 1e6 }));
    fc.assert(
      fc.property(ends, ends, finite(-1, 2), ([from, by], [start, long], share) => {
        const scale = straightScale([from, from + by], [start, start - long]);
        const value = from + share * by;
        expect(scale.invert(scale(value))).to.be.closeTo(value, 1e-6 * (Math.abs(from) + by));
      }),
    );
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { MOST_DIMENSIONS, spreadPoints } from '../../../../src/core/math/lowDiscrepancy.ts';
import { quantileInPlace } from '../../../../src/core/math/quantile.ts';
import { holds } from '../../../support/properties.ts';

describe('evenly spread points', () => {
  const points = spreadPoints(MOST_DIMENSIONS, 1024);

  it('put one point into each of 1024 equal slices, in every coordinate', () => {
    for (const coordinate of points) {
      expect(new Set([...coordinate].map((at) => Math.floor(at * 1024))).size).to.equal(1024);
    }
  });

  it('fill the squares of any two coordinates as evenly: 4 in each of 256 of the first two, no square empty elsewhere', () => {
    for (let a = 0; a < points.length; a += 1) {
      for (let b = a + 1; b < points.length; b += 1) {
        const counts = new Array<number>(64).fill(0);
        for (let k = 0; k < 1024; k += 1) {
          counts[Math.floor(points[a]![k]! * 8) * 8 + Math.floor(points[b]![k]! * 8)]! += 1;
        }
        expect(Math.min(...counts), `${a} and ${b}`).to.be.at.least(8);
        expect(Math.max(...counts), `${a} and ${b}`).to.be.at.most(24);
      }
    }
  });

  it('integrate a product as if they were very many', () => {
    const [x, y, z] = points;
    const mean = x!.reduce((sum, at, k) => sum + at * y![k]! ** 2 * Math.sin(Math.PI * z![k]!), 0) / 1024;
    expect(mean).to.be.closeTo(1 / 2 / 3 / (Math.PI / 2), 5e-4);
  });

  it('are not made for more coordinates than there are numbers for', () => {
    expect(() => spreadPoints(MOST_DIMENSIONS + 1, 8)).to.throw('dimensions');
  });
});

describe('a quantile', () => {
  it('is the smallest value that the share does not exceed', () => {
    const of = (share: number) => quantileInPlace(Float64Array.from([7, 1, 10, 4, 3, 9, 2, 8, 6, 5]), share);
    expect([of(0.9), of(0.5), of(0.901), of(0.01), of(1)]).to.deep.equal([9, 5, 10, 1, 10]);
    expect(quantileInPlace(Float64Array.of(3), 0.9)).to.equal(3);
    expect(() => quantileInPlace(new Float64Array(), 0.5)).to.throw('empty');
  });

  it('is what sorting gives, with equal values too', () => {
    holds(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 1, maxLength: 80 }),
        fc.nat({ max: 79 }),
        (list, at) => {
          const rank = at % list.length;
          const sorted = [...list].sort((a, b) => a - b);
          expect(quantileInPlace(Float64Array.from(list), (rank + 1) / list.length)).to.equal(sorted[rank]);
        },
      ),
    );
  });
});

import { expect } from 'chai';
import { line } from 'd3';
import fc from 'fast-check';
import { polyline } from '../../../../src/ui/charts/polyline.ts';
import { holds } from '../../../support/properties.ts';

describe('a line through points', () => {
  it('is the drawing library’s, gaps and all', () => {
    // Of a point that stands alone the library makes a dot of no length, which is drawn no more than the bare move is.
    const point = fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 }));
    holds(
      fc.property(fc.array(point), (points) => {
        const theirs = line().defined(([, y]) => y < 20)(points) ?? '';
        expect(polyline(points, (y) => y < 20)).to.equal(theirs.replaceAll('Z', ''));
      }),
    );
  });
});

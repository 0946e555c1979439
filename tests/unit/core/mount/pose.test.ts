import { expect } from 'chai';
import fc from 'fast-check';
import { dot } from '../../../../src/core/math/vectors.ts';
import { pose, type FlipState } from '../../../../src/core/mount/pose.ts';
import { finite } from '../../../support/properties.ts';
import { toHorizontal } from '../../../../src/core/sky/horizontal.ts';

const STATES: readonly FlipState[] = ['beforeFlip', 'afterFlip'];
const near = (found: readonly number[], wanted: readonly number[]): void =>
  wanted.forEach((value, i) => expect(found[i], `axis ${i}`).to.be.closeTo(value, 1e-12));

describe('the pose of a mount', () => {
  it('on the meridian the bar is level, the tube west before the flip and east after it, in the south too', () => {
    near(pose(0, 40, 'beforeFlip', 40).tube, [0, 0, 1]);
    for (const latDeg of [40, -30]) {
      near(pose(0, 10, 'beforeFlip', latDeg).side, [-1, 0, 0]);
      near(pose(0, 10, 'afterFlip', latDeg).side, [1, 0, 0]);
    }
  });

  it('past the meridian the unflipped tube sinks, the flipped one rises; six hours before it the weights hang down', () => {
    expect(pose(1, 20, 'beforeFlip', 40).side[2]).to.be.lessThan(-0.1);
    expect(pose(1, 20, 'afterFlip', 40).side[2]).to.be.greaterThan(0.1);
    near(pose(-6, 90, 'beforeFlip', 40).side, [0, -Math.sin((40 * Math.PI) / 180), Math.cos((40 * Math.PI) / 180)]);
  });

  it('the tube looks where the sky has that hour angle and declination, square to the declination axis', () => {
    fc.assert(
      fc.property(
        finite(-12, 12),
        finite(-90, 90),
        finite(-89, 89),
        fc.constantFrom(...STATES),
        (h, dec, lat, state) => {
          const { tube, side } = pose(h, dec, state, lat);
          const { altDeg, azDeg } = toHorizontal(h, dec, lat);
          const [alt, az] = [(altDeg * Math.PI) / 180, (azDeg * Math.PI) / 180];
          const seen = [Math.cos(alt) * Math.sin(az), Math.cos(alt) * Math.cos(az), Math.sin(alt)];
          seen.forEach((value, i) => expect(tube[i]).to.be.closeTo(value, 1e-6));
          expect(dot(tube, side)).to.be.closeTo(0, 1e-9);
          expect(dot(side, side)).to.be.closeTo(1, 1e-9);
        },
      ),
    );
  });

  it('names what is out of range', () => {
    expect(() => pose(0, 91, 'beforeFlip', 40)).to.throw('decDeg must be in [-90, 90], got 91');
  });
});

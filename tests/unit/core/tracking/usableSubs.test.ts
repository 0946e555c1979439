import { expect } from 'chai';
import fc from 'fast-check';
import { roundSpread } from '../../../../src/core/math/covariance2.ts';
import { sinusoidVariance } from '../../../../src/core/tracking/periodicError.ts';
import {
  longestUsableS,
  pathSpread,
  shareAt,
  usableCurve,
  usableShare,
  type Motion,
} from '../../../../src/core/tracking/usableSubs.ts';
import { finite, holds } from '../../../support/properties.ts';

const swing = (amplitudeArcsec: number, periodS = 480): Motion => ({
  sinusoids: [{ amplitudeArcsec, periodS }],
  raDriftArcsecPerMin: 0,
  decDriftArcsecPerMin: 0,
  cosDec: 1,
});
const seeing = [roundSpread(1.1)];

describe('usable subs', () => {
  it('a still mount keeps every sub, a violent one loses every long one', () => {
    expect(usableShare(swing(0), 300, seeing, 1.25)).to.equal(1);
    expect(usableShare(swing(400), 240, seeing, 1.25)).to.equal(0);
  });

  it('the path’s spread, averaged over all phases, is the closed form', () => {
    for (const exposureS of [20, 120, 480, 700]) {
      const motion = swing(7.5);
      const starts = Array.from({ length: 480 }, (_, i) => pathSpread(motion, i, exposureS).xx);
      const mean = starts.reduce((a, b) => a + b, 0) / starts.length;
      expect(mean).to.be.closeTo(sinusoidVariance(motion.sinusoids, exposureS), 0.01 * mean + 1e-6);
    }
  });

  it('a steady drift spreads length squared over twelve along its direction', () => {
    const motion = { ...swing(0), raDriftArcsecPerMin: 3, decDriftArcsecPerMin: -4 };
    const { xx, xy, yy } = pathSpread(motion, 17, 60);
    expect(xx).to.be.closeTo(9 / 12, 0.001);
    expect(yy).to.be.closeTo(16 / 12, 0.001);
    expect(xy).to.be.closeTo(-12 / 12, 0.001);
  });

  it('more swing, a longer focal length and a stricter limit never make more subs usable', () => {
    holds(
      fc.property(finite(1, 30), finite(5, 200), finite(1.05, 1.4), (amplitude, exposureS, limit) => {
        const share = usableShare(swing(amplitude), exposureS, seeing, limit);
        expect(usableShare(swing(amplitude * 1.3), exposureS, seeing, limit)).to.be.at.most(share);
        expect(usableShare(swing(amplitude), exposureS, [roundSpread(0.6)], limit)).to.be.at.most(share);
        expect(usableShare(swing(amplitude), exposureS, seeing, limit + 0.1)).to.be.at.least(share);
        expect(usableShare(swing(amplitude), exposureS, [...seeing, ...seeing], limit)).to.equal(share);
      }),
      60,
    );
  });

  it('near the pole the wobble of the axis hardly shows', () => {
    const motion = { ...swing(20), cosDec: 0.05 };
    expect(usableShare(motion, 120, seeing, 1.25)).to.equal(1);
  });

  it('refuses an exposure of no length', () => {
    expect(() => usableShare(swing(1), 0, seeing, 1.25)).to.throw(RangeError, 'exposureS');
  });
});

describe('the curve of usable subs', () => {
  const curve = [
    { exposureS: 10, share: 1 },
    { exposureS: 20, share: 0.95 },
    { exposureS: 30, share: 0.5 },
    { exposureS: 40, share: 0.92 },
  ];

  it('the longest usable length stops at the first fall below the mark', () => {
    expect(longestUsableS(curve, 0.9)).to.equal(20);
    expect(longestUsableS(curve, 0.4)).to.equal(40);
    expect(longestUsableS(curve.slice(2), 0.9)).to.equal(null);
  });

  it('reads between its points and stays at its ends outside', () => {
    expect([5, 10, 25, 40, 99].map((s) => shareAt(curve, s))).to.deep.equal([1, 1, 0.725, 0.92, 0.92]);
    expect(shareAt([], 10)).to.equal(0);
  });

  it('is asked for motion and background at each length', () => {
    const asked: number[] = [];
    const found = usableCurve(
      [5, 50],
      (exposureS) => {
        asked.push(exposureS);
        return { motion: swing(12), background: seeing };
      },
      1.25,
    );
    expect(asked).to.deep.equal([5, 50]);
    expect(found[0]!.share).to.be.at.least(found[1]!.share);
  });
});

import { expect } from 'chai';
import { guidedRms } from '../../../../src/core/tracking/guidedRms.ts';
import { normal, seeded } from '../../../../src/core/math/random.ts';

describe('what a guider held', () => {
  const random = seeded(3);
  /** Each value keeps so much of the one before; spread 0.8 arcsec. */
  const wander = (length: number, keeps: number): Float64Array => {
    let at = 0;
    return Float64Array.from({ length }, () => {
      at = keeps * at + 0.8 * Math.sqrt(1 - keeps ** 2) * normal(random);
      return at;
    });
  };

  it('is as doubtful as the same night taken again and again is spread', () => {
    for (const keeps of [0, 0.7]) {
      const nights = Array.from({ length: 400 }, () =>
        guidedRms({ raArcsec: wander(120, keeps), decArcsec: wander(120, keeps) }),
      );
      const rms = nights.map((n) => n.values.rmsRaArcsec);
      const mean = rms.reduce((a, b) => a + b) / rms.length;
      const spread = Math.sqrt(rms.reduce((sum, v) => sum + (v - mean) ** 2, 0) / rms.length);
      const said = nights.reduce((sum, n) => sum + n.sigma.rmsDecArcsec, 0) / nights.length;
      expect(mean, `keeps ${keeps}`).to.be.closeTo(0.8, 0.02);
      expect(said / spread, `keeps ${keeps}`).to.be.within(0.85, 1.2);
    }
  });

  it('is doubtful for a few rows, and not for a whole night', () => {
    const short = guidedRms({ raArcsec: wander(10, 0), decArcsec: wander(10, 0) });
    const long = guidedRms({ raArcsec: wander(5000, 0), decArcsec: wander(5000, 0) });
    expect(short.sigma.rmsRaArcsec / short.values.rmsRaArcsec).to.be.within(0.2, 0.3);
    expect(long.sigma.rmsRaArcsec).to.be.below(0.01);
    const still = guidedRms({ raArcsec: new Float64Array(9), decArcsec: new Float64Array(9) });
    expect(still.sigma).to.deep.equal({ rmsRaArcsec: 0, rmsDecArcsec: 0 });
  });
});

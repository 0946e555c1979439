import { expect } from 'chai';
import fc from 'fast-check';
import { curveWindows } from '../../../../src/core/tracking/curveWindows.ts';
import { wavePaths, type Sinusoid } from '../../../../src/core/tracking/periodicError.ts';
import { finite, holds } from '../../../support/properties.ts';

const NONE = { variance: 0, withTime: 0 };
const wave = fc.record({ amplitudeArcsec: finite(0.1, 20), periodS: finite(80, 900), phaseDeg: fc.constant(null) });

describe('windows of a measured curve', () => {
  it('of a steady rise are that of a ramp, wherever they lie', () => {
    const rise = { stepS: 2, errorArcsec: Array.from({ length: 200 }, (_, i) => 0.2 * i) };
    const { momentsAt } = curveWindows(rise, [], 100);
    for (const at of [0, 0.37, 0.999]) {
      const { variance, withTime } = momentsAt(at, () => 0, NONE);
      // Slope 0.1 arcsec/s over 100 s: slope^2 t^2 / 12, and slope t^2 / 12; to a part in the number of samples squared.
      expect(variance).to.be.closeTo(100 / 12, 0.01);
      expect(withTime).to.be.closeTo(1000 / 12, 0.1);
    }
  });

  it('fall on all of the curve: the first on its beginning, the last on its end', () => {
    const late = { stepS: 1, errorArcsec: Array.from({ length: 300 }, (_, i) => (i < 200 ? 0 : i % 2)) };
    const { momentsAt } = curveWindows(late, [], 60);
    expect(momentsAt(0, () => 0, NONE).variance).to.equal(0);
    expect(momentsAt(0.9999, () => 0, NONE).variance).to.be.closeTo(0.25, 1e-6);
    const atLast = { stepS: 1, errorArcsec: late.errorArcsec.map((_, i) => (i === 299 ? 6 : 0)) };
    // One sample of sixty: 36 (1/60) (59/60).
    expect(curveWindows(atLast, [], 60).momentsAt(0.9999, () => 0, NONE).variance).to.be.closeTo(0.59, 0.01);
  });

  it('with waves on top are the path of both together, followed moment by moment', () => {
    const slow = (timeS: number): number => 3 * Math.sin(timeS / 31) + 0.02 * timeS;
    const curve = { stepS: 1, errorArcsec: Array.from({ length: 900 }, (_, i) => slow(i + 0.5)) };
    holds(
      fc.property(fc.array(wave, { minLength: 1, maxLength: 3 }), finite(0, 0.99), finite(0, 7), (waves, at, phase) => {
        const exposureS = 120;
        const found = curveWindows(curve, waves, exposureS).momentsAt(
          at,
          () => phase,
          wavePaths(waves, exposureS)(() => phase),
        );
        const fromS = Math.floor(at * 781);
        const wanted = followed((tau) => slow(fromS + 60 + tau) + together(waves, phase, tau), exposureS);
        const size = waves.reduce((sum, w) => sum + w.amplitudeArcsec, 6);
        expect(found.variance).to.be.closeTo(wanted.variance, 2e-3 * size * size);
        expect(found.withTime).to.be.closeTo(wanted.withTime, 2e-3 * size * exposureS);
      }),
      60,
    );
  });

  it('of an exposure within one step are a straight line, however short it is', () => {
    const rise = { stepS: 8, errorArcsec: Array.from({ length: 1024 }, (_, i) => 0.8 * i) };
    const wave: Sinusoid = { amplitudeArcsec: 3, periodS: 60, phaseDeg: null };
    for (const exposureS of [0.001, 0.5, 4, 8]) {
      const { variance, withTime } = curveWindows(rise, [], exposureS).momentsAt(0.3, () => 0, NONE);
      expect(variance / exposureS ** 2).to.be.closeTo(0.01 / 12, 1e-5);
      expect(withTime / exposureS ** 2).to.be.closeTo(0.1 / 12, 1e-4);
      // A wave that rises with it makes one steeper line of both.
      const alone = wavePaths([wave], exposureS)(() => 0);
      const both = curveWindows(rise, [wave], exposureS).momentsAt(0.3, () => 0, alone);
      const slope = 0.1 + (3 * 2 * Math.PI) / 60;
      expect(both.variance / exposureS ** 2).to.be.closeTo(slope ** 2 / 12, 0.03 * slope ** 2);
    }
  });

  it('of an exposure longer than the curve do not stand still: it runs there and back', () => {
    const ramp = { stepS: 10, errorArcsec: Array.from({ length: 20 }, (_, i) => i) };
    // The variance of twenty even steps.
    expect(curveWindows(ramp, [], 400).momentsAt(0, () => 0, NONE).variance).to.be.closeTo((20 ** 2 - 1) / 12, 1);
  });
});

const together = (waves: readonly Sinusoid[], phase: number, tau: number): number =>
  waves.reduce((sum, w) => sum + w.amplitudeArcsec * Math.sin((2 * Math.PI * tau) / w.periodS + phase), 0);

function followed(error: (tau: number) => number, exposureS: number) {
  const taus = Array.from({ length: 2400 }, (_, i) => ((i + 0.5) / 2400 - 0.5) * exposureS);
  const mean = (of: (tau: number) => number): number => taus.reduce((sum, tau) => sum + of(tau), 0) / taus.length;
  const middle = mean(error);
  return { variance: mean((tau) => (error(tau) - middle) ** 2), withTime: mean((tau) => tau * error(tau)) };
}

import { expect } from 'chai';
import fc from 'fast-check';
import { wavePaths, wormPeriodS, type Sinusoid } from '../../../../src/core/tracking/periodicError.ts';
import { finite, holds } from '../../../support/properties.ts';

const wave = fc.record({ amplitudeArcsec: finite(0.1, 40), periodS: finite(7, 900), phaseDeg: fc.constant(null) });
const phases = fc.array(finite(-7, 7), { minLength: 4, maxLength: 4 });

/** Mean square about the mean and mean product with time, sample by sample. */
function followed(waves: readonly Sinusoid[], at: readonly number[], exposureS: number) {
  const steps = 3000;
  const taus = Array.from({ length: steps }, (_, i) => ((i + 0.5) / steps - 0.5) * exposureS);
  const error = (tau: number): number =>
    waves.reduce((sum, w, k) => sum + w.amplitudeArcsec * Math.sin((2 * Math.PI * tau) / w.periodS + at[k]!), 0);
  const mean = (of: (tau: number) => number): number => taus.reduce((sum, tau) => sum + of(tau), 0) / steps;
  const middle = mean(error);
  return { variance: mean((tau) => (error(tau) - middle) ** 2), withTime: mean((tau) => tau * error(tau)) };
}

describe('the path of a drive in one exposure', () => {
  it('is that of its waves together, followed moment by moment', () => {
    holds(
      fc.property(fc.array(wave, { minLength: 1, maxLength: 4 }), phases, finite(2, 1200), (waves, at, exposureS) => {
        const wanted = followed(waves, at, exposureS);
        const found = wavePaths(waves, exposureS)((k) => at[k]!);
        const size = waves.reduce((sum, w) => sum + w.amplitudeArcsec, 0);
        expect(found.variance).to.be.closeTo(wanted.variance, 1e-3 * size * size);
        expect(found.withTime).to.be.closeTo(wanted.withTime, 1e-3 * size * exposureS);
      }),
      60,
    );
  });

  it('of 6 arcsec over a whole period varies by 18, whatever the phase, and nothing moves without waves', () => {
    const whole = wavePaths([{ amplitudeArcsec: 6, periodS: 480, phaseDeg: null }], 480);
    for (const phase of [0, 1, 2.5]) expect(whole(() => phase).variance).to.be.closeTo(18, 1e-9);
    // Symmetric about the middle of the sub: as much before as after.
    expect(whole(() => Math.PI / 2).withTime).to.be.closeTo(0, 1e-9);
    expect(whole(() => 0).withTime, 'rising through the middle').to.be.greaterThan(100);
    expect(wavePaths([], 60)(() => 0)).to.deep.equal({ variance: 0, withTime: 0 });
  });

  it('has the worm’s period from its teeth', () => {
    expect(wormPeriodS(180)).to.be.closeTo(478.69, 0.01);
  });
});

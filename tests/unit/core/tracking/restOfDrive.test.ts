import { expect } from 'chai';
import { possibleSubs } from '../../../../src/core/verdict/possibleSubs.ts';
import { driveAt } from '../../../../src/standins/mountLog.ts';
import { analysed, DRIVE } from '../../../support/drives.ts';

const GEAR = { periodS: 61, amplitudeArcsec: 2.4, phaseDeg: 10 };
const LONG = { durationS: 3600 };

/** Mean square of the path about its own mean, of subs laid one after another on the true drive. */
function trueVariances(truth: typeof DRIVE, exposureS: number): number[] {
  const still = { ...truth, raPerMin: 0 };
  return Array.from({ length: 400 }, (_, sub) => {
    const path = Array.from({ length: 60 }, (_, i) => driveAt(still, sub * 37 + (i / 60) * exposureS));
    const mean = path.reduce((a, b) => a + b, 0) / path.length;
    return path.reduce((sum, v) => sum + (v - mean) ** 2, 0) / path.length;
  });
}
const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(share * values.length)]!;

describe('what a drive does besides drift and worm', () => {
  it('is nothing where only the air moves the star', () => {
    for (const seed of [1, 2, 3]) expect(analysed({ seeingArcsec: 1 }, LONG, seed).rest).to.equal(null);
  });

  it('holds a gear at its size, through seeing and lost stars', () => {
    const { rest } = analysed({ gear: GEAR, seeingArcsec: 0.8 }, { ...LONG, lostShare: 0.05 });
    // 2.4 arcsec of a sine; the mean over steps of 4 s takes a fiftieth.
    const { errorArcsec } = rest!;
    const meanSquare = errorArcsec.reduce((sum, v) => sum + v * v, 0) / errorArcsec.length;
    expect(Math.sqrt(meanSquare)).to.be.closeTo(2.4 * Math.SQRT1_2, 0.12);
    expect(rest!.stepS).to.be.within(4, 8);
  });

  it('is the longest stretch between two gaps, and no longer than is kept', () => {
    const { rest } = analysed({ gear: GEAR }, { durationS: 7200 });
    expect(rest!.errorArcsec).to.have.length(1024);
  });

  it('gives subs the spread that the true drive gives them, laid upon it one by one', () => {
    const truth = { ...DRIVE, gear: GEAR };
    const { periodic, rest } = analysed({ gear: GEAR }, LONG);
    const sinusoids = periodic!.harmonics.map(({ k, amplitudeArcsec, phaseDeg }) => ({
      amplitudeArcsec,
      periodS: periodic!.periodS / k,
      phaseDeg,
    }));
    for (const exposureS of [30, 90, 240]) {
      const found = Array.from(possibleSubs({ sinusoids, curve: rest }, exposureS).wobbleVariance);
      const wanted = trueVariances(truth, exposureS);
      for (const share of [0.3, 0.5, 0.9])
        expect(quantile(found, share), `${exposureS} s, ${share}`).to.be.closeTo(
          quantile(wanted, share),
          0.12 * quantile(wanted, share) + 0.1,
        );
      const withoutRest = Array.from(possibleSubs({ sinusoids, curve: null }, exposureS).wobbleVariance);
      expect(quantile(withoutRest, 0.3), 'the gear matters').to.be.below(0.8 * quantile(wanted, 0.3));
    }
  });
});

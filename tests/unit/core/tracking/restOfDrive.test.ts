import { expect } from 'chai';
import { normal, seeded } from '../../../../src/core/math/random.ts';
import type { Points } from '../../../../src/core/tracking/binned.ts';
import { restOfDrive } from '../../../../src/core/tracking/restOfDrive.ts';
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
const gearAt = (arcsec: number, timeS: number): number => arcsec * Math.sin((2 * Math.PI * timeS) / GEAR.periodS);
const rmsOf = (values: readonly number[]): number =>
  Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length);

type Wish = {
  rows?: number;
  cadenceS?: number;
  gearArcsec?: number;
  noiseArcsec?: number;
  seed?: number;
  without?: (timeS: number) => boolean;
};
/** Points of a gear under the air, one row each. */
function curve({ rows = 1800, cadenceS = 2, gearArcsec = 0, noiseArcsec = 1, seed = 3, without }: Wish): Points {
  const random = seeded(seed);
  const all = Array.from({ length: rows }, (_, i) => i * cadenceS).map((timeS) => ({
    timeS,
    ra: gearAt(gearArcsec, timeS) + noiseArcsec * normal(random),
  }));
  const kept = all.filter(({ timeS }) => !without?.(timeS));
  const of = (value: (row: (typeof kept)[number]) => number): Float64Array => Float64Array.from(kept, value);
  return { timeS: of((r) => r.timeS), ra: of((r) => r.ra), dec: of(() => 0), weights: of(() => 1) };
}
const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(share * values.length)]!;

describe('what a drive does besides drift and worm', () => {
  it('is nothing where only the air moves the star', () => {
    const found = Array.from({ length: 40 }, (_, seed) => restOfDrive(curve({ seed }), curve({ seed }).ra, 1));
    expect(found.filter((rest) => rest !== null).length, 'of forty logs').to.be.at.most(1);
    expect(analysed({ seeingArcsec: 1 }).rest, 'of a whole analysis').to.equal(null);
  });

  it('holds a gear at its size, through seeing and rows that stand for many', () => {
    for (const weight of [1, 4]) {
      const points = { ...curve({ gearArcsec: 2.4 }), weights: new Float64Array(1800).fill(weight) };
      const { stepS, errorArcsec } = restOfDrive(points, points.ra, 1)!;
      expect(stepS).to.equal(4);
      // The mean over 4 s of a sine of 61 s takes hardly anything.
      expect(rmsOf(errorArcsec)).to.be.closeTo(2.4 * Math.SQRT1_2, 0.08);
    }
  });

  it('keeps its places: step by step it follows the gear', () => {
    const points = curve({ gearArcsec: 3, noiseArcsec: 0.1 });
    const { errorArcsec } = restOfDrive(points, points.ra, 0.1)!;
    // Rows stand at 0 and 2 s of each step.
    errorArcsec.forEach((v, i) => expect(v).to.be.closeTo(gearAt(3, 4 * i + 1), 0.35));
  });

  it('is the longest stretch between two gaps; short ones are drawn through', () => {
    const stepsWithout = (from: number, to: number): number => {
      const points = curve({ gearArcsec: 3, noiseArcsec: 0.1, without: (s) => s >= from && s < to });
      return restOfDrive(points, points.ra, 0.1)!.errorArcsec.length;
    };
    expect([stepsWithout(1000, 1012), stepsWithout(1000, 1016)], 'three empty steps, and four').to.deep.equal([
      900, 646,
    ]);
    const short = curve({ gearArcsec: 3, noiseArcsec: 0.1, without: (s) => s > 1000 && s < 1012 });
    const { errorArcsec } = restOfDrive(short, short.ra, 0.1)!;
    expect(errorArcsec).to.have.length(900);
    errorArcsec.slice(248, 256).forEach((v, i) => expect(v).to.be.closeTo(gearAt(3, 4 * (248 + i) + 1), 0.8));
  });

  it('is no longer than is kept, in steps no finer than the rows, and none of a short log', () => {
    const long = curve({ gearArcsec: 3, rows: 4000 });
    expect(restOfDrive(long, long.ra, 1)!.errorArcsec).to.have.length(1024);
    const slow = curve({ gearArcsec: 3, cadenceS: 10 });
    expect(restOfDrive(slow, slow.ra, 1)!.stepS).to.be.closeTo(10, 1e-9);
    const rare = curve({ gearArcsec: 9, cadenceS: 61 });
    expect(restOfDrive(rare, rare.ra, 0.1), 'a row a minute').to.equal(null);
    const [short, enough] = [curve({ gearArcsec: 9, rows: 58 }), curve({ gearArcsec: 9, rows: 60 })];
    expect(restOfDrive(short, short.ra, 0.1)).to.equal(null);
    expect(restOfDrive(enough, enough.ra, 0.1)!.errorArcsec).to.have.length(30);
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

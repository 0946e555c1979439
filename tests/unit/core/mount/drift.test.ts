import { expect } from 'chai';
import fc from 'fast-check';
import { driftRate, refractionDriftArcsecPerMin } from '../../../../src/core/mount/driftMeasure.ts';
import { driftStars } from '../../../../src/core/mount/driftStars.ts';
import { driftRates } from '../../../../src/core/mount/polarDrift.ts';
import {
  altIsMeasured,
  altSigmaArcmin,
  azIsMeasured,
  azSigmaArcmin,
  measuredPole,
  UNKNOWN_POLE,
  withDrift,
  withTurn,
} from '../../../../src/core/mount/poleEstimate.ts';
import { BRIGHT_STARS } from '../../../../src/core/sky/brightStars.ts';
import { finite, holds } from '../../../support/properties.ts';
import { NOW } from '../../../support/records.ts';

describe('a star timed', () => {
  const straight = (perMin: number, every = 30, count = 9) =>
    Array.from({ length: count }, (_, i) => ({ timeS: i * every, northArcsec: (perMin * i * every) / 60 }));

  it('gives its rate, and less doubt the longer it runs', () => {
    const [short, long] = [driftRate(straight(-2.4, 30, 5), 1.5)!, driftRate(straight(-2.4), 1.5)!];
    expect(long.rateArcsecPerMin).to.be.closeTo(-2.4, 1e-9);
    expect(long.sigmaArcsecPerMin).to.be.lessThan(short.sigmaArcsecPerMin / 2);
    expect(long).to.deep.include({ minutes: 4, marks: 9 });
  });

  it('marks that scatter more than stated widen the doubt', () => {
    const shaky = straight(1).map((m, i) => ({ ...m, northArcsec: m.northArcsec + (i % 2 === 0 ? 8 : -8) }));
    expect(driftRate(shaky, 1.5)!.sigmaArcsecPerMin).to.be.greaterThan(
      2 * driftRate(straight(1), 1.5)!.sigmaArcsecPerMin,
    );
  });

  it('one mark, or two at one moment, tell nothing', () => {
    expect(driftRate(straight(1).slice(0, 1), 1)).to.equal(null);
    expect(
      driftRate(
        [
          { timeS: 0, northArcsec: 0 },
          { timeS: 0, northArcsec: 3 },
        ],
        1,
      ),
    ).to.equal(null);
  });
});

describe('the air’s part', () => {
  it('is opposite east and west, and nearly nothing on the meridian', () => {
    holds(
      fc.property(finite(20, 55), finite(3, 4.4), (latDeg, haH) => {
        const [west, east] = [haH, -haH].map((h) => refractionDriftArcsecPerMin(h, 0, latDeg));
        expect(west).to.be.closeTo(-east!, 0.02);
        expect(Math.abs(west!)).to.be.greaterThan(Math.abs(refractionDriftArcsecPerMin(0.001, 0, latDeg)));
      }),
    );
  });

  it('imitates two to six arcmin of altitude low in the sky', () => {
    const haH = 4.2;
    const imitated =
      refractionDriftArcsecPerMin(haH, 0, 40) /
      driftRates({ altErrorArcmin: 1, azErrorArcmin: 0 }, 40, 0, haH).decPerMin;
    expect(Math.abs(imitated)).to.be.within(2, 6);
  });
});

describe('what the stars tell of the axis', () => {
  const star = (latDeg: number, alt: number, az: number, haH: number, decDeg = 5) => ({
    haH,
    decDeg,
    latDeg,
    rateArcsecPerMin:
      driftRates({ altErrorArcmin: alt, azErrorArcmin: az }, latDeg, decDeg, haH).decPerMin +
      refractionDriftArcsecPerMin(haH, decDeg, latDeg),
    sigmaArcsecPerMin: 0.05,
  });

  it('two stars give both errors to a percent, in any order, in both hemispheres', () => {
    holds(
      fc.property(finite(15, 55), fc.constantFrom(1, -1), finite(-40, 40), finite(-50, 50), (size, s, alt, az) => {
        const stars = [star(s * size, alt, az, 0.2), star(s * size, alt, az, -3.7)];
        for (const order of [stars, [...stars].reverse()]) {
          const found = order.reduce(withDrift, UNKNOWN_POLE);
          // Sensitivities are taken at a true axis: good to a percent of the error, which the next round mends.
          const within = 0.2 + 0.01 * Math.hypot(alt, az);
          expect(found.altArcmin).to.be.closeTo(alt, within);
          expect(found.azArcmin).to.be.closeTo(az, within);
        }
      }),
    );
  });

  it('a star near the meridian measures the azimuth alone', () => {
    const one = withDrift(UNKNOWN_POLE, star(40, 20, 30, 0.2));
    expect([azIsMeasured(one), altIsMeasured(one)]).to.deep.equal([true, false]);
    const both = withDrift(one, star(40, 20, 30, 3.8));
    expect([azIsMeasured(both), altIsMeasured(both)]).to.deep.equal([true, true]);
    expect(azSigmaArcmin(both), 'the second star also mends the first').to.be.lessThan(azSigmaArcmin(one));
  });

  it('a turn moves the estimate and leaves its own doubt; an unknown knob has to be measured again', () => {
    const before = measuredPole({ altArcmin: 10, azArcmin: 5 }, { altArcmin: 0.5, azArcmin: 0.5 });
    const turned = withTurn(before, 'altitude', { arcmin: -8, sigmaArcmin: 1.6 });
    expect(turned.altArcmin).to.equal(2);
    expect(altSigmaArcmin(turned)).to.be.closeTo(Math.hypot(0.5, 1.6), 1e-9);
    expect(azSigmaArcmin(turned)).to.equal(0.5);
    expect(azIsMeasured(withTurn(before, 'azimuth', null))).to.equal(false);
  });
});

describe('stars proposed for a drift', () => {
  for (const [place, latDeg, lonDeg] of [
    ['Serra da Estrela', 40.33, -7.6],
    ['Auas mountains', -22.75, 17.2],
    ['far north', 64, 20],
  ] as const) {
    it(`are where each step needs them, all night long: ${place}`, () => {
      for (let hour = -2; hour <= 9; hour += 1)
        for (const step of ['azimuth', 'altitude'] as const) {
          const found = driftStars(step, BRIGHT_STARS, NOW + hour * 3_600_000, { latDeg, lonDeg });
          for (const s of found) {
            expect(s.altDeg).to.be.at.least(25);
            if (step === 'azimuth') expect(Math.abs(s.haH)).to.be.at.most(1);
            else expect(Math.abs(s.haH)).to.be.within(3, 4.5);
          }
          expect(found.length, `${step} at ${hour}`).to.be.greaterThan(0);
        }
    });
  }

  it('come best first: near the equator, near the best hour, bright and high', () => {
    const place = { latDeg: 40.33, lonDeg: -7.6 };
    const all = driftStars('azimuth', BRIGHT_STARS, NOW, place, () => 0, 99);
    expect(driftStars('azimuth', BRIGHT_STARS, NOW, place)).to.deep.equal(all.slice(0, 4));
    const cost = (s: (typeof all)[number]) =>
      Math.abs(s.decDeg) / 15 + Math.abs(s.haH) / 0.75 + Math.max(0, s.magnitude) / 3 + Math.max(0, 35 - s.altDeg) / 10;
    const costs = all.map(cost);
    expect(costs.length).to.be.greaterThan(4);
    expect(costs).to.deep.equal([...costs].sort((a, b) => a - b));
  });

  it('keep above the site’s own horizon line', () => {
    const wall = (azDeg: number) => (azDeg > 180 ? 80 : 0);
    const found = driftStars('altitude', BRIGHT_STARS, NOW, { latDeg: 40.33, lonDeg: -7.6 }, wall);
    expect(found.every((s) => s.azDeg <= 180)).to.equal(true);
  });
});

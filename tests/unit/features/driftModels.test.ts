import { expect } from 'chai';
import { poleOfNight } from '../../../src/core/pole/poleOfNight.ts';
import type { Reading } from '../../../src/core/records/reading.ts';
import { BRIGHT_STARS } from '../../../src/core/sky/brightStars.ts';
import { driftModel, driftScale } from '../../../src/features/polar/drift/driftModel.ts';
import { driftReading } from '../../../src/features/polar/drift/driftReadings.ts';
import { at, night, south, turn, type Wish } from '../../support/polar.ts';
import { event, nightRecords, NOW, reading } from '../../support/records.ts';

describe('drift', () => {
  const model = (readings: Reading[], wish: Wish = {}, step: 'azimuth' | 'altitude' | null = null) =>
    driftModel(night({ readings, ...wish }), BRIGHT_STARS, NOW, step, null);
  const mark = (second: number, northArcsec: number, starts = false) =>
    reading(
      'driftMark',
      { starName: 'γ Psc', raDeg: 349.6, decDeg: 3.4, northArcsec, sigmaArcsec: 1.5, starts },
      { id: `m${second}`, takenAtUtc: new Date(NOW + second * 1000).toISOString() },
    );
  const drift = (minute: number, haH: number, rateArcsecPerMin: number) =>
    reading('drift', { haH, decDeg: 3, rateArcsecPerMin }, { ...at(minute), sigma: { rateArcsecPerMin: 0.05 } });

  it('proposes an azimuth star first, then altitude, then azimuth again', () => {
    expect(model([]).saying).to.deep.include({ code: 'takeStar', step: 'azimuth', again: false });
    const azGood = drift(1, 0.1, 0);
    expect(model([azGood]).saying).to.deep.include({ code: 'takeStar', step: 'altitude' });
    const altGood = drift(2, -3.7, -0.3);
    expect(model([azGood, altGood]).saying).to.deep.include({ code: 'takeStar', step: 'azimuth', again: true });
    expect(model([azGood, altGood, drift(3, 0.1, 0)]).saying.code).to.equal('done');
  });

  it('asks to turn what is beyond the goal, then to measure it again', () => {
    const far = drift(1, 0.1, 6);
    expect(model([far]).saying).to.deep.include({ code: 'turn', step: 'azimuth' });
    expect(model([far, turn(2, 'azimuth', 0.4, -30)]).saying).to.deep.include({
      code: 'takeStar',
      step: 'azimuth',
      again: true,
    });
  });

  it('a run goes on over a reload, says when it is enough, and can be given up', () => {
    const running = model([mark(0, 0, true), mark(20, 1)]);
    expect(running.saying).to.deep.include({ code: 'watch', star: 'γ Psc' });
    expect(running.run!.marks).to.have.length(2);
    const enough = model([mark(0, 0, true), ...[60, 120, 180, 240, 300].map((s) => mark(s, s / 10))]);
    expect(enough.saying).to.deep.include({ code: 'enough', step: 'azimuth' });
    // 6"/min toward north near the meridian: the axis is too far west, in the north.
    expect(enough.estimate!.azArcmin).to.be.closeTo(-6 / (0.2625 * Math.cos((40.33 * Math.PI) / 180)), 1.5);
    const givenUp = event('driftGivenUp', at(9));
    expect(model([mark(0, 0, true), mark(60, 5), givenUp]).run).to.equal(null);
  });

  it('reads pixels by the rig’s scale and a field by eyepiece and tube', () => {
    const one = night();
    expect(driftScale(one, 'arcsec', null)!.arcsec).to.equal(1);
    expect(driftScale(one, 'pixel', null)!.arcsec).to.be.closeTo(2.02, 0.01);
    expect(driftScale(one, 'field', 25)!.arcsec).to.be.closeTo((50 * 3600 * 25) / 480, 1e-6);
    expect(driftScale(one, 'field', null)).to.equal(null);
  });

  it('a finished star leaves its rate and its doubt, nothing reckoned; what it says of the pole is what the dials show', () => {
    const marks = [mark(0, 0, true), ...[60, 120, 180, 240, 300].map((s) => mark(s, s / 50))];
    const altitudeKnown = drift(-5, -3.7, -0.3);
    const readings = [altitudeKnown, ...marks];
    const found = model(readings);
    const finished = driftReading(found.run!, nightRecords({ readings }))!;
    expect(finished).to.deep.include({ kind: 'drift' });
    expect(finished.values).to.have.all.keys('haH', 'decDeg', 'rateArcsecPerMin');
    expect(finished.sigma).to.have.property('rateArcsecPerMin').that.is.within(0.1, 1);
    const kept = reading('drift', finished.values, { ...at(6), sigma: finished.sigma as Record<string, number> });
    const pole = poleOfNight(nightRecords({ readings: [...readings, kept] }));
    expect(pole.basis).to.equal('measured');
    expect(pole.estimate.altArcmin).to.be.closeTo(found.estimate!.altArcmin, 1e-9);
    expect(pole.estimate.azArcmin).to.be.closeTo(found.estimate!.azArcmin, 1e-9);
    const alone = model([mark(0, 0, true)]);
    expect(driftReading(alone.run!, nightRecords()), 'one mark tells nothing').to.equal(null);
  });

  it('the hour angle of a run is that halfway between its first and last mark', () => {
    const run = (seconds: number) => model([mark(0, 0, true), mark(seconds, 5)]).run!;
    // Half of 20 minutes later is 10 sidereal minutes further on.
    expect(run(1200).haH - run(0.001).haH).to.be.closeTo(600.0 / 3600 / 0.99727, 1e-4);
  });

  it('in the south the same rules hold the other way round', () => {
    const auas = model([], south);
    expect(auas.saying).to.deep.include({ code: 'takeStar', step: 'azimuth' });
    const run = [mark(0, 0, true), ...[60, 120, 180, 240, 300].map((s) => mark(s, s / 10))].map((r) => ({
      ...r,
      values: { ...r.values, raDeg: 12, decDeg: -10 },
    })) as Reading[];
    expect(model(run, south).estimate!.azArcmin, 'north of the meridian star: too far east').to.be.greaterThan(10);
  });
});

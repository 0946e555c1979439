import { expect } from 'chai';
import fc from 'fast-check';
import { linearFit } from '../../../../src/core/math/leastSquares.ts';
import { normal, seeded } from '../../../../src/core/math/random.ts';
import { analyseTrack } from '../../../../src/core/tracking/analyseTrack.ts';
import { binned } from '../../../../src/core/tracking/binned.ts';
import { jumpsOf, noiseOf } from '../../../../src/core/tracking/jumps.ts';
import { spectrumOf } from '../../../../src/core/tracking/spectrum.ts';
import {
  cadenceOf,
  gapsOf,
  mountDec,
  mountRa,
  rmsOf,
  type TrackSeries,
} from '../../../../src/core/tracking/trackSeries.ts';
import { analysed, DRIVE, seriesOf } from '../../../support/drives.ts';
import { finite, holds } from '../../../support/properties.ts';

const phaseOff = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180);

describe('what a log says of a drive', () => {
  it('period, harmonics with phases, swing, drifts and what the air did', () => {
    const { periodic, raDrift, decDrift, residualRaArcsec, gears } = analysed();
    expect(periodic!.periodS).to.be.closeTo(480, 4 * periodic!.sigmaPeriodS);
    expect(periodic!.sigmaPeriodS).to.be.within(0.1, 1);
    expect(periodic!.harmonics.map((h) => h.k)).to.deep.equal([1, 2]);
    periodic!.harmonics.forEach((h, i) => {
      expect(h.amplitudeArcsec).to.be.closeTo(DRIVE.harmonics[i]!.amplitudeArcsec, 0.12);
      expect(phaseOff(h.phaseDeg, DRIVE.harmonics[i]!.phaseDeg)).to.be.lessThan(5);
    });
    expect(periodic!.peakToPeakArcsec).to.be.closeTo(15.4, 0.4);
    expect(raDrift.perMin).to.be.closeTo(0.8, 4 * raDrift.sigmaPerMin);
    expect(decDrift.perMin).to.be.closeTo(-1.9, 4 * decDrift.sigmaPerMin);
    expect(residualRaArcsec).to.be.closeTo(0.5, 0.03);
    expect(gears).to.deep.equal([]);
  });

  it('tells no period under one and a half turns, and none where there is only air', () => {
    expect(analysed({}, { durationS: 240 }).periodic).to.equal(null);
    expect(analysed({ harmonics: [] }).periodic).to.equal(null);
    expect(analysed({ harmonics: [], seeingArcsec: 1.5 }, {}, 11).periodic).to.equal(null);
  });

  it('a gear of its own period stands apart from the worm', () => {
    const { periodic, gears } = analysed(
      { gear: { periodS: 187.3, amplitudeArcsec: 2, phaseDeg: 30 } },
      { durationS: 3600 },
    );
    expect(periodic!.periodS).to.be.closeTo(480, 2);
    expect(gears).to.have.length(1);
    expect(gears[0]!.periodS).to.be.closeTo(187.3, 0.5);
    expect(gears[0]!.amplitudeArcsec).to.be.closeTo(2, 0.15);
  });

  it('told the teeth of the worm, a second harmonic that is stronger does not take its place', () => {
    const harmonics = [
      { k: 1, amplitudeArcsec: 2, phaseDeg: 0 },
      { k: 2, amplitudeArcsec: 9, phaseDeg: 0 },
    ];
    const periodS = 86_164.0905 / 180;
    const { periodic } = analysed({ harmonics, periodS }, {}, 3, 86_164.0905 / 180);
    expect(periodic!.periodS).to.be.closeTo(periodS, 2);
    expect(periodic!.harmonics[1]!.amplitudeArcsec).to.be.closeTo(9, 0.2);
  });

  it('any drift more changes no period', () => {
    const period = (raPerMin: number) => analysed({ raPerMin }).periodic!.periodS;
    const plain = period(0);
    holds(
      fc.property(finite(-20, 20), (raPerMin) => void expect(period(raPerMin)).to.be.closeTo(plain, 0.05)),
      8,
    );
  });

  it('the guided log gives back the drive that the guider hid, over dithers too', () => {
    const guided = analysed({}, { aggressiveness: 0.6, ditherEvery: 200 });
    expect(guided.periodic!.periodS).to.be.closeTo(480, 3);
    expect(guided.periodic!.peakToPeakArcsec).to.be.closeTo(15.4, 0.6);
    expect(guided.raDrift.perMin).to.be.closeTo(0.8, 0.1);
    expect(guided.guided!.values.rmsRaArcsec).to.be.within(0.5, 1.5);
    expect(analysed().guided).to.equal(null);
  });

  it('cuts set by hand stand instead of those found', () => {
    const series = seriesOf();
    const jumped = { ...series, raArcsec: series.raArcsec.map((v, i) => v + (i >= 400 ? 6 : 0)) };
    expect(analyseTrack(jumped, { ownTurnS: null })!.jumps).to.deep.equal([400]);
    expect(analyseTrack(jumped, { ownTurnS: null, cutsS: [] })!.jumps).to.deep.equal([]);
    expect(analyseTrack(jumped, { ownTurnS: null, cutsS: [800] })!.jumps).to.deep.equal([400]);
    expect(analyseTrack(series, { ownTurnS: null })!.jumps).to.deep.equal([]);
  });

  it('is null for a handful of rows', () => {
    expect(analyseTrack(seriesOf({}, { durationS: 10 }), { ownTurnS: null })).to.equal(null);
  });
});

describe('parts of the analysis', () => {
  const random = seeded(5);
  const t = Float64Array.from({ length: 600 }, (_, i) => i * 1.7 + 0.4 * random());
  const ones = new Float64Array(600).fill(1);

  it('the spectrum is the fit of one sine with a free mean, summed frequency by frequency', () => {
    const y = t.map((s) => 3 + 2 * Math.sin(s / 20) + normal(random));
    const range = { fromHz: 0.002, toHz: 0.02, count: 40 };
    const { frequencyHz, power } = spectrumOf(t, y, ones, range);
    const mean = y.reduce((a, b) => a + b, 0) / y.length;
    const all = y.reduce((sum, v) => sum + (v - mean) ** 2, 0);
    frequencyHz.forEach((hz, k) => {
      const fit = linearFit(
        [ones, t.map((s) => Math.sin(2 * Math.PI * hz * s)), t.map((s) => Math.cos(2 * Math.PI * hz * s))],
        y,
      )!;
      expect(power[k]).to.be.closeTo(1 - fit.rss / all, 1e-9);
    });
  });

  it('least squares returns what was put in, with the doubt of the columns', () => {
    const y = t.map((s) => 4 - 0.02 * s);
    const fit = linearFit([ones, t], y)!;
    expect(fit.coefficients[0]).to.be.closeTo(4, 1e-9);
    expect(fit.coefficients[1]).to.be.closeTo(-0.02, 1e-12);
    const mean = t.reduce((a, b) => a + b, 0) / t.length;
    expect(fit.inverse[1]![1]).to.be.closeTo(1 / t.reduce((s, v) => s + (v - mean) ** 2, 0), 1e-12);
    expect(linearFit([ones, ones], y)).to.equal(null);
  });

  it('a jump is told from a steep swing, by either axis, at its place', () => {
    const swing = t.map((s) => 15 * Math.sin(s / 40) + 0.3 * normal(random));
    const still = t.map(() => 0.3 * normal(random));
    expect(jumpsOf([swing, still])).to.deep.equal([]);
    const jumped = still.map((v, i) => v + (i >= 333 ? -3 : 0));
    expect(jumpsOf([swing, jumped])).to.deep.equal([333]);
    expect(noiseOf(swing)).to.be.closeTo(0.3, 0.05);
  });

  it('holes are longer than two and a half steps; the middle step is the cadence', () => {
    const timeS = Float64Array.from([0, 2, 4, 6, 16, 18, 22.9, 25]);
    const series = { ...seriesOf(), timeS };
    expect(cadenceOf(timeS)).to.equal(2);
    expect(gapsOf(series)).to.deep.equal([{ afterS: 6, lengthS: 10 }]);
  });

  it('the mount alone is the error less what was sent, plus the aim', () => {
    const one = (v: number) => Float64Array.of(v);
    const series: TrackSeries = {
      timeS: one(0),
      raArcsec: one(1),
      decArcsec: one(2),
      sentRaArcsec: one(-4),
      sentDecArcsec: one(3),
      aimRaArcsec: one(10),
      aimDecArcsec: null,
    };
    expect([mountRa(series)[0], mountDec(series)[0]]).to.deep.equal([15, -1]);
    expect(rmsOf(Float64Array.of(3, -4))).to.be.closeTo(Math.sqrt(12.5), 1e-12);
  });

  it('many rows become means of neighbours, with how many stand behind each', () => {
    const many = Float64Array.from({ length: 1000 }, (_, i) => i);
    const few = binned(many, many, many, 100);
    expect(few.timeS).to.have.length(100);
    expect(few.weights.reduce((a, b) => a + b, 0)).to.equal(1000);
    few.timeS.forEach((s, i) => expect(few.ra[i]).to.equal(s));
    expect(binned(many, many, many, 1000).timeS).to.equal(many);
  });
});

import { expect } from 'chai';
import { normal, seeded } from '../../../../src/core/math/random.ts';
import { analyseTrack, tableOf } from '../../../../src/core/tracking/analyseTrack.ts';
import { guiderSigns } from '../../../../src/core/tracking/guiderSigns.ts';
import { jumpsOf } from '../../../../src/core/tracking/jumps.ts';
import { alignedTo, turnAt } from '../../../../src/core/tracking/turn.ts';
import type { LogPlan } from '../../../../src/standins/mountLog.ts';
import { analysed, seriesOf } from '../../../support/drives.ts';

describe('a long log', () => {
  const long = (lengthS: number, everyS: number) => {
    const random = seeded(5);
    const timeS = Float64Array.from({ length: Math.floor(lengthS / everyS) }, (_, i) => i * everyS);
    const raArcsec = timeS.map((s) => 6 * Math.sin((2 * Math.PI * s) / 480) + s / 6000 + 0.3 * normal(random));
    const none = { sentRaArcsec: null, sentDecArcsec: null, aimRaArcsec: null, aimDecArcsec: null };
    return { timeS, raArcsec, decArcsec: timeS.map(() => 0.3 * normal(random)), ...none };
  };

  it('of more rows than are fitted is cut nowhere where nothing jumped, and tells the period all the finer', () => {
    const found = analyseTrack(long(50_000, 0.2), { ownTurnS: null })!;
    expect(found.jumps).to.deep.equal([]);
    expect(found.periodic!.periodS).to.be.closeTo(480, 4 * found.periodic!.sigmaPeriodS);
    expect(found.periodic!.sigmaPeriodS).to.be.lessThan(0.02);
    expect(found.isWhole).to.equal(true);
  });

  it('is cut nowhere by what swings within a few rows', () => {
    const calm = long(4000, 2);
    for (const rows of [8, 12, 15, 20, 30]) {
      const raArcsec = calm.raArcsec.map((v, i) => v + 4 * Math.sin((2 * Math.PI * i) / rows));
      expect(jumpsOf([raArcsec]), `${rows} rows`).to.deep.equal([]);
    }
  });

  it('is cut where it jumps, on a steep slope as well', () => {
    const random = seeded(5);
    for (const perRow of [0, 1, -3]) {
      const values = Float64Array.from(
        { length: 400 },
        (_, i) => perRow * i + (i < 200 ? 0 : 5) + 0.3 * normal(random),
      );
      expect(jumpsOf([values]), `${perRow} a row`).to.deep.equal([200]);
    }
  });

  it('of several nights tells the one with most rows, as if it stood alone', () => {
    const [short, full] = [long(8000, 2), long(20_000, 2)];
    const join = (key: 'raArcsec' | 'decArcsec') => Float64Array.from([...short[key], ...full[key]]);
    const timeS = Float64Array.from([...short.timeS, ...full.timeS.map((s) => s + 86_400)]);
    const both = { ...full, timeS, raArcsec: join('raArcsec'), decArcsec: join('decArcsec') };
    const found = analyseTrack(both, { ownTurnS: null })!;
    const alone = analyseTrack(full, { ownTurnS: null })!;
    expect([found.isWhole, alone.isWhole, found.points.timeS[0]]).to.deep.equal([false, true, 86_400]);
    expect(found.periodic!.periodS).to.be.closeTo(alone.periodic!.periodS, 1e-3);
    expect(found.raDrift.perMin).to.be.closeTo(alone.raDrift.perMin, 1e-6);
  });

  it('with hundreds of jumps is fitted as with none, each piece on a level of its own', () => {
    const calm = long(24_000, 2);
    const levels = Array.from({ length: 200 }, (_, k) => 8 * (-1) ** k + Math.sin(k * k));
    const raArcsec = calm.raArcsec.map((v, i) => v + levels[Math.floor(i / 60)]!);
    const found = analyseTrack({ ...calm, raArcsec }, { ownTurnS: null })!;
    expect(found.jumps).to.have.lengthOf(199);
    expect(found.periodic!.periodS).to.be.closeTo(480, 4 * found.periodic!.sigmaPeriodS);
    expect(found.periodic!.peakToPeakArcsec).to.be.closeTo(12, 0.3);
  });
});

describe('how a guider behaved', () => {
  const guider = (aggressiveness: number, seed: number, more: Partial<LogPlan> = {}) =>
    guiderSigns(seriesOf({}, { aggressiveness, ...more }, seed))!;
  const seeds = [1, 2, 3, 4, 5, 6, 7, 8];

  it('what is taken back of each error, by the corrections themselves', () => {
    for (const part of [0.2, 0.6, 1.4]) {
      const { ra, dec } = guider(part, 3);
      expect([ra.takesBack, dec.takesBack].map((v) => Math.round(100 * v) / 100)).to.deep.equal([part, part]);
    }
  });

  it('bounces where more than each error is taken back, drags where hardly any is; over dithers and lost stars too', () => {
    const of = (part: number, more?: Partial<LogPlan>) =>
      new Set(seeds.flatMap((seed) => Object.values(guider(part, seed, more)).map((axis) => axis.verdict)));
    for (const more of [{}, { ditherEvery: 100 }, { lostShare: 0.05 }]) {
      for (const part of [0.3, 0.6, 0.9]) expect([...of(part, more)], String(part)).to.deep.equal(['fine']);
      for (const part of [1.3, 1.5]) expect([...of(part, more)], String(part)).to.deep.equal(['tooMuch']);
    }
    expect([...of(0.02)]).to.deep.equal(['tooLittle']);
  });

  it('of white errors one is tied to the next by half of what is taken back', () => {
    const ties = seeds.map((seed) => guider(0.8, seed, { durationS: 8000 }).dec.tie);
    const mean = ties.reduce((sum, t) => sum + t, 0) / ties.length;
    expect(mean).to.be.closeTo(-0.4, 0.03);
  });

  it('says nothing without corrections, nor of a few rows', () => {
    expect(guiderSigns(seriesOf())).to.equal(null);
    expect(guiderSigns(seriesOf({}, { aggressiveness: 0.5, durationS: 60 }))).to.equal(null);
    expect(analysed().guider).to.equal(null);
  });
});

describe('play of the declination gears', () => {
  const withPlay = (backlashArcsec: number, seed: number, more: Partial<LogPlan> = {}) =>
    analysed({}, { aggressiveness: 0.7, backlashArcsec, ...more }, seed);

  it('is told to a third of an arcsecond by the guider’s own log, and the drift is that of the axis alone', () => {
    for (const [i, play] of [2, 3.5, 5, 8].entries()) {
      const { decPlayArcsec, decDrift, jumps, periodic } = withPlay(play, i + 1, {
        aggressiveness: 1.3,
        ditherEvery: 90,
      });
      expect(decPlayArcsec, `play ${play}`).to.be.closeTo(play, 0.3);
      expect(decDrift.perMin).to.be.closeTo(-1.9, 4 * decDrift.sigmaPerMin);
      // What declination does cuts nothing in right ascension.
      expect(jumps).to.deep.equal([]);
      expect(periodic!.periodS).to.be.closeTo(480, 4);
    }
  });

  it('is not told where there is none, nothing guides, or it never turns round', () => {
    for (const seed of [1, 2, 3, 4]) expect(withPlay(0, seed, { ditherEvery: 90 }).decPlayArcsec).to.equal(null);
    expect(analysed({}, { backlashArcsec: 4 }).decPlayArcsec).to.equal(null);
    expect(
      analysed({ decPerMin: 20, seeingArcsec: 0.1 }, { aggressiveness: 0.5, backlashArcsec: 4 }).decPlayArcsec,
    ).to.equal(null);
  });
});

describe('what a table of corrections could do', () => {
  it('takes the worm off and leaves air and other gears; it needs three turns', () => {
    const { nowArcsec, leftArcsec } = tableOf(analysed())!;
    expect(leftArcsec).to.be.closeTo(0.5, 0.03);
    expect(nowArcsec).to.be.closeTo(Math.sqrt(0.25 + 49 / 2 + 4 / 2), 0.1);
    const gear = { periodS: 61, amplitudeArcsec: 1.5, phaseDeg: 0 };
    expect(tableOf(analysed({ gear }))!.leftArcsec).to.be.closeTo(Math.sqrt(0.25 + 2.25 / 2), 0.05);
    expect(tableOf(analysed({}, { durationS: 1200 }))).to.equal(null);
  });
});

describe('two drives begun alike', () => {
  it('have the first wave where the other has it, and the same shape as before', () => {
    const waves = [
      { k: 1, amplitudeArcsec: 5, phaseDeg: 10 },
      { k: 3, amplitudeArcsec: 2, phaseDeg: -40 },
    ];
    const other = [{ k: 1, amplitudeArcsec: 1, phaseDeg: 70 }];
    const begun = alignedTo(waves, other);
    expect(begun[0]!.phaseDeg).to.equal(70);
    // Sixty degrees of the turn on: everything is where it was a sixth of a turn later.
    for (const part of [0, 0.13, 0.4, 0.77])
      expect(turnAt(begun, part)).to.be.closeTo(turnAt(waves, part + 1 / 6), 1e-9);
  });
});

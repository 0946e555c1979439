import { expect } from 'chai';
import { normal, seeded } from '../../../../src/core/math/random.ts';
import { analyseTrack } from '../../../../src/core/tracking/analyseTrack.ts';
import type { TrackSeries } from '../../../../src/core/tracking/trackSeries.ts';
import { logFigures, logReason, logSaying, logSentence } from '../../../../src/text/logWords.ts';
import { makeFormat } from '../../../../src/text/format.ts';
import { plain } from '../../../../src/text/said.ts';

const NONE = { sentRaArcsec: null, sentDecArcsec: null, aimRaArcsec: null, aimDecArcsec: null };
const f = makeFormat('metric', 'UTC');

/** A curve of one's own, with air of 0.3 arcsec on both axes. */
function logOf(ra: (s: number, random: () => number) => number, rows = 1000, everyS = 2, seed = 5): TrackSeries {
  const random = seeded(seed);
  const timeS = Float64Array.from({ length: rows }, (_, i) => i * everyS);
  const air = (): number => 0.3 * normal(random);
  return { timeS, raArcsec: timeS.map((s) => ra(s, random) + air()), decArcsec: timeS.map(air), ...NONE };
}
const worm = (s: number): number => 6 * Math.sin((2 * Math.PI * s) / 480) + 0.01 * s;
const told = (series: TrackSeries, ownTurnS: number | null = null) => analyseTrack(series, { ownTurnS })!;

describe('what a log cannot tell is not told', () => {
  it('a curve that only wanders has no period, and says that its halves differ or nothing stands out', () => {
    for (let seed = 1; seed <= 8; seed += 1) {
      let at = 0;
      const found = told(logOf((_, random) => (at += 0.3 * normal(random)), 1200, 2, seed));
      expect(found.periodic, `seed ${seed}`).to.equal(null);
      expect(found.untold).to.be.oneOf(['nothing', 'repeatsNot', 'beyondRange']);
    }
  });

  it('a swing that is another one in the second half is no turn', () => {
    const found = told(logOf((s) => (s < 1000 ? worm(s) / 4 : 2 * worm(s)), 1000));
    expect([found.periodic, found.untold]).to.deep.equal([null, 'repeatsNot']);
    expect(plain(logSentence(logSaying(found, null), f))).to.match(/^Log once more/);
    expect(logReason(logSaying(found, null), f)).to.match(/do not turn alike/);
  });

  it('rows too far apart for the worm make no other period of it', () => {
    const far = logOf(worm, 120, 300);
    for (const turnS of [null, 478.7]) expect(told(far, turnS).untold, String(turnS)).to.equal('tooFarApart');
    expect(told(logOf(worm, 300, 60), 478.7).periodic!.periodS).to.be.closeTo(478.7, 3);
    expect(plain(logSentence(logSaying(told(far), null), f))).to.match(/^Log more often/);
  });

  it('what a short log holds may be a part of a longer turn', () => {
    const third = (s: number): number => worm(s) + 4 * Math.sin((2 * Math.PI * s) / 160);
    expect(told(logOf(third, 240)).untold).to.equal('tooShort');
    expect(told(logOf(third)).periodic!.periodS).to.be.closeTo(480, 3);
  });

  it('two terms nearer than the log can part are one, and neither grows beyond the data', () => {
    const near = (s: number): number => worm(s) + 1.5 * Math.sin((2 * Math.PI * s) / 505);
    const found = told(logOf(near));
    expect(found.gears).to.deep.equal([]);
    expect(found.periodic!.peakToPeakArcsec).to.be.within(10, 16);
    const apart = told(logOf((s) => worm(s) + 1.5 * Math.sin((2 * Math.PI * s) / 61)));
    expect(apart.gears.map((g) => Math.round(g.periodS))).to.deep.equal([61]);
  });

  it('a log that holds one number all the way gives numbers, and no period', () => {
    const timeS = Float64Array.from({ length: 600 }, (_, i) => 2 * i);
    const found = told({ timeS, raArcsec: timeS.map(() => 1.5), decArcsec: timeS.map(() => -0.5), ...NONE });
    expect([found.periodic, found.rest, found.raDrift.perMin, found.residualRaArcsec]).to.deep.equal([
      null,
      null,
      0,
      0,
    ]);
    expect(found.decDrift).to.deep.equal({ perMin: 0, sigmaPerMin: 0 });
  });

  it('a table that leaves more than it takes is not worth it', () => {
    const noisy = told(logOf((s, random) => worm(s) / 4 + 1.2 * normal(random), 4000));
    const named = logFigures(noisy, null, f).find((x) => x.name === 'A correction table')!;
    expect(named.value).to.match(/^is not worth it/);
    expect(logFigures(told(logOf(worm)), null, f).map((x) => x.name)).to.include('A correction table would leave');
  });
});

describe('rows without a star', () => {
  const calm = logOf(worm);
  const as = (change: (v: number, i: number) => number): TrackSeries => ({
    ...calm,
    raArcsec: calm.raArcsec.map(change),
    decArcsec: calm.decArcsec.map((v, i) => (change(1e6, i) === 1e6 ? v : change(v, i))),
  });
  const whole = told(calm);
  const sameAsWhole = (series: TrackSeries) => {
    const found = told(series);
    expect(found.periodic!.periodS).to.be.closeTo(whole.periodic!.periodS, 3 * whole.periodic!.sigmaPeriodS);
    expect(found.periodic!.peakToPeakArcsec).to.be.closeTo(whole.periodic!.peakToPeakArcsec, 0.3);
    expect(found.residualRaArcsec).to.be.closeTo(whole.residualRaArcsec, 0.05);
    expect(found.gears).to.deep.equal([]);
    expect(found.rest).to.equal(null);
    return found.lost;
  };

  it('a code in every tenth row, single leaps and a star that stands still change nothing that is told', () => {
    expect(sameAsWhole(as((v, i) => (i % 10 === 3 ? 999 : v)))).to.deep.equal({ codes: 100, stuck: 0, leaps: 0 });
    expect(sameAsWhole(as((v, i) => (i % 97 === 50 ? v + 40 : v)))).to.deep.equal({ codes: 0, stuck: 0, leaps: 10 });
    const atEnds = as((v, i) => (i === 0 || i === 998 ? v + 200 : v));
    expect(sameAsWhole(atEnds)).to.deep.equal({ codes: 0, stuck: 0, leaps: 2 });
    const held = (values: Float64Array) => values.map((v, i) => (i > 300 && i < 400 ? values[300]! : v));
    const stuck = { ...calm, raArcsec: held(calm.raArcsec), decArcsec: held(calm.decArcsec) };
    expect(sameAsWhole(stuck)).to.deep.equal({ codes: 0, stuck: 99, leaps: 0 });
    expect(sameAsWhole(calm)).to.deep.equal({ codes: 0, stuck: 0, leaps: 0 });
  });

  it('a jump that stays is none of them', () => {
    const jumped = { ...calm, raArcsec: calm.raArcsec.map((v, i) => v + (i < 500 ? 0 : 20)) };
    expect(told(jumped).lost).to.deep.equal({ codes: 0, stuck: 0, leaps: 0 });
    expect(told(jumped).jumps).to.deep.equal([500]);
  });
});

describe('several sessions', () => {
  const second = (turn: number) => (s: number) => worm(s < 2000 ? s : s + turn);
  const withHole = (ra: (s: number) => number): TrackSeries => {
    const { timeS, ...whole } = logOf(ra, 2600);
    const keep = <T extends Float64Array | null>(v: T): T =>
      (v && v.filter((_, i) => timeS[i]! < 2000 || timeS[i]! > 3400)) as T;
    return { ...whole, timeS: keep(timeS), raArcsec: keep(whole.raArcsec), decArcsec: keep(whole.decArcsec) };
  };
  it('are folded together only where they turn alike', () => {
    const alike = told(withHole(second(0)));
    expect([alike.isWhole, Math.round(alike.periodic!.turns)]).to.deep.equal([true, 11]);
    const turned = told(withHole(second(170)));
    expect([turned.isWhole, Math.round(turned.periodic!.turns)]).to.deep.equal([false, 4]);
    expect(turned.periodic!.periodS).to.be.closeTo(480, 4);
  });
});

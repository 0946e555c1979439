import { expect } from 'chai';
import type { TrackAnalysis } from '../../../src/core/tracking/analyseTrack.ts';
import {
  cutsOf,
  courseOf,
  foldedOf,
  roundTimes,
  spectrumDots,
  turnDots,
} from '../../../src/features/tracking/log/logModel.ts';
import {
  logFigures,
  logReason,
  logSaying,
  logSentence,
  guiderAdvice,
  periodName,
  rowsWords,
} from '../../../src/text/logWords.ts';
import type { OwnTurn } from '../../../src/core/rig/driveTurn.ts';
import { LOG_CODES } from '../../../src/formats/logs/readLog.ts';
import { DOUBT_WORDS, logRefusal } from '../../../src/text/logReadingWords.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { plain } from '../../../src/text/said.ts';
import { analysis } from '../../support/logs.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
const WORM: OwnTurn = { periodS: 478.7, drive: 'worm' };

describe('a log as it is drawn', () => {
  it('tells the time on round minutes, no more than the axis has room for', () => {
    expect(roundTimes(0, 2675)).to.deep.equal([0, 600, 1200, 1800, 2400]);
    expect(roundTimes(130, 400)).to.deep.equal([180, 240, 300, 360]);
    for (const spanS of [40, 3600, 30_000, 400_000]) expect(roundTimes(5, 5 + spanS).length).to.be.within(0, 8);
  });

  it('marks the cut, and lays all turns over each other without drift and jump', () => {
    expect(cutsOf(analysis)).to.deep.equal([900]);
    expect(courseOf(analysis, 'ra')).to.have.length(900);
    const folded = foldedOf(analysis);
    for (const { x, y } of folded) {
      expect(x).to.be.within(0, 401);
      // Each piece is levelled by its own middle, which holds no whole number of turns.
      expect(Math.abs(y)).to.be.lessThan(8.5);
    }
    const { harmonics, periodS } = analysis.periodic!;
    const model = turnDots(harmonics, periodS);
    expect(Math.max(...model.map((d) => d.y))).to.be.closeTo(6, 0.1);
    expect(model[0]!.y).to.be.closeTo(model.at(-1)!.y, 1e-9);
  });

  it('the spectrum stands by period, shortest first, highest at the worm', () => {
    const dots = spectrumDots(analysis);
    dots.slice(1).forEach((d, i) => expect(d.x).to.be.greaterThan(dots[i]!.x));
    const top = dots.reduce((a, b) => (b.y > a.y ? b : a));
    expect(top.x).to.be.closeTo(400, 40);
  });
});

describe('what is said of a guider', () => {
  it('advises only where it bounces or drags, naming the axis and its share', () => {
    const axis = (verdict: 'fine' | 'tooMuch' | 'tooLittle', takesBack: number) => ({ verdict, takesBack, tie: 0 });
    expect(guiderAdvice(null, f)).to.deep.equal([]);
    expect(guiderAdvice({ ra: axis('fine', 0.7), dec: axis('fine', 0.6) }, f)).to.deep.equal([]);
    const [ra, dec] = guiderAdvice({ ra: axis('tooMuch', 1.3), dec: axis('tooLittle', 0.1) }, f);
    expect(ra).to.match(/^In right ascension .*bounces \(it takes back 130% of each error\): lower its share/);
    expect(dec).to.match(/^In declination errors last.*takes back 10% of each error\): raise its share/);
  });
});

describe('what is said of a log', () => {
  const of = (change: Partial<TrackAnalysis>) => logSaying({ ...analysis, ...change }, WORM);
  const sentence = (change: Partial<TrackAnalysis>) => plain(logSentence(of(change), f));

  it('records what is sure, asks for more where it is not', () => {
    expect(sentence({})).to.equal('Record this drive: it swings 12.0″ peak to peak in 400.0 s.');
    expect(sentence({ periodic: { ...analysis.periodic!, turns: 2 } })).to.match(/^Log longer to be sure/);
    expect(sentence({ periodic: null })).to.match(/^Nothing turns/);
    expect(
      plain(logSentence(logSaying({ ...analysis, periodic: null }, { periodS: 3000, drive: 'drive' }), f)),
    ).to.match(/^Log longer: at least/);
    for (const change of [{}, { periodic: null }]) expect(logReason(of(change), f)).to.match(/^[A-Z0-9].*\.$/);
  });

  it('of a mount that does not exist it asks for the truth, not for a record', () => {
    const said = of({});
    if (said.code !== 'told') throw new Error('it is told');
    expect(plain(logSentence({ ...said, code: 'standIn' }, f))).to.equal(
      'Now look at the truth: by its log it swings 12.0″ in 400.0 s.',
    );
    expect(logReason({ ...said, code: 'standIn' }, f)).to.equal(logReason(said, f));
  });

  it('a short log of a mount whose worm nobody knows is too short, not still', () => {
    const lasting = (s: number) =>
      logSaying({ ...analysis, periodic: null, points: { ...analysis.points, timeS: Float64Array.of(0, s) } }, null);
    expect(plain(logSentence(lasting(600), f))).to.match(/^Log longer/);
    expect(plain(logSentence(lasting(3600), f))).to.match(/^Nothing turns/);
    expect(logReason(lasting(600), f)).to.equal('It covers 10 min.');
  });

  it('tells figures with their doubt, gears and guiding only where there are some', () => {
    const names = (found: TrackAnalysis) => logFigures(found, { ...WORM, periodS: 400 }, f).map((one) => one.name);
    expect(names(analysis)).to.deep.equal([
      'What turns',
      'Once a turn',
      'Drift in right ascension',
      'Drift in declination',
      'Left after all this',
      'A correction table would leave',
    ]);
    const gears = [{ periodS: 61, amplitudeArcsec: 1, phaseDeg: 0 }];
    const rms = { rmsRaArcsec: 0.7, rmsDecArcsec: 0.6 };
    const guided = { values: rms, sigma: rms };
    expect(names({ ...analysis, periodic: null, gears, guided })).to.include.members([
      'Every 61.0 s',
      'Guided, right ascension',
    ]);
    const [, , drift] = logFigures(analysis, WORM, f);
    expect(drift!.value).to.match(/^0\.[45]\d″\/min ±0\.\d\d″\/min$/);
  });

  it('has words for every refusal and doubt, that say what to do', () => {
    const refusals = LOG_CODES.map((why) => logRefusal(why, { backward: 399, rows: 900 }));
    for (const words of [...refusals, ...Object.values(DOUBT_WORDS)]) expect(words).to.match(/^[A-Zx].*\.$/);
    expect(logRefusal('logTimesBackward', { backward: 399, rows: 900 })).to.match(
      /^The times of 399 of 900 rows run backwards/,
    );
    expect(logReason({ code: 'refused', why: 'logNoScale', figures: {} }, f)).to.include('Type in the scale');
    expect(plain(logSentence({ code: 'none' }, f))).to.match(/^Choose a log/);
  });

  it('names the worm of the mount, or says that the period is unknown', () => {
    expect(periodName(479, WORM, f)).to.equal('the worm of this mount');
    expect(periodName(61, WORM, f)).to.equal('unknown, about 61 s');
    expect(periodName(430, { periodS: 430, drive: 'drive' }, f)).to.equal('the drive of this mount');
    expect(rowsWords(900, 3, 1, 2)).to.equal('900 rows, 3 without usable numbers; one hole, 2 cuts.');
  });
});

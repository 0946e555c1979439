import { expect } from 'chai';
import { analyseTrack } from '../../../src/core/tracking/analyseTrack.ts';
import { openLog } from '../../../src/formats/logs/openLog.ts';
import { loggedRows, type DriveTruth, type LogPlan } from '../../../src/standins/mountLog.ts';
import {
  DIFFICULTIES,
  linesFrom,
  standInLines,
  truthOf,
  type StandInMount,
} from '../../../src/standins/mountStream.ts';

async function* bytesOf(text: string): AsyncGenerator<Uint8Array> {
  yield await Promise.resolve(new TextEncoder().encode(text));
}

async function found(mount: StandInMount) {
  const text = linesFrom(standInLines(mount), 0, Infinity);
  const opened = await openLog(bytesOf(text), { told: {}, mapping: null, between: () => Promise.resolve() });
  if (!opened.ok || !opened.value.read.ok) throw new Error('not read');
  expect(opened.value.doubts, 'its own columns are sure').to.deep.equal([]);
  return analyseTrack(opened.value.read.value.series, { ownTurnS: null });
}

describe('the stand-in mount', () => {
  it('is the same for the same number, another for another; written little by little it is the whole', () => {
    const lines = standInLines({ seed: 5, difficulty: 'usual' });
    expect(standInLines({ seed: 5, difficulty: 'usual' })).to.deep.equal(lines);
    expect(standInLines({ seed: 6, difficulty: 'usual' })[9]).not.to.equal(lines[9]);
    const parts = Array.from({ length: Math.ceil(lines.length / 60) }, (_, i) => linesFrom(lines, 60 * i, 60));
    expect(parts.join('')).to.equal(lines.map((line) => `${line}\n`).join(''));
    expect(linesFrom(lines, lines.length, 60)).to.equal('');
  });

  it('hides more the harder it is', () => {
    const hidden = DIFFICULTIES.map((difficulty) => truthOf({ seed: 5, difficulty }));
    expect(hidden.map((t) => t.aggressiveness === null)).to.deep.equal([true, false, false]);
    expect(hidden[1]!.aggressiveness).to.be.within(0.4, 0.7);
    expect(hidden[2]!.aggressiveness).to.be.greaterThan(1);
    expect(hidden.map((t) => t.backlashArcsec > 0)).to.deep.equal([false, false, true]);
    expect(new Set(hidden.map((t) => t.periodS)).size, 'the drive is the same').to.equal(1);
  });

  it('is read by the door that other logs take, and its drive found', async () => {
    for (const difficulty of ['easy', 'usual'] as const) {
      const truth = truthOf({ seed: 5, difficulty });
      const analysis = await found({ seed: 5, difficulty });
      expect(analysis!.periodic!.periodS / truth.periodS).to.be.closeTo(1, 0.01);
      expect(analysis!.raDrift.perMin).to.be.closeTo(truth.raPerMin, 5 * analysis!.raDrift.sigmaPerMin);
      expect(analysis!.guided === null, difficulty).to.equal(difficulty === 'easy');
    }
  });

  it('gears with play lose so much of every push the other way, and nothing of the next', () => {
    const truth: DriveTruth = {
      periodS: 480,
      harmonics: [],
      gear: null,
      raPerMin: 0,
      decPerMin: 6,
      seeingArcsec: 0,
    };
    const plan = { durationS: 400, cadenceS: 2, lostShare: 0, aggressiveness: 1, ditherEvery: null };
    const decOf = (more: Pick<LogPlan, 'backlashArcsec'>) =>
      loggedRows(truth, { ...plan, ...more }, 1).map((r) => r.dec!);
    const steady = decOf({ backlashArcsec: 0 }).slice(1);
    // It drifts 0.2 arcsec a row and is taken back whole each time.
    steady.forEach((dec) => expect(dec).to.be.closeTo(0.2, 1e-9));
    const loose = decOf({ backlashArcsec: 3 });
    // Pushed one way only, no reversal: with play it stands where it began, on the side that pushes.
    expect(loose.at(-1)).to.be.closeTo(0.2, 1e-9);
    const other = loggedRows({ ...truth, decPerMin: -6 }, { ...plan, backlashArcsec: 3 }, 1).map((r) => r.dec!);
    // Its first pushes turn the gears round: the star runs until the pushes have taken up 3 arcsec of play.
    expect(Math.min(...other)).to.be.lessThan(-0.9);
    expect(other.at(-1)).to.be.closeTo(-0.2, 1e-9);
  });
});

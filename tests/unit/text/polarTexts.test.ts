import type { RigHas } from '../../../src/core/rig/rigHas.ts';
import { expect } from 'chai';
import { BRIGHT_STARS } from '../../../src/core/sky/brightStars.ts';
import { brightnessWords, starName } from '../../../src/text/starWords.ts';
import type { AdjusterTonight, TurnsTonight } from '../../../src/core/night/advice/hands/turnsTonight.ts';
import {
  drawnWords,
  knobName,
  offsetWords,
  patternCheckWords,
  patternMoveWords,
  ringWords,
  spotWords,
  uprightWords,
} from '../../../src/text/dialWords.ts';
import {
  airWords,
  driftReason,
  driftSentence,
  markNowWords,
  northWords,
  partWords,
  runWords,
  type DriftSaying,
} from '../../../src/text/driftWords.ts';
import {
  findReason,
  findSentence,
  fistWords,
  hopWords,
  sweepSteps,
  type FindSaying,
} from '../../../src/text/findWords.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { goalName, goalWords, referenceWords, setByEyeSaid, type GoalSaying } from '../../../src/text/goalWords.ts';
import {
  effectWords,
  gainWords,
  handWords,
  lockWords,
  turnsSentence,
  type TurnsSaying,
} from '../../../src/text/knobWords.ts';
import {
  boreWords,
  parallaxWords,
  plateReason,
  plateSentence,
  screwWords,
  roundsWords,
  type PlateSaying,
} from '../../../src/text/plateWords.ts';
import { plain } from '../../../src/text/said.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
const SENTENCE = /^[A-Zγ].*[.:]$/;
const isSentence = (words: string, code: string): void => {
  expect(plain(words), code).to.match(SENTENCE);
  expect(words, code).not.to.match(/undefined|NaN|null/);
};

const goal: GoalSaying = {
  goalArcmin: 4.2,
  centreArcmin: 60,
  cornerArcmin: 4.2,
  byEyeIsEnough: false,
  visual: false,
  guided: true,
  reference: 'refracted',
};
const adjuster = (change: Partial<AdjusterTonight> = {}): AdjusterTonight => ({
  adjuster: 'altitude',
  errorArcmin: 12,
  sigmaArcmin: 1,
  measured: true,
  turnedSince: false,
  aimArcmin: 0,
  within: false,
  knob: { gainArcminPerTurn: 57.3, deadTurns: 0, basis: 'geometry', learned: null },
  advice: { turns: 0.25, clockwise: false, fraction: 0.8, thenUpTurns: null },
  ...change,
});
const tonight = (altitude: AdjusterTonight, azimuth: AdjusterTonight): TurnsTonight =>
  ({
    goal,
    pole: { totalArcmin: 2.3 },
    lock: null,
    locked: false,
    altitude,
    azimuth: { ...azimuth, adjuster: 'azimuth' },
  }) as unknown as TurnsTonight;

const SHOW_MS = Date.UTC(2026, 10, 25, 17, 40);

describe('words of the finder’s dial', () => {
  it('tell the ring’s year, the tilt and the cross in figures', () => {
    expect(plain(ringWords({ arcmin: 40, year: 2020, offArcmin: -2.7 }, f))).to.equal(
      'Ring of 40′ (2020): put the star 2.7′ inside it.',
    );
    expect(plain(ringWords({ arcmin: 40, year: null, offArcmin: 0.1 }, f))).to.equal(
      'Ring of 40′: put the star on it.',
    );
    expect(uprightWords({ plateTurnDeg: 350, tiltCostArcmin: 6.5, turnsWithAxis: true }, f)).to.include(
      'turned by 10°',
    );
    expect(uprightWords({ plateTurnDeg: 0, tiltCostArcmin: 0, turnsWithAxis: true }, f)).to.include(
      'turn right ascension',
    );
    expect(uprightWords({ plateTurnDeg: 0, tiltCostArcmin: 0, turnsWithAxis: false }, f)).to.include('in its holder');
    isSentence(offsetWords(8, f), 'offset');
    expect(spotWords({ name: 'Polaris', inwardArcmin: 6.3 }, f)).to.equal(
      'Polaris: 6.3′ nearer to the pole than its mark.',
    );
    expect(spotWords({ name: 'Polaris', inwardArcmin: -0.2 }, f)).to.equal('Polaris: on its mark.');
    for (const view of ['upright', 'inverted'] as const) isSentence(drawnWords(view, true), view);
  });

  it('name the knob and the way of the stars, the checks of the figure', () => {
    expect(patternMoveWords({ adjuster: 'azimuth', paired: true, way: 'left' })).to.equal(
      'Right azimuth knob clockwise: the stars move to the left in this view.',
    );
    expect(knobName('altitude', true, true)).to.equal('front altitude bolt');
    expect(patternCheckWords({ code: 'side', from: 'Sigma', to: 'Chi', lengthDeg: 1.62 }, f)).to.equal(
      'Sigma to Chi: 1.6°.',
    );
    expect(
      patternCheckWords({ code: 'neighbour', of: 'Tau', magnitude: 6.53, distanceArcmin: 25, viewAngleDeg: 120 }, f),
    ).to.equal('Beside Tau, toward 4 o’clock: a star of magnitude 6.5, 25′ away.');
  });
});

describe('words for finding the pole', () => {
  it('every code, north and south', () => {
    const look = { code: 'look' as const, altDeg: 40.3, star: 'Polaris', compassDeg: 0.4 };
    const sayings: FindSaying[] = [{ ...look, south: false }, { ...look, south: true }, { code: 'equator' }];
    for (const s of sayings) {
      isSentence(findSentence(s, f), s.code);
      isSentence(findReason(s, f), s.code);
    }
    expect(fistWords(22.75)).to.equal('2½ fists');
    expect(fistWords(7)).to.equal('one fist');
    expect(hopWords({ group: 'plough', fromName: 'Dubhe', distanceDeg: 28, directionDeg: 0 })).to.equal(
      'From Dubhe in the Plough: 3 fists toward 12 o’clock, in line with Merak and Dubhe, its outer pair, five times as far.',
    );
    expect(hopWords({ group: 'achernar', fromName: 'Achernar', distanceDeg: 33, directionDeg: 180 })).to.equal(
      'From Achernar: 3½ fists toward 6 o’clock.',
    );
  });

  const TRACKER: RigHas = new Set(['motor', 'polarFinder', 'camera']);
  const WHOLE: RigHas = new Set(['motor', 'slew', 'polarFinder', 'camera']);
  it('the sweep is for the south; a tracker is told of its switch', () => {
    expect(sweepSteps({ latDeg: 40, has: TRACKER, showMs: null }, f)).to.deep.equal([]);
    expect(sweepSteps({ latDeg: -22.75, has: TRACKER, showMs: SHOW_MS }, f)).to.have.length(
      sweepSteps({ latDeg: -22.75, has: WHOLE, showMs: SHOW_MS }, f).length + 1,
    );
    expect(sweepSteps({ latDeg: -22.75, has: TRACKER, showMs: SHOW_MS }, f).join(' '))
      .to.include('22.8°')
      .and.include('hemisphere switch');
  });
});

describe('words of the half-turn test', () => {
  it('every code has a sentence and a reason', () => {
    const sayings: PlateSaying[] = [
      { code: 'noFinder' },
      { code: 'fixedFinder' },
      { code: 'markBefore' },
      { code: 'markAfter', turnsWithAxis: true },
      { code: 'markAfter', turnsWithAxis: false },
      { code: 'reading', sizeArcmin: 12 },
      { code: 'good', sizeArcmin: 2, limitArcmin: 3 },
      { code: 'turnScrews', sizeArcmin: 12 },
      { code: 'noScrews', sizeArcmin: 12 },
    ];
    for (const s of sayings) {
      isSentence(plateSentence(s, f), s.code);
      isSentence(plateReason(s, f), s.code);
    }
    expect(plateReason({ code: 'turnScrews', sizeArcmin: 12 }, f)).to.include('loosen before you tighten');
  });

  it('screws by the clock, by how much, in steps when it is far', () => {
    expect(screwWords({ angleDeg: 90, turns: 0.25 }, f)).to.equal('Tighten the screw at 3 o’clock by a quarter turn.');
    expect(screwWords({ angleDeg: 210, turns: -0.12 }, f)).to.equal('Loosen the screw at 7 o’clock by an eighth.');
    expect(screwWords({ angleDeg: 210, turns: -0.1 }, f)).to.equal('Loosen the screw at 7 o’clock by 36°.');
    expect(screwWords({ angleDeg: 0, turns: 0 }, f)).to.equal('Leave the screw at 12 o’clock.');
    expect(roundsWords(1)).to.equal('In this order, then all snug:');
    expect(roundsWords(4)).to.equal('4 rounds of this, in this order, all snug after each:');
    isSentence(parallaxWords(0.086, 200, f), 'parallax');
    isSentence(boreWords(0.7, f), 'bore');
  });
});

describe('words of bolts and knobs', () => {
  const context = { paired: { altitude: false, azimuth: true }, south: false };

  it('every code of the dials has a sentence', () => {
    const turns = tonight(adjuster(), adjuster({ within: true }));
    const codes: TurnsSaying[] = ['measure', 'byEyeIsEnough', 'measureAgain', 'turn', 'tighten', 'done'];
    for (const code of codes) isSentence(turnsSentence(code, turns, context, f), code);
    expect(plain(turnsSentence('turn', turns, context, f))).to.equal('Turn the altitude bolt 90° counter-clockwise.');
    const both = tonight(adjuster({ advice: null }), adjuster({ errorArcmin: -20 }));
    expect(plain(turnsSentence('turn', both, context, f))).to.equal(
      'Turn altitude 12.0′, until it lowers the axis, then the left azimuth knob 90° clockwise.',
    );
  });

  it('tell the hand to loosen and follow, to come up from below, to stop short, to aim off', () => {
    const paired = handWords(adjuster({ adjuster: 'azimuth' }), true, f).join(' ');
    expect(paired).to.include('Loosen the right azimuth knob').and.include('80 %').and.include('0 of 4 turns');
    const up = adjuster({ advice: { turns: 0.6, clockwise: false, fraction: 1, thenUpTurns: 0.1 }, aimArcmin: -1.3 });
    expect(handWords(up, false, f).join(' '))
      .to.include('36° back up')
      .and.include('Aimed 1.3′ low');
    expect(handWords(adjuster({ within: true }), false, f)).to.deep.equal([]);
  });

  it('sides stand with their compass point, in both hemispheres', () => {
    const east = adjuster({ adjuster: 'azimuth', errorArcmin: -5 });
    expect(effectWords(east, false)).to.equal('toward right (east)');
    expect(effectWords(east, true)).to.equal('toward left (east)');
    expect(effectWords(adjuster({ errorArcmin: -5 }), false)).to.equal('raises the axis');
  });

  it('say what is known of a knob and of tightening', () => {
    const learned = { gainArcminPerTurn: 16, deadTurns: 0.05, records: 6, spread: 0.04, outliers: [] };
    const knob = { gainArcminPerTurn: -16, deadTurns: 0.05, basis: 'learned' as const, learned };
    expect(gainWords(adjuster({ knob }), f)).to.equal(
      'Altitude: 16.0′ a turn, 18° dead after a lock or reversal; learned from 6 turns, within 4 %.',
    );
    const [one, two] = [[2], [2, 4]].map((outliers) => ({ ...knob, learned: { ...learned, outliers } }));
    expect(gainWords(adjuster({ knob: one! }), f)).to.include('within 4 %; 1 of them does not fit.');
    expect(gainWords(adjuster({ knob: two! }), f)).to.include('2 of them do not fit.');
    expect(gainWords(adjuster({ knob: { ...knob, basis: 'few' } }), f)).to.include('so far from 6 turns');
    expect(gainWords(adjuster({ knob: null }), f)).to.include('not known yet');
    isSentence(gainWords(adjuster(), f), 'geometry');
    isSentence(lockWords(null, false, f), 'none');
    expect(lockWords({ altArcmin: 1.3, azArcmin: -0.4, records: 4, learned: true }, true, f)).to.equal(
      'Tightening moves it 1.3′ up and 0.4′ right (west) (4 records): aimed off for.',
    );
  });
});

describe('words of the drift method', () => {
  it('every code has a sentence and a reason', () => {
    const part = { step: 'altitude' as const, errorArcmin: 5, sigmaArcmin: 1, south: false };
    const sayings: DriftSaying[] = [
      { code: 'takeStar', step: 'azimuth', again: true, star: 'γ Psc', altDeg: 53, azDeg: 175 },
      { code: 'takeStar', step: 'altitude', again: false, star: 'γ Psc', altDeg: 53, azDeg: 175 },
      { code: 'noStar', step: 'azimuth' },
      { code: 'watch', step: 'azimuth', star: 'γ Psc' },
      { code: 'enough', ...part },
      { code: 'turn', ...part },
      { code: 'done', totalArcmin: 2 },
    ];
    for (const s of sayings) {
      isSentence(driftSentence(s, f), s.code);
      isSentence(driftReason(s, f), s.code);
    }
  });

  it('sides, sizes and the air in words', () => {
    expect(partWords({ step: 'azimuth', errorArcmin: -20, south: true }, f)).to.equal('20.0′ too far right (west)');
    expect(partWords({ step: 'altitude', errorArcmin: -3, south: false }, f)).to.equal('3.0′ too low');
    expect(northWords(true)).to.include('south pole');
    expect(airWords({ arcsecPerMin: -0.67, imitatedArcmin: 3.1, step: 'altitude' }, f))
      .to.include('0.67″/min toward south')
      .and.include('3.1′');
    isSentence(markNowWords(0.8, f), 'mark');
    expect(runWords({ marks: 5, minutes: 4, rateArcsecPerMin: -1.2, sigmaArcsecPerMin: 0.2 }, f)).to.equal(
      '1.20″/min toward south, ±0.20″/min, from 5 marks over 4 min.',
    );
  });
});

describe('words of the goal', () => {
  it('centre and corner, stop early, and one reason for the pole', () => {
    expect(goalName(goal, f)).to.equal('4.2′ from the refracted pole');
    expect(goalWords(goal, f)).to.include('at the centre up to any error, in the corners up to 4.2′');
    expect(goalWords({ ...goal, byEyeIsEnough: true, goalArcmin: 10 }, f))
      .to.include('stop early')
      .and.include('guider');
    expect(goalWords({ ...goal, visual: true }, f)).to.include('keeps the object in the eyepiece for an hour');
    for (const reference of ['true', 'refracted'] as const)
      for (const guided of [true, false]) isSentence(referenceWords({ ...goal, reference, guided }), reference);
    expect(setByEyeSaid(false, goal, f)).to.include('the goal is 4.2′');
    expect(setByEyeSaid(false, { ...goal, byEyeIsEnough: true }, f)).to.include('enough for tonight');
    expect(setByEyeSaid(true, goal, f)).to.include('Checked with everything on');
  });
});

describe('stars by their names', () => {
  it('a Greek letter is said in words with its constellation; every star that is offered has words', () => {
    expect(starName('α Gru')).to.equal('Alpha in Grus');
    expect(starName('π3 Ori')).to.equal('Pi 3 in Orion');
    expect(starName('Polaris')).to.equal('Polaris');
    expect(starName('p Car')).to.equal('p in Carina');
    for (const { name } of BRIGHT_STARS)
      expect(starName(name), name)
        .to.match(/^([A-Za-z]|\d+|[A-Z][A-Za-z0-9ö' -]+)( in [A-Z][a-zö ]+)?$/i)
        .and.not.match(/[α-ω]/);
  });

  it('says how bright it looks, and which a town hides', () => {
    expect([0.5, 1.9, 2.5, 3.6].map(brightnessWords)).to.deep.equal([
      'one of the brightest',
      'bright',
      'plain to see',
      'faint: hidden by the light of a town',
    ]);
  });
});

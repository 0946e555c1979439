import type { SubAnswer } from '../../../src/core/night/advice/stars/subAnswer.ts';
import { subRests, subSentence } from '../../../src/text/subWords.ts';
import { expect } from 'chai';
import type { FirstSubCheck } from '../../../src/core/records/checks.ts';
import { REVERSAL_READY, type ReversalTest } from '../../../src/core/mount/reversalTest.ts';
import { runFor } from '../../../src/core/night/plan/run.ts';
import type { MountPart } from '../../../src/core/records/part.ts';
import { compassPoint } from '../../../src/text/compassWords.ts';
import { magneticField } from '../../../src/core/sky/magnetic.ts';
import { changeWords } from '../../../src/text/changeWords.ts';
import { countsWords } from '../../../src/text/dataWords.ts';
import { fieldLabel, valueWords } from '../../../src/text/storedWords.ts';
import { LATITUDE_LETTERS, LONGITUDE_LETTERS, makeFormat } from '../../../src/text/format.ts';
import {
  bearingReason,
  modelYearsWords,
  bearingSentence,
  levelSentence,
  type BearingSaying,
  type LevelSaying,
} from '../../../src/text/levelWords.ts';
import { latitudeReason, latitudeSentence } from '../../../src/text/latitudeWords.ts';
import {
  circleWords,
  lightPathReason,
  lightPathSentence,
  type LightPathSaying,
} from '../../../src/text/lightPathWords.ts';
import { logbookReason, logbookSentence } from '../../../src/text/logbookWords.ts';
import {
  controllerAngle,
  controllerDate,
  focusReason,
  focusSentence,
  offsetWords,
  sheetReason,
  type FocusSaying,
} from '../../../src/text/pointingWords.ts';
import { playAdvice, playReason, playSentence } from '../../../src/text/playWords.ts';
import { plain } from '../../../src/text/said.ts';
import { leftOutWords, ORDER_REASONS, STATIONS, stopName } from '../../../src/text/stations.ts';
import { CHECK_WORDS, checksSentence, trackingReason } from '../../../src/text/trackingWords.ts';
import { parts } from '../../support/records.ts';

const f = makeFormat('metric', 'Europe/Lisbon');
const imperial = makeFormat('imperial', 'Europe/Lisbon');
const SENTENCE = /^[A-Z0-9][^!]*[.?]$/;
const isSentence = (said: string, code: string) =>
  expect(plain(said), code)
    .to.match(SENTENCE)
    .and.not.match(/NaN|undefined|null/);
const field = magneticField(Date.UTC(2026, 10, 24), 40.33, -7.6, 1550);

describe('words of the stations', () => {
  it('every station has a name, a key of its own and a place in some run', () => {
    expect(STATIONS.map((s) => s.key).join('')).to.equal('1234567890');
    for (const reason of Object.values(ORDER_REASONS)) isSentence(reason, reason);
    expect([stopName('polar', 'rough'), stopName('polar', 'final'), stopName('polar', null)]).to.deep.equal([
      'Rough pole',
      'Pole, last check',
      'Polar alignment',
    ]);
  });

  it('says once what a mount does not need', () => {
    const mount = parts.find((p) => p.id === 'demo-heron-mount') as MountPart;
    for (const change of [
      { mountKind: 'trackerBallHead' },
      { mountKind: 'altAzimuth' },
      { drive: 'strainWave' },
    ] as const) {
      const words = leftOutWords(runFor({ ...mount, ...change }).leftOut);
      expect(words.length).to.be.greaterThan(0);
      for (const word of words) isSentence(word, word);
    }
  });

  it('light path', () => {
    const joint = { thread: 'M42x0.75', gender: 'male' as const };
    const misfit = { beforeName: 'Reducer', afterName: 'Wheel', before: joint, after: joint, turnable: [], at: 1 };
    const sayings: LightPathSaying[] = [
      { code: 'incomplete' },
      { code: 'noCorrector', focalMm: 135, focalRatio: 2.8 },
      { code: 'misfit', misfit },
      { code: 'misfit', misfit: { ...misfit, turnable: [{ id: 'r', name: 'Spacer 20 mm' }] } },
      { code: 'right', neededMm: 55.5, presentMm: 55.5, errorMm: -0.17, toleranceMm: 0.5 },
      { code: 'right', neededMm: 55.5, presentMm: 55.5, errorMm: 0.01, toleranceMm: 0.5 },
      { code: 'short', byMm: 2.2, presentMm: 53.5, neededMm: 55.7, doubtMm: 0 },
      { code: 'long', byMm: 2.2, presentMm: 57.9, neededMm: 55.7, doubtMm: 0.5 },
      { code: 'assumed', what: 'depth', depthMm: 17.5, presentMm: 53, neededMm: 55.7, doubtMm: 5 },
      { code: 'assumed', what: 'backFocus', depthMm: 17.5, presentMm: 53, neededMm: 55.7, doubtMm: 2 },
    ];
    for (const s of sayings) {
      isSentence(lightPathSentence(s, f), s.code);
      isSentence(lightPathReason(s, { glassMm: 0.67, learnedMm: -0.2, isAssumed: s.code === 'assumed' }, f), s.code);
    }
    expect(plain(lightPathSentence(sayings[3]!, f))).to.include('Turn Spacer 20 mm round.');
    expect(lightPathReason(sayings[7]!, { glassMm: 0.67, learnedMm: -0.2, isAssumed: false }, f)).to.include(
      '57.9 mm (±0.5 mm); 55.7 mm wanted: 55.2 mm by the corrector and 0.7 mm for the filter glass and 0.20 mm less by your corners',
    );
    expect(plain(lightPathSentence(sayings[6]!, f))).to.equal('Add 2.2 mm between corrector and camera.');
    expect(circleWords(1.1, f)).to.equal('The circle covers the corners.');
    expect(circleWords(0.8, f)).to.include('80 %');
  });

  it('bearing tells the side as seen behind the mount, with the compass point', () => {
    const turn = (east: boolean, south: boolean): BearingSaying => ({ code: 'turn', errorDeg: 3, east, south });
    const said = (s: BearingSaying) => plain(bearingSentence(s, f));
    expect(said(turn(true, false))).to.equal('Turn the head 3.0° to the left (west).');
    expect(said(turn(false, false))).to.equal('Turn the head 3.0° to the right (east).');
    expect(said(turn(true, true))).to.equal('Turn the head 3.0° to the right (west).');
    expect(said(turn(false, true))).to.equal('Turn the head 3.0° to the left (east).');
    const others: BearingSaying[] = [
      { code: 'noCompass' },
      { code: 'set', compassDeg: 0.4, south: false, foot: 'north', turned: false, gap: false },
      { code: 'set', compassDeg: 192.9, south: true, foot: null, turned: false, gap: false },
      { code: 'set', compassDeg: 0.4, south: false, foot: 'north', turned: true, gap: false },
      { code: 'marks', atUtc: '2026-11-21T18:00:00.000Z', withinDeg: 1.5, south: false },
      { code: 'readFar' },
      { code: 'stands', errorDeg: 0.1 },
    ];
    for (const s of [...others, turn(true, true)]) {
      isSentence(bearingSentence(s, f), s.code);
      isSentence(bearingReason(s, field, f), s.code);
    }
    expect(said(others[1]!)).to.equal('Set the compass ring to 0.4°. Lay the north leg along it: true north.');
    expect(said(others[2]!)).to.equal('Point the polar axis where the compass reads 192.9°: true south.');
    expect(said(others[3]!)).to.include('Turn the tripod');
    isSentence(modelYearsWords({ insideModelYears: false })!, 'years');
    expect(modelYearsWords({ insideModelYears: true })).to.equal(null);
  });

  it('level and latitude', () => {
    const sayings: LevelSaying[] = [
      { code: 'notRead' },
      { code: 'good', tiltDeg: 0.2 },
      {
        code: 'raise',
        legs: [
          { point: 'north', stretchM: 0.015 },
          { point: 'south-east', stretchM: 0.004 },
        ],
      },
      { code: 'noFeet', tiltDeg: 1, low: 'west' },
    ];
    for (const s of sayings) isSentence(levelSentence(s, f, true), s.code);
    expect(plain(levelSentence(sayings[2]!, f, true))).to.equal(
      'Draw out the north leg 15 mm and the south-east leg 4 mm.',
    );
    isSentence(latitudeSentence({ code: 'set', scaleDeg: 40.9 }, f), 'set');
    isSentence(latitudeSentence({ code: 'low', scaleDeg: 2 }, f), 'low');
    const parts_ = {
      latDeg: -22.75,
      bias: { biasDeg: 0.6, spreadDeg: 0.12, readings: 8 },
      poleSideUpDeg: -0.4,
      refractionArcmin: 2.4,
      up: null,
    };
    expect(latitudeReason(parts_, f)).to.equal(
      'The pole stands 22.8° high; your scale reads 0.6° too high (8 readings, within 0.1°); the base leans 0.4° down toward the pole.',
    );
    isSentence(latitudeReason({ ...parts_, bias: null, poleSideUpDeg: null }, f), 'bare');
    expect(latitudeReason({ ...parts_, refractionArcmin: 9.1, up: false }, f)).to.match(/9\.1′.*come up/);
    const bolt = { code: 'turnBolt', scaleDeg: 40.9, clockwise: false, up: false } as const;
    expect(plain(latitudeSentence({ ...bolt, turns: 2.25 }, f))).to.equal(
      'Turn the altitude bolt 2 turns and 90° counter-clockwise, to 40.9° on the scale.',
    );
    expect(plain(latitudeSentence({ ...bolt, turns: null }, f))).to.equal('Bring the scale down to 40.9°.');
    isSentence(latitudeSentence({ code: 'done', scaleDeg: 40.9 }, f), 'done');
    expect([0, 44, 46, 359].map(compassPoint)).to.deep.equal(['north', 'north-east', 'north-east', 'north']);
  });

  it('the hand controller’s own formats', () => {
    expect(controllerAngle(40.33, LATITUDE_LETTERS, 'degMin')).to.equal('N 40° 20′');
    expect(controllerAngle(-7.6, LONGITUDE_LETTERS, 'degMinSec')).to.equal('W 7° 36′ 00″');
    expect(controllerAngle(-22.9999, LATITUDE_LETTERS, 'degMin')).to.equal('S 23° 00′');
    expect([offsetWords(0), offsetWords(570), offsetWords(-210)]).to.deep.equal(['+00:00', '+09:30', '−03:30']);
    expect(['dmy', 'mdy', 'ymd'].map((o) => controllerDate('2026-11-24', o as 'dmy'))).to.deep.equal([
      '24/11/2026',
      '11/24/2026',
      '2026/11/24',
    ]);
    isSentence(sheetReason({ standardMin: 0, summerMin: 60 }), 'summer');
    isSentence(sheetReason({ standardMin: 0, summerMin: 0 }), 'winter');
  });

  it('focus', () => {
    const sayings: FocusSaying[] = [
      { code: 'first' },
      { code: 'lastTime', positionUm: 12_488, temperatureC: 2 },
      { code: 'predicted', positionUm: 12_400, umPerDeg: -11, count: 12 },
      { code: 'tonight', positionUm: 12_410, temperatureC: 1 },
      { code: 'stands', positionUm: 12_420, shiftUm: 10, doubtUm: 2, allowedUm: 31 },
      { code: 'doubtful', positionUm: 12_440, shiftUm: 25, doubtUm: 9, allowedUm: 31 },
      { code: 'gone', positionUm: 12_450, shiftUm: -40, doubtUm: 2, allowedUm: 31 },
    ];
    for (const s of sayings) {
      isSentence(focusSentence(s, f), s.code);
      isSentence(focusReason(s, f), s.code);
    }
    expect(focusReason(sayings[2]!, f)).to.include('11 µm up the scale');
    // A degree Fahrenheit is five ninths of it.
    expect(focusReason({ ...sayings[2]!, umPerDeg: -18 } as FocusSaying, imperial)).to.include('10 µm up the scale');
    expect(focusReason(sayings[1]!, imperial)).to.include('36 °F');
  });

  it('tracking', () => {
    const answer: SubAnswer = {
      longestS: 66.4,
      shortestS: 2,
      orMore: false,
      curve: () => [],
      onceLooked: { longestS: 122, shortestS: 2, orMore: false, curve: () => [] },
      plannedS: 120,
      share: 0.41,
      lever: { code: 'lookPole', value: 8, share: 1 },
      motion: 'usualDrive',
      pole: 'notLooked',
    };
    expect(subSentence(answer, f)).to.equal(
      '**Look for the pole**: it alone lifts the usable subs from 41% to all; until then 65 s.',
    );
    const measured = { ...answer, lever: { code: 'mendPole', value: 1.8, share: 0.98 } } as const;
    expect(subSentence({ ...measured, longestS: null }, f)).to.equal(
      '**Bring the pole within 1.8′**: it alone lifts the usable subs from 41% to 98%; until then under 2 s.',
    );
    expect(subSentence({ ...answer, share: 0.96 }, f)).to.equal('Keep **2 min**: about 96% of the subs stay usable.');
    expect(subSentence({ ...answer, lever: null }, f), 'nothing free is left').to.equal('Shorten the sub to **65 s**.');
    const ways: Partial<SubAnswer>[] = [
      {},
      { share: 1 },
      { lever: { code: 'mendGuiding', value: 0.7, share: 0.9 } },
      { lever: null, longestS: null },
      { lever: null, longestS: null, motion: 'guided' },
      { lever: null, longestS: null, motion: 'guidedRa' },
      { lever: null, longestS: 0.2, shortestS: 0.01, motion: 'still', pole: null },
    ];
    for (const way of ways) {
      isSentence(subSentence({ ...answer, ...way }, f), JSON.stringify(way));
      for (const drive of ['curve', 'turn', 'assumed'] as const) {
        const unguidedShare = drive === 'assumed' ? null : 0.2;
        isSentence(trackingReason({ ...answer, ...way }, { drive, unguidedShare }, f), JSON.stringify(way));
      }
    }
    for (const pole of ['measured', 'told', 'learned', 'assumed', 'notLooked', null] as const)
      isSentence(subRests({ motion: 'ownDrive', pole }), String(pole));
    const waiting: ReversalTest = { at: 'waiting', way: 'south', sinceMs: 0, reversals: [{ way: 'south', deadS: 1 }] };
    const both: ReversalTest = {
      at: 'moving',
      way: 'north',
      reversals: [
        { way: 'south', deadS: 1 },
        { way: 'north', deadS: 2 },
      ],
    };
    const tests: ReversalTest[] = [REVERSAL_READY, both, waiting];
    for (const test of tests) {
      isSentence(playSentence(test), test.at);
      isSentence(playReason(test), test.at);
    }
    expect(plain(playSentence(tests[1]!))).to.equal('Now press south and tap at the same moment.');
    for (const verdict of ['small', 'oneWay', 'much'] as const) isSentence(playAdvice(verdict), verdict);
    for (const id of Object.keys(CHECK_WORDS) as FirstSubCheck[]) isSentence(CHECK_WORDS[id].why, id);
    isSentence(checksSentence(0), 'ready');
    isSentence(checksSentence(3), 'three');
  });

  it('logbook, card and data', () => {
    for (const readings of [0, 1, 21]) isSentence(logbookSentence({ date: 'Tue 24 Nov', readings }), String(readings));
    isSentence(logbookReason(null, [], f), 'none');
    expect(logbookReason(1.4, [9, 1.4], f)).to.equal('Polar error over 2 nights, best 1.4′. This night ended at 1.4′.');
    expect([fieldLabel('massKg'), fieldLabel('alongTubeM'), fieldLabel('zoneIana')]).to.deep.equal([
      'mass (kg)',
      'along tube (m)',
      'zone iana',
    ]);
    expect([valueWords(null), valueWords(''), valueWords(true), valueWords([1, 2])]).to.deep.equal([
      'nothing',
      'nothing',
      'yes',
      '[1,2]',
    ]);
    expect(valueWords('x'.repeat(9)).length + valueWords(Array(200).fill('y')).length).to.equal(9 + 161);
    expect(countsWords({ parts: 3, rigs: 1, readings: 240, sites: 0 })).to.equal('3 parts, 1 rig and 240 readings');
    expect([countsWords({}), countsWords({ nights: 1 })]).to.deep.equal(['nothing', '1 night']);
    expect(changeWords('recorded', 'polarError')).to.equal(
      'Undone: the polar error is taken back. It stays in the history as retracted.',
    );
    expect(changeWords('retracted', 'flip')).to.equal('Undone: the flip stands again.');
    expect(changeWords('whole', 'the import')).to.equal('Undone: the import. Everything is as before it.');
  });
});

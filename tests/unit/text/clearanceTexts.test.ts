/** The tube before its tripod, in words and in the user's units. */
import { expect } from 'chai';
import { meridianLimit } from '../../../src/core/night/plan/meridianLimit.ts';
import { circleHop } from '../../../src/core/night/advice/hands/circles.ts';
import { eyeHeights } from '../../../src/core/rig/eyepieceHeight.ts';
import { rigNumbers } from '../../../src/core/rig/rigNumbers.ts';
import { circleFigures, circleReason, circleSentence } from '../../../src/text/circleWords.ts';
import {
  gapWords,
  limitWords,
  pairWords,
  poseReason,
  poseSentence,
  waitWords,
} from '../../../src/text/clearanceWords.ts';
import { heightFigures, heightsReason } from '../../../src/text/eyeHeightWords.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { night } from '../../support/nights.ts';
import { GAP_MEASURED, parts, rigs, snapshotOf } from '../../support/records.ts';
import { worstPose } from '../../../src/core/night/advice/worstPose.ts';

const [f, imperial] = [makeFormat('metric', 'UTC'), makeFormat('imperial', 'UTC')];
const LEG = { piece: 'camera', obstacle: 'leg2' } as const;

describe('the tube before its tripod in words', () => {
  it('a leg is told by where it stands', () => {
    const to = (obstacle: 'leg0' | 'leg1' | 'leg2' | 'column' | 'ground', firstFootAzimuthDeg: number) =>
      pairWords({ piece: 'tube', obstacle }, { firstFootAzimuthDeg });
    expect([to('leg0', 0), to('leg1', 0), to('leg2', 0)]).to.deep.equal([
      'tube to the leg in the north',
      'tube to the leg in the south-east',
      'tube to the leg in the south-west',
    ]);
    expect([to('leg2', 180), to('column', 9), to('ground', 9)]).to.deep.equal([
      'tube to the leg in the north-east',
      'tube to the column',
      'tube to the ground',
    ]);
    const gap = (gapM: number, sigmaM: number | null) => gapWords(LEG, { gapM, sigmaM }, { firstFootAzimuthDeg: 0 }, f);
    expect(gap(0.084, null)).to.equal('Camera to the leg in the south-west: 84 mm');
    expect(gap(0.084, 0.012)).to.equal('Camera to the leg in the south-west: 84 mm ±12 mm');
    expect(gap(-0.01, 0.012)).to.contain('they touch');
  });

  it('the limit says what it rests on, in the user’s units', () => {
    const tube = night({ snapshots: [snapshotOf()], readings: [GAP_MEASURED] }).limit.tube!;
    const own = (mountH: number | null) => ({ mountH, cableH: null, fittingH: null });
    const by = (mountH: number | null, format = f) => limitWords(meridianLimit(null, own(mountH), tube), format);
    expect(by(0.75)).to.match(/^From \d+ min past it on the margin of 50 mm is used up, camera to the column\.$/);
    expect(by(0.75, imperial)).to.match(/margin of [\d.]+ in is used up/);
    expect(by(0.05)).to.equal('The mount’s limit stands 3 min past it.');
    const clear = { ...tube, before: { fromH: null, toH: null, toldToH: null }, closest: null };
    expect(limitWords(meridianLimit(null, own(null), clear), f)).to.contain('stays clear all the way');
    const doubtful = (mayTouch: typeof tube.mayTouch) =>
      limitWords({ source: 'doubt', limitH: 0, tube: { ...tube, mayTouch } }, f);
    expect(doubtful(null)).to.contain('How far the tube may run past it is not known well enough');
    expect(doubtful({ haH: 0.5, closest: LEG })).to.match(
      /^About 30 min past it less than 50 mm may be left, camera to the leg in the south-west/,
    );
    expect(doubtful({ haH: 0, closest: LEG })).to.match(/^Soon past it/);
    const early = limitWords({ source: 'clearance', limitH: -0.5, tube: { ...tube, closest: LEG } }, f);
    expect(early).to.match(/^From 30 min before it on/);
    const wait = [true, false].map((guess) =>
      waitWords(Date.UTC(2026, 10, 24, 21, 5), Date.UTC(2026, 10, 24, 22, 40), guess, f),
    );
    expect(wait.map((w) => [w.includes('From 21:05 to 22:40'), w.includes('guess')])).to.deep.equal([
      [true, true],
      [true, false],
    ]);
  });

  it('the pose is told for the hand: level or lean, side, declination, and what is measured there', () => {
    const pose = { ...worstPose(night())!, closest: LEG };
    const said = (haH: number, state: 'beforeFlip' | 'afterFlip') =>
      poseSentence({ ...pose, haH, state }, { firstFootAzimuthDeg: 0 }, f, true);
    expect(said(0.01, 'beforeFlip')).to.match(/set the \*\*bar level\*\*, tube on the west side, declination/);
    expect(said(1, 'beforeFlip')).to.contain('15° below the level**, tube on the west side');
    expect(said(2, 'afterFlip')).to.contain('30° above the level**, tube on the east side');
    expect(said(8, 'afterFlip')).to.contain('60° above the level**, tube on the west side');
    const because = (shiftM: number | null, count = 1) => {
      const clearance = { ...pose.clearance, value: pose.clearance.drawnM + (shiftM ?? 0) };
      const shift = shiftM === null ? null : { shiftM, count, atUtc: '', gaps: [] };
      return poseReason({ ...pose, clearance }, shift, { firstFootAzimuthDeg: 0 }, f);
    };
    expect(because(null)).to.contain('Nobody has measured it yet.');
    expect(because(0.04)).to.contain('your measured gap says: 40 mm more than the drawing.');
    expect(because(-0.01, 3)).to.contain('3 measured gaps say: 10 mm less than the drawing.');
    expect(because(0)).to.contain('as your measured gap says and the drawing has it.');
  });
});

describe('circles and seats in words', () => {
  it('which way and how far from the star, and what both circles read', () => {
    const at = Date.parse('2026-11-24T21:00:00Z');
    const hop = circleHop(night(), at)!;
    const sentence = circleSentence({ ...hop, turnWestH: 1.87, turnNorthDeg: -3.2 }, 'NGC 281', f);
    expect(sentence).to.contain('right ascension **1 h 52 min westward** and declination **3.2° south**.');
    expect(circleSentence({ ...hop, turnWestH: -0.5, turnNorthDeg: 2 }, 'x', f)).to.contain('30 min eastward');
    expect(circleSentence(null, null, f)).to.contain('Choose a **target**');
    expect(circleSentence(null, 'x', f)).to.contain('Sweep');
    expect(circleReason(hop, f)).to.contain('circles divided into 5 min and 2° land within');
    expect(circleReason(null, f)).to.contain('across the meridian');
    const read = circleFigures({ ...hop, targetOfDate: { raDeg: 35.3, decDeg: -57.34 } }, f);
    expect(read.slice(2).map((x) => x.value)).to.deep.equal(['2 h 21 min', '57.3° south']);
  });

  it('the eye and its seat in metres or feet; who would sit on the ground kneels', () => {
    const heights = { nowM: 1.2, lowestM: 0.7, highestM: 1.6 };
    expect(heightFigures(heights, f).map((x) => x.value)).to.deep.equal([
      '1.20 m',
      '0.45 m',
      '0.70 to 1.60 m',
      '0.00 to 0.85 m',
    ]);
    expect(heightFigures({ ...heights, nowM: 0.6 }, f)[1]!.value).to.equal('kneel');
    expect(heightFigures({ ...heights, nowM: null }, f)).to.have.lengthOf(2);
    expect([heightsReason(f), heightsReason(imperial)].map((w) => /[\d.]+ \S+ below/.exec(w)?.[0])).to.deep.equal([
      '0.75 m below',
      '29.53 in below',
    ]);
    expect(eyeHeights(rigNumbers(rigs[0]!, parts), 40, null)).to.equal(null);
  });
});

/** Words of what hangs, drives, lights and feeds a rig, with random figures: no sentence goes wrong, none in other units. */
import fc from 'fast-check';
import { drivenSentence, swingWords, torqueWords, type DrivenSaying } from '../../../src/text/drivenWords.ts';
import { forkReason, forkSentence, type ForkSaying } from '../../../src/text/forkWords.ts';
import { lightPathReason, lightPathSentence, type LightPathSaying } from '../../../src/text/lightPathWords.ts';
import { offBarPlace, offBarReason, offBarSentence } from '../../../src/text/offBarWords.ts';
import { piecesReason, piecesSentence, smallThingsWords, type PiecesSaying } from '../../../src/text/pieceWords.ts';
import { platformSentence } from '../../../src/text/platformWords.ts';
import { focusReason, focusSentence, type FocusSaying } from '../../../src/text/pointingWords.ts';
import {
  adviceWords,
  powerReason,
  powerSentence,
  type PowerAdvice,
  type PowerSaying,
} from '../../../src/text/powerWords.ts';
import { rigSentence } from '../../../src/text/rigWords.ts';
import { TUBE_ENDS } from '../../../src/text/tubeEnds.ts';
import { formats, isWellIn, RUNS, size, timeMs } from '../../support/grammar.ts';
import { holds } from '../../support/properties.ts';

const one = <T extends string>(...words: T[]): fc.Arbitrary<T> => fc.constantFrom(...words);
const code = <T extends string>(...words: T[]): { code: fc.Arbitrary<T> } => ({ code: one(...words) });
const piece = one('Plover', 'The guide scope', 'Dew heater');
const ends = fc.constantFrom(...Object.values(TUBE_ENDS));

describe('grammar of rigs', () => {
  it('of what hangs and what drives it: weights off the bar, pieces, fork, strain-wave drive, rig', () => {
    const set = fc.record({
      ids: fc.subarray(['north', 'south'], { minLength: 1 }),
      massKg: size(1, 9),
      positionM: size(0.05, 0.6),
      totalOnAxisKg: size(1, 40),
      inertiaKgM2: size(0, 9),
    });
    const off = fc.oneof(
      fc.record({ ...code('noWeight'), leftKgM: size(-0.3, 0.3) }),
      fc.record({ ...code('otherSet'), set }),
      fc.record({ ...code('lighter'), nearestM: size(0.02, 0.2) }),
      fc.record({ ...code('longer'), byM: size(0.001, 0.6) }),
    );
    const shift = fc.record({
      axis: one('ra', 'dec'),
      moveM: size(-0.3, 0.3),
      toM: size(0, 0.6),
      onRange: fc.boolean(),
    });
    const pieces: fc.Arbitrary<PiecesSaying> = fc.oneof(
      fc.record({ ...code('incomplete', 'choose') }),
      fc.record({ ...code('on', 'off'), name: piece, shifts: fc.array(shift, { maxLength: 2 }) }),
    );
    const hang = fc.option(fc.record({ massKg: size(0.1, 4), atM: size(-0.6, 0.6) }));
    const found = fc.record({ momentKgM: size(-3, 3), doubtKgM: size(0.01, 1), hang, isEven: fc.boolean() });
    const forks: fc.Arbitrary<ForkSaying> = fc.oneof(
      fc.record({ ...code('noMasses') }),
      fc.record({ ...code('try', 'balanced'), found }),
      fc.record({ ...code('drops'), end: one('front', 'rear'), hang, found }),
    );
    const torque = size(0, 90);
    const driven: fc.Arbitrary<DrivenSaying> = fc.oneof(
      fc.record({ ...code('noMasses') }),
      fc.record({ ...code('holds', 'tooMuch'), torqueNm: torque, allowedNm: torque }),
      fc.record({ ...code('hangWeight'), torqueNm: torque, allowedNm: torque, withWeightNm: torque }),
    );
    const swing = one('tubeWest', 'tubeEast', 'weightsDown');
    const cables = fc.record({ cableRaM: size(0, 0.1), cableDecM: size(0, 0.1), focusM: size(0, 0.1) });
    const gap = fc.oneof(
      fc.record({ ...code('noWeight') }),
      fc.record({ ...code('massMissing'), partId: fc.constant('p'), name: piece }),
    );
    const gaps = fc.array(gap, { maxLength: 2 });
    holds(
      fc.property(
        fc.tuple(
          off,
          pieces,
          forks,
          one('fork', 'box'),
          driven,
          swing,
          cables,
          gaps,
          one('mirror', 'camera', 'eyepiece'),
        ),
        ends,
        formats,
        fc.integer({ min: 0, max: 5 }),
        ([bar, moved, fork, on, drive, leans, loose, lacks, rear], front, f, guessed) => {
          const verdict = { torqueNm: 12, verdict: 'near' as const };
          const said = [
            offBarSentence(bar, (id) => `The weight in the ${id}`, f),
            offBarReason(bar, f),
            offBarPlace(bar, f),
            piecesSentence(moved, f, front),
            piecesReason(moved),
            ...smallThingsWords(loose, 0.3, 0.02, f, rear),
            forkSentence(fork, f, front, on),
            forkReason(fork, f, front, on),
            drivenSentence(drive, f),
            torqueWords(verdict, f),
            swingWords(leans, 21, 9, f).value,
            rigSentence(lacks, guessed),
          ];
          for (const words of said) isWellIn(words, f);
        },
      ),
      RUNS,
    );
  });

  it('of light path, focus, power, platform', () => {
    const mm = size(20, 120);
    const lights: fc.Arbitrary<LightPathSaying> = fc.oneof(
      fc.record({ ...code('incomplete') }),
      fc.record({
        ...code('eye'),
        eyepieceMm: size(3, 40),
        fieldDeg: size(0.1, 5),
        magnification: size(5, 400),
        exitPupilMm: size(0.3, 9),
        usefulMaximum: size(60, 600),
        overUseful: fc.boolean(),
      }),
      fc.record({ ...code('noCorrector'), focalMm: size(14, 3000), focalRatio: size(1.4, 15) }),
      fc.record({
        ...code('right'),
        presentMm: mm,
        neededMm: mm,
        errorMm: size(-0.5, 0.5),
        toleranceMm: size(0.1, 1),
      }),
      fc.record({ ...code('short', 'long'), byMm: size(0.1, 40), presentMm: mm, neededMm: mm, doubtMm: size(0, 3) }),
      fc.record({
        ...code('assumed'),
        what: one('backFocus', 'depth'),
        depthMm: mm,
        presentMm: mm,
        neededMm: mm,
        doubtMm: size(0, 3),
      }),
    );
    const wanted = fc.record({ glassMm: size(0, 1), learnedMm: size(-3, 3), isAssumed: fc.boolean() });
    const um = size(0, 40_000);
    const focus: fc.Arbitrary<FocusSaying> = fc.oneof(
      fc.record({ ...code('first') }),
      fc.record({ ...code('lastTime', 'tonight'), positionUm: um, temperatureC: size(-20, 30) }),
      fc.record({
        ...code('predicted'),
        positionUm: um,
        umPerDeg: size(-90, 90),
        count: fc.integer({ min: 3, max: 40 }),
      }),
      fc.record({
        ...code('stands', 'doubtful', 'gone'),
        positionUm: um,
        shiftUm: size(-300, 300),
        doubtUm: size(0, 90),
        allowedUm: size(1, 90),
      }),
    );
    const battery = one('The first battery', 'The second battery');
    const device = one('The camera', 'The mount');
    const powers: fc.Arbitrary<PowerSaying> = fc.oneof(
      fc.record({ ...code('noSupply', 'noDark') }),
      fc.record({ ...code('mismatch'), device, battery }),
      fc.record({ ...code('empties'), battery, atMs: timeMs, missingAh: size(1, 40) }),
      fc.record({ ...code('low'), device, peakV: size(9, 12), lowestV: size(9, 12) }),
      fc.record({ ...code('short'), device, missingM: size(0.1, 2) }),
      fc.record({ ...code('lasts'), hoursH: size(1, 14), spareAh: size(0, 40), battery }),
    );
    const port = one('', '1', '2');
    const advice: fc.Arbitrary<PowerAdvice> = fc.oneof(
      fc.record({
        ...code('fuses'),
        battery,
        fuses: fc.array(fc.record({ port, fuseA: size(1, 20) }), { minLength: 1, maxLength: 3 }),
      }),
      fc.record({ ...code('noFuse'), battery, port, lowestA: size(1, 20), highestA: size(1, 20) }),
      fc.record({ ...code('fuseUnknown'), battery, port }),
      fc.record({ ...code('mountShared'), battery }),
    );
    const run = fc.record({
      runMin: size(20, 90),
      setBackMin: size(1, 9),
      sinceMs: fc.option(timeMs),
      endsMs: fc.option(timeMs),
      assumed: fc.boolean(),
    });
    holds(
      fc.property(lights, wanted, focus, powers, advice, run, timeMs, formats, (l, w, s, p, a, platform, ms, f) => {
        const said = [
          lightPathSentence(l, f),
          lightPathReason(l, w, f),
          focusSentence(s, f),
          focusReason(s, f),
          powerSentence(p, f),
          powerReason(p, -7, f),
          adviceWords(a, f),
          platformSentence(platform, ms, f),
        ];
        for (const words of said) isWellIn(words, f);
      }),
      RUNS,
    );
  });
});

/** The benches' words with random figures, in both unit systems and hemispheres: no sentence goes wrong, none in other units. */
import { expect } from 'chai';
import fc from 'fast-check';
import { truthOf } from '../../../src/standins/mountStream.ts';
import { COMPASS_POINTS } from '../../../src/text/compassWords.ts';
import { airWords, driftReason, driftSentence, runWords, type DriftSaying } from '../../../src/text/driftWords.ts';
import { clockChangeWords } from '../../../src/text/eventWords.ts';
import { flexureBefore, flexureRecorded, flexureValue } from '../../../src/text/flexureWords.ts';
import { goalName, goalWords, referenceWords, setByEyeSaid } from '../../../src/text/goalWords.ts';
import { guessHint, guessLabel, guessSaid, guessSentence } from '../../../src/text/guessWords.ts';
import { byEyeWords, handReason, handSentence, minutesWords, shutterWords } from '../../../src/text/handWords.ts';
import { latitudeReason, latitudeSentence, type LatitudeSaying } from '../../../src/text/latitudeWords.ts';
import * as level from '../../../src/text/levelWords.ts';
import { folderWords, sizeWords, truthFigures } from '../../../src/text/logSourceWords.ts';
import { notSeenSteps } from '../../../src/text/notSeenWords.ts';
import { latePlace } from '../../../src/text/placeWords.ts';
import { playBefore } from '../../../src/text/playWords.ts';
import { count, formats, has, isWell, isWellIn, RUNS, size, utc } from '../../support/grammar.ts';
import { holds } from '../../support/properties.ts';

const one = <T extends string>(...words: T[]): fc.Arbitrary<T> => fc.constantFrom(...words);
const code = <T extends string>(...words: T[]): { code: fc.Arbitrary<T> } => ({ code: one(...words) });
const step = one('azimuth', 'altitude');
const piece = one('Plover', 'The guide scope', 'Dew heater');

describe('grammar of the benches', () => {
  it('its own check finds a metric size told to who reads imperial', () => {
    const imperial = { system: 'imperial' } as Parameters<typeof isWellIn>[1];
    for (const wrong of ['Add 3.50 kg.', 'Take 21 cm', 'by **0.4 m**, then'])
      expect(() => isWellIn(wrong, imperial), wrong).to.throw();
    isWellIn('Add 0.7 mm of ring, at 12.1 V and 1/4 s.', imperial);
  });

  it('of level, bearing and latitude', () => {
    const point = fc.constantFrom(...COMPASS_POINTS.map((p) => p.name));
    const bearings: fc.Arbitrary<level.BearingSaying> = fc.oneof(
      fc.record({ ...code('noCompass', 'readFar') }),
      fc.record({ ...code('marks'), atUtc: utc, withinDeg: size(0.3, 9), south: fc.boolean() }),
      fc.record({
        ...code('set'),
        compassDeg: size(0, 360),
        south: fc.boolean(),
        foot: fc.option(point),
        turned: fc.boolean(),
        gap: fc.boolean(),
      }),
      fc.record({ ...code('turn'), errorDeg: size(0, 90), east: fc.boolean(), south: fc.boolean() }),
      fc.record({ ...code('stands'), errorDeg: size(0, 3) }),
    );
    const field = fc.record({
      declinationDeg: size(-40, 40),
      inclinationDeg: size(-90, 90),
      horizontalNt: size(0, 40_000),
      totalNt: size(20_000, 60_000),
      insideModelYears: fc.boolean(),
      compass: one('reliable', 'unreliable', 'unusable'),
    });
    const levels: fc.Arbitrary<level.LevelSaying> = fc.oneof(
      fc.record({ ...code('notRead') }),
      fc.record({ ...code('good'), tiltDeg: size(0, 0.5) }),
      fc.record({
        ...code('raise'),
        legs: fc.array(fc.record({ point, stretchM: size(0.001, 0.2) }), { minLength: 1, maxLength: 2 }),
      }),
      fc.record({ ...code('noFeet'), tiltDeg: size(0.1, 9), low: point }),
    );
    const marks = fc.record({
      firstFootAzimuthDeg: size(0, 360),
      takenAtUtc: utc,
      lastErrorDeg: fc.option(size(-20, 20)),
      nights: fc.integer({ min: 1, max: 9 }),
      expectWithinDeg: size(0.3, 9),
    });
    const latitudes: fc.Arbitrary<LatitudeSaying> = fc.oneof(
      fc.record({ ...code('set', 'low', 'done'), scaleDeg: size(0, 90) }),
      fc.record({
        ...code('turnBolt'),
        scaleDeg: size(0, 90),
        turns: fc.option(size(0.01, 9)),
        clockwise: fc.boolean(),
        up: fc.boolean(),
      }),
    );
    const parts = fc.record({
      latDeg: size(-89, 89),
      bias: fc.option(
        fc.record({ biasDeg: size(-3, 3), spreadDeg: fc.option(size(0, 1)), readings: fc.integer({ min: 1, max: 9 }) }),
      ),
      poleSideUpDeg: fc.option(size(-5, 5)),
      refractionArcmin: size(0, 40),
      up: fc.option(fc.boolean()),
    });
    const eye = fc.record({ ...code('lower', 'raise', 'right'), byM: size(0, 0.6), eyeM: size(0.2, 2) });
    holds(
      fc.property(
        fc.tuple(bearings, field, levels, marks, latitudes, parts, eye),
        formats,
        has,
        size(-89, 89),
        ([bearing, magnetic, tilt, ground, latitude, told, height], f, things, latDeg) => {
          const said = [
            level.bearingSentence(bearing, f),
            level.bearingReason(bearing, magnetic, f),
            level.ironWords({ differenceDeg: ground.lastErrorDeg, iron: things.has('legs') }, f),
            level.levelSentence(tilt, f, things.has('legs')),
            level.levelReason(things),
            level.footReason(latDeg, things.has('legs'), things),
            level.marksWords(ground, f),
            level.heightWords(height, f),
            latitudeSentence(latitude, f),
            latitudeReason(told, f),
          ];
          for (const words of said) isWellIn(words, f);
        },
      ),
      RUNS,
    );
  });

  it('of drift, goal, guesses', () => {
    const part = { step, errorArcmin: size(-90, 90), sigmaArcmin: size(0.05, 9), south: fc.boolean() };
    const star = one('CMa alp', 'Ori bet', 'Lyr alp');
    const drifts: fc.Arbitrary<DriftSaying> = fc.oneof(
      fc.record({ ...code('takeStar'), step, again: fc.boolean(), star, altDeg: size(25, 90), azDeg: size(0, 360) }),
      fc.record({ ...code('noStar'), step }),
      fc.record({ ...code('watch'), step, star }),
      fc.record({ ...code('enough', 'turn'), ...part }),
      fc.record({ ...code('done'), totalArcmin: size(0, 9) }),
    );
    const air = fc.record({ arcsecPerMin: size(-2, 2), imitatedArcmin: size(-9, 9), step });
    const run = fc.record({
      marks: fc.integer({ min: 2, max: 40 }),
      minutes: size(0.5, 90),
      rateArcsecPerMin: size(-9, 9),
      sigmaArcsecPerMin: size(0.01, 2),
    });
    const goals = fc.record({
      goalArcmin: size(0.1, 60),
      centreArcmin: size(0.1, 60),
      cornerArcmin: size(0.1, 60),
      byEyeIsEnough: fc.boolean(),
      visual: fc.boolean(),
      guided: fc.boolean(),
      reference: one('true', 'refracted'),
    });
    const guess = fc.record({
      partId: fc.constant('p'),
      placedId: fc.constant('q'),
      name: piece,
      what: one('mass', 'place'),
      value: size(0, 9),
      doubt: size(0, 1),
      moves: size(0, 2),
    });
    const guesses = fc.array(guess, { minLength: 1, maxLength: 2 });
    holds(
      fc.property(
        drifts,
        air,
        run,
        goals,
        guesses,
        one('place', 'load', 'wind'),
        formats,
        (d, a, r, goal, g, unit, f) => {
          const said = [
            driftSentence(d, f),
            driftReason(d, f),
            airWords(a, f),
            runWords(r, f),
            goalName(goal, f),
            goalWords(goal, f),
            referenceWords(goal),
            setByEyeSaid(goal.visual, goal, f),
            guessSentence(g, unit),
            ...g.flatMap((each) => [guessLabel(each, 'polar axis'), guessHint(each, unit, f), guessSaid(each)]),
          ];
          for (const words of said) isWellIn(words, f);
        },
      ),
      RUNS,
    );
  });

  it('of hands, logs, places, and what is not seen in the finder', () => {
    const view = fc.record({ by: one('eyepiece', 'sensor'), fieldDeg: size(0.05, 90), stayMin: size(0.05, 600) });
    const hands = fc.record({
      turnMin: fc.option(size(1, 30)),
      teeth: fc.option(fc.integer({ min: 48, max: 720 })),
      teethAssumed: fc.boolean(),
      view: fc.option(view),
      follows: fc.boolean(),
      decDeg: size(-90, 90),
    });
    const flexure = fc.record({
      arcsecPerMin: size(0, 9),
      sigmaArcsecPerMin: size(0, 2),
      directionDeg: fc.constant(null),
    });
    const place = fc.record({ latDeg: size(-90, 90), lonDeg: size(-180, 180) });
    const context = fc.record({ throughAxis: fc.boolean(), tracker: fc.boolean(), south: fc.boolean() });
    const called = { name: fc.constant('logs') };
    const folders = fc.oneof(
      fc.record({ at: one('there'), ...called, files: fc.constant([]) }),
      fc.record({ at: one('gone', 'shut', 'silent', 'askAgain'), ...called }),
    );
    const mount = fc.record({ seed: count, difficulty: one('easy', 'usual', 'hard') });
    holds(
      fc.property(
        fc.tuple(hands, flexure, place, context, folders, mount),
        fc.constantFrom(-120, -60, -30, 30, 60, 120),
        size(0.0005, 60),
        utc,
        formats,
        ([hand, bends, here, finder, folder, standIn], jumpMin, exposureS, whenUtc, f) => {
          const known = { ...hand, teeth: hand.teeth ?? (hand.turnMin === null ? null : 144) };
          const said = [
            handSentence(known, f),
            handReason(known, f),
            byEyeWords(known, f),
            minutesWords(exposureS),
            shutterWords(exposureS, f),
            flexureValue(bends, f),
            flexureRecorded(bends.arcsecPerMin, f),
            flexureBefore(bends.arcsecPerMin, whenUtc, f),
            playBefore(bends.arcsecPerMin, whenUtc, f),
            latePlace(here, f),
            clockChangeWords(f.clock(Date.parse(whenUtc)), jumpMin),
            ...(['black', 'blurred', 'empty'] as const).flatMap((which) => notSeenSteps(which, finder)),
            folderWords(folder),
            sizeWords(exposureS * 1e4, f),
            ...truthFigures(truthOf(standIn), f).map(({ name, value }) => `${name}: ${value}`),
          ];
          for (const words of said) isWellIn(words, f);
          isWell(handSentence({ ...known, turnMin: null, view: null }, f));
        },
      ),
      200,
    );
  });
});

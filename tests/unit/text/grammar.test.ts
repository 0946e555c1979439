/** Words functions with random figures, in both unit systems and on both halves of the earth: no sentence goes wrong. */
import { expect } from 'chai';
import fc from 'fast-check';
import { starHops } from '../../../src/core/sky/starHop.ts';
import { watchAt, type Watch } from '../../../src/core/night/advice/watch.ts';
import { RIG_THINGS } from '../../../src/core/rig/rigHas.ts';
import { balanceReason, balanceSentence, type BalanceSaying } from '../../../src/text/balanceWords.ts';
import { hopWords, sweepSteps } from '../../../src/text/findWords.ts';
import { makeFormat } from '../../../src/text/format.ts';
import { meridianSentence, type MeridianSaying } from '../../../src/text/meridianWords.ts';
import { payloadReason, payloadSentence, type PayloadSaying } from '../../../src/text/payloadWords.ts';
import { moonWords } from '../../../src/text/planWords.ts';
import { skyLightRests, skyLightValue } from '../../../src/text/skyLightWords.ts';
import { TUBE_ENDS } from '../../../src/text/tubeEnds.ts';
import { countdownWords, setUpFirst, watchReason, watchSentence } from '../../../src/text/watchWords.ts';
import { count, formats, has, isWell, name, RUNS, size, timeMs } from '../../support/grammar.ts';
import { night } from '../../support/nights.ts';
import { holds } from '../../support/properties.ts';

const verdict = fc.constantFrom('fine' as const, 'near' as const, 'over' as const);

describe('grammar', () => {
  it('its own check finds a doubled word, a missing value, one of several', () => {
    for (const wrong of ['the the tube', 'From Hydrus, NaN mm', '1 subs are left', '416 min to go', 'a eyepiece'])
      expect(() => isWell(wrong), wrong).to.throw();
    isWell('Slide the weight 21 mm outward, to 293 mm. Hold the tube.');
  });

  it('of the watch, whatever it says and whatever is missing', () => {
    const next = fc
      .constantFrom('dark', 'start', 'refocus', 'flip', 'secondFlip', 'limit', 'end', 'dawn')
      .map((n) => n as 'dark');
    const state = fc.constantFrom('planned', 'running', 'paused', 'stopped').map((s) => s as 'planned');
    const late = fc.record({
      code: fc.constant('tubeLate' as const),
      limitMs: fc.option(timeMs),
      fromMs: fc.option(timeMs),
      flips: fc.boolean(),
      state,
    });
    const watches: fc.Arbitrary<Watch> = fc.oneof(
      fc.record({ code: fc.constantFrom('noDark', 'noTarget', 'noSubs', 'over', 'byEye').map((c) => c as 'over') }),
      fc.record({ code: fc.constant('waiting' as const), state, next, untilMs: timeMs, target: fc.option(name) }),
      fc.record({
        code: fc.constant('running' as const),
        sub: count,
        count,
        state,
        next,
        untilMs: timeMs,
        target: fc.option(name),
      }),
      fc.record({ code: fc.constant('paused' as const), target: name, limitMs: fc.option(timeMs) }),
      fc.record({ code: fc.constant('targetDue' as const), target: name, untilMs: timeMs, state }),
      fc.record({ code: fc.constant('flipDue' as const), latestMs: timeMs, state }),
      late,
      fc.record({ code: fc.constant('flipping' as const), sinceMs: timeMs }),
    );
    holds(
      fc.property(watches, formats, has, fc.boolean(), (watch, f, things, south) => {
        isWell(watchSentence(watch, f, things));
        isWell(watchReason(watch, south, things));
        isWell(countdownWords(watch));
        if (watch.code === 'waiting') isWell(setUpFirst('Level and bearing', watch, f));
      }),
      RUNS,
    );
    const shown = night();
    isWell(watchSentence(watchAt(shown, shown.sky.events.startMs), makeFormat('metric', 'UTC'), new Set(RIG_THINGS)));
  });

  it('of load and balance', () => {
    const carried = { massKg: size(0.1, 60), allowedKg: size(0.1, 60) };
    const loads: fc.Arbitrary<PayloadSaying> = fc.oneof(
      fc.record({
        code: fc.constant('load' as const),
        verdict,
        decides: fc.constantFrom('mass' as const, 'moment' as const),
        guess: fc.option(fc.constant('the bar')),
        hasSpare: fc.boolean(),
        ...carried,
      }),
      fc.record({
        code: fc.constant('strain' as const),
        verdict,
        torqueNm: size(0, 90),
        allowedNm: size(0.1, 90),
        weightsHelp: fc.boolean(),
      }),
      fc.record({
        code: fc.constant('longerLever' as const),
        moveM: size(0, 0.4),
        toM: size(0, 0.6),
        extensionM: fc.option(size(0, 0.3)),
        ...carried,
      }),
    );
    const about = fc.record({
      share: size(0.1, 1),
      hasBar: fc.boolean(),
      ratingIncludesWeights: fc.boolean(),
      withOneKgMore: fc.option(verdict),
    });
    holds(
      fc.property(loads, about, formats, (s, circumstances, f) => {
        isWell(payloadSentence(s, f, circumstances.hasBar));
        isWell(payloadReason(s, circumstances, f));
      }),
      RUNS,
    );
    const off = fc.oneof(
      fc.record({ code: fc.constant('noWeight' as const), leftKgM: size(-0.3, 0.3) }),
      fc.record({ code: fc.constant('lighter' as const), nearestM: size(0.02, 0.2) }),
      fc.record({ code: fc.constant('longer' as const), byM: size(0, 0.6) }),
    );
    const axis = fc.constantFrom('ra' as const, 'dec' as const, 'sideways' as const);
    const ends = fc.constantFrom(...Object.values(TUBE_ENDS));
    const stated = fc.record({ code: fc.constant('stated' as const), withinM: size(0, 0.1) });
    const sayings: fc.Arbitrary<BalanceSaying> = fc.oneof(
      fc.record({ code: fc.constant('offBar' as const), off }),
      fc.record({
        code: fc.constant('move' as const),
        axis,
        name,
        moveM: size(-0.3, 0.3),
        toM: size(0, 0.5),
        why: stated,
      }),
      fc.record({ code: fc.constant('try' as const), axis, atM: size(0, 0.5), why: stated }),
      fc.record({ code: fc.constant('noWeight' as const), momentKgM: size(0, 3) }),
    );
    holds(
      fc.property(sayings, ends, formats, (s, tubeEnds, f) => {
        isWell(balanceSentence(s, f, tubeEnds, String));
        isWell(balanceReason(s, f, tubeEnds));
      }),
      RUNS,
    );
  });

  it('of the sky: hops, sweep, moon, meridian, nights that stay light', () => {
    holds(
      fc.property(timeMs, size(-80, 80), has, formats, (ms, latDeg, things, f) => {
        for (const hop of starHops(ms, { latDeg, lonDeg: 0 })) isWell(hopWords(hop));
        for (const step of sweepSteps({ latDeg, has: things, showMs: ms }, f)) isWell(step);
      }),
      100,
    );
    const span = fc.record({ fromMs: timeMs, toMs: timeMs });
    const worst = fc.record({
      timeMs,
      brighteningMag: size(0, 6),
      exposureFactor: size(1, 200),
      separationDeg: size(0, 180),
    });
    const moons = fc.record({
      litShare: size(0, 1),
      up: fc.array(span, { maxLength: 2 }),
      darkH: size(0, 14),
      worst: fc.option(worst),
    });
    const lights = fc.oneof(
      fc.record({ code: fc.constant('sunUp' as const), againMs: fc.option(timeMs) }),
      fc.record({ code: fc.constant('sunBelow' as const), dark: span }),
      fc.record({
        code: fc.constant('tooLight' as const),
        deepest: fc.constantFrom('sunset' as const, 'civil' as const, 'nautical' as const),
        span,
        againMs: fc.option(timeMs),
      }),
    );
    const meridians: fc.Arbitrary<MeridianSaying> = fc.oneof(
      lights.map((light) => ({ code: 'noDarkness' as const, light })),
      fc.record({ code: fc.constant('flip' as const), flipMs: timeMs, subNumber: fc.integer({ min: 0, max: 900 }) }),
      fc.record({
        code: fc
          .constantFrom('noTimeLeft', 'startTooLate', 'noSubFits', 'outOfTravel', 'paused', 'stopped')
          .map((c) => c as 'paused'),
        target: name,
      }),
    );
    holds(
      fc.property(moons, lights, meridians, formats, fc.boolean(), (moon, light, saying, f, camera) => {
        isWell(moonWords(moon, f, camera));
        isWell(`${skyLightValue(light, f)}. ${skyLightRests(light, f)}`);
        isWell(meridianSentence(saying, f));
      }),
      RUNS,
    );
  });
});

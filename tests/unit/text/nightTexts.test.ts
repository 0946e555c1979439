/** Words of the watch, of the flip's steps, of the ways about the meridian and of the moon. */
import type { RigHas } from '../../../src/core/rig/rigHas.ts';
import { expect } from 'chai';
import type { Watch, WatchEvent } from '../../../src/core/night/advice/watch.ts';
import type { Choice } from '../../../src/core/night/advice/strategies.ts';
import { flipSteps, type FlipBy } from '../../../src/core/night/advice/flipWalk.ts';
import type { MoonOfNight } from '../../../src/core/night/advice/moonOfNight.ts';
import { measureTapes } from '../../../src/core/rig/measureTapes.ts';
import { clearanceOfRig } from '../../../src/core/rig/clearanceOfRig.ts';
import { rigNumbers } from '../../../src/core/rig/rigNumbers.ts';
import { keptInWords, tapeWords } from '../../../src/text/clearanceWords.ts';
import { automaticLines, flipStepWords } from '../../../src/text/flipWords.ts';
import { makeFormat } from '../../../src/text/format.ts';
import {
  batteryWords,
  cardWords,
  moonWords,
  otherFirstWords,
  riskWords,
  spareWords,
} from '../../../src/text/planWords.ts';
import { runActions } from '../../../src/text/runWords.ts';
import { plain } from '../../../src/text/said.ts';
import { parts, rigs } from '../../support/records.ts';
import { countdown, countdownWords, watchReason, watchSentence } from '../../../src/text/watchWords.ts';

const WHOLE: RigHas = new Set(['camera', 'cables']);
const LOOKING: RigHas = new Set(['eye']);
const SLEWING: RigHas = new Set(['motor', 'slew', 'bar', 'flip']);
const FOLLOWING: RigHas = new Set(['motor', 'flip']);
const f = makeFormat('metric', 'Europe/Lisbon');
const imperial = makeFormat('imperial', 'Europe/Lisbon');
const isSentence = (said: string, code: string) =>
  expect(plain(said), code)
    .to.match(/^[A-Z0-9][^!]*[.?]$/)
    .and.not.match(/NaN|undefined|null/);
const T = Date.UTC(2026, 10, 24, 21, 52);

describe('words of the night as it runs', () => {
  it('watch: every moment has a sentence, every countdown its words', () => {
    const t = Date.UTC(2026, 10, 24, 21, 52);
    const events: WatchEvent[] = ['dark', 'start', 'refocus', 'flip', 'secondFlip', 'limit', 'end', 'dawn'];
    const watches: Watch[] = [
      { code: 'noTarget' },
      { code: 'noSubs' },
      { code: 'over' },
      { code: 'byEye' },
      { code: 'paused', target: 'M 33', limitMs: null },
      { code: 'paused', target: 'M 33', limitMs: t },
      { code: 'targetDue', target: 'M 33', untilMs: t, state: 'running' },
      { code: 'flipDue', latestMs: t, state: 'running' },
      ...([null, t] as const).flatMap((limitMs) =>
        [true, false].flatMap((flips): Watch[] => [
          { code: 'tubeLate', limitMs, fromMs: null, flips, state: 'running' },
          { code: 'tubeLate', limitMs, fromMs: t, flips, state: 'paused' },
        ]),
      ),
      { code: 'flipping', sinceMs: t },
      ...events.flatMap((next): Watch[] => [
        { code: 'waiting', next, untilMs: t, state: 'planned', target: null },
        { code: 'running', sub: 46, count: 150, next, untilMs: t, state: 'running', target: null },
      ]),
    ];
    for (const w of watches) {
      for (const has of [SLEWING, FOLLOWING, new Set<never>()]) {
        const said = watchSentence(w, f, has);
        isSentence(said, w.code);
        if (!has.has('slew')) expect(said, w.code).not.to.match(/send the tube/i);
        if (!has.has('bar')) expect(plain(said) + watchReason(w, false, has), w.code).not.to.match(/weights/i);
        if (!['noTarget', 'noSubs', 'byEye', 'paused'].includes(w.code)) isSentence(watchReason(w, false, has), w.code);
        if (!has.has('slew')) expect(watchReason(w, false, has), w.code).not.to.match(/power/);
      }
      const counts = 'untilMs' in w || 'sinceMs' in w || 'latestMs' in w || ('limitMs' in w && w.limitMs !== null);
      expect(countdownWords(w) !== '', w.code).to.equal(counts);
    }
    const flip: Watch = {
      code: 'running',
      sub: 1,
      count: 9,
      next: 'flip',
      untilMs: t,
      state: 'planned',
      target: null,
    };
    expect(
      [watchReason(flip, false, SLEWING), watchReason(flip, true, SLEWING)].map((s) => /right|left/.exec(s)?.[0]),
    ).to.deep.equal(['right', 'left']);
    expect([countdown(1_842_000), countdown(9_068_000), countdown(-5000), countdown(0)]).to.deep.equal([
      '30:42',
      '2:31:08',
      '0:05',
      '0:00',
    ]);
  });

  it('what may be pressed fits the moment', () => {
    const pressed = (watch: Watch, another: boolean) => runActions(watch, another).map(({ what }) => what);
    const waiting = (state: 'planned' | 'running') =>
      pressed({ code: 'waiting', next: 'start', untilMs: T, state, target: null }, false);
    expect([waiting('planned'), waiting('running')]).to.deep.equal([['started'], ['paused']]);
    const running = { code: 'running', sub: 1, count: 2, next: 'end', untilMs: T, target: null } as const;
    expect(pressed({ ...running, state: 'planned' }, true)).to.deep.equal(['paused', 'stopped', 'started']);
    expect(pressed({ ...running, state: 'running' }, false)).to.deep.equal(['paused']);
    const paused: Watch = { code: 'paused', target: 'M 33', limitMs: T };
    expect(pressed(paused, true)).to.deep.equal(['resumed', 'stopped']);
    expect([true, false].map((another) => runActions(paused, another)[1]?.button)).to.deep.equal([
      'On to the next target',
      'Done for tonight',
    ]);
    const due = (state: 'paused' | 'running'): Watch => ({ code: 'flipDue', latestMs: T, state });
    expect([pressed(due('paused'), false), pressed(due('running'), false)]).to.deep.equal([['resumed'], ['paused']]);
    const late: Watch = { code: 'tubeLate', limitMs: T, fromMs: null, flips: true, state: 'running' };
    expect([pressed(late, false), pressed({ code: 'flipping', sinceMs: T }, false)]).to.deep.equal([['stopped'], []]);
    expect(pressed({ code: 'targetDue', target: 'M 33', untilMs: T, state: 'running' }, false)).to.deep.equal([
      'targetTaken',
    ]);
  });
});

describe('words of the flip', () => {
  it('every step says what the hand does, by motors, clutches, bracket and knob', () => {
    const rigs = (['motors', 'clutches', 'bracket', 'knob'] as const satisfies readonly FlipBy[]).flatMap((by) =>
      [WHOLE, LOOKING].map((has) => ({ by, has })),
    );
    for (const { by, has } of rigs) {
      for (const step of flipSteps(by, { guided: true, eastHeavy: true, has })) {
        const words = flipStepWords(step, { by, has, guided: true }, 0.016, f);
        isSentence(words.do, `${by} ${step}`);
        isSentence(words.why, `${by} ${step}`);
        if (!has.has('camera')) expect(words.do + words.why, step).not.to.match(/subs?\b|frame|camera|[Cc]able/);
        if (by !== 'motors') expect(words.do, `${by} ${step}`).not.to.match(/switch|by itself/);
      }
    }
    const unguided = flipStepWords('stopSubs', { by: 'motors', has: WHOLE, guided: false }, 0, f);
    expect(Object.values(unguided).join(' ')).not.to.match(/guid/);
    expect(flipStepWords('biasWeight', { by: 'motors', has: WHOLE, guided: true }, 0.016, f).do).to.include(
      '16 mm inward',
    );
    expect(flipStepWords('biasWeight', { by: 'motors', has: WHOLE, guided: true }, 0.016, imperial).do).to.include(
      '0.63 in inward',
    );
    expect(flipStepWords('decThroughPole', { by: 'bracket', has: WHOLE, guided: true }, 0, f).do).to.include(
      'bracket’s declination',
    );
  });

  it('what a program is told follows from the limit', () => {
    const lines = (pastMin: number | null, waitS: number | null = null) =>
      automaticLines({ pastMin, waitS, pauseMin: 8 }, f, true);
    expect(lines(14)[0]).to.equal('Flip no later than 14 min past the meridian, at the end of a sub.');
    expect(lines(-30)[0]).to.equal('Flip 30 min before the meridian; never later.');
    expect(lines(null)[0]).to.include('not needed');
    expect([lines(1, 5)[2], lines(1)[2]].map((l) => /\d+ s/.exec(l ?? '')?.[0])).to.deep.equal(['5 s', '10 s']);
    for (const line of lines(14)) isSentence(line, line);
  });
});

describe('words of the plan', () => {
  const choice = (rest: object): Choice =>
    ({
      strategy: 'asLateAsAllowed',
      plan: { subs: [{}], flips: [{}], stopsAtLimit: false },
      spareMs: 0,
      ...rest,
    }) as Choice;

  it('a way tells the time in hand and what stands against it', () => {
    expect(spareWords(choice({}), f)).to.equal('none');
    expect(spareWords(choice({ spareMs: 720_000 }), f)).to.equal('12 min');
    expect(spareWords(choice({ spareMs: null }), f)).to.equal('no flip');
    expect(spareWords(choice({ plan: { subs: [] } }), f)).to.equal('no sub fits');
    expect(riskWords(choice({}))).to.include('late hand');
    expect(riskWords(choice({ spareMs: 720_000 }))).to.equal('');
    expect(
      riskWords(choice({ strategy: 'stopAtLimit', plan: { subs: [{}], flips: [], stopsAtLimit: true } })),
    ).to.include('stop');
    expect(riskWords(choice({ plan: { subs: [{}], flips: [{}, {}], stopsAtLimit: false } }))).to.equal('Two flips.');
    const other = { target: 'M 33', nowS: 3600, thenS: 7200, entries: [] };
    expect(otherFirstWords(other, f)).to.equal('With M 33 first: 2 h 00 of light in all instead of 1 h 00.');
    expect(otherFirstWords({ ...other, thenS: 3600 }, f)).to.include('stays the same');
  });

  it('the moon is told by what it costs', () => {
    const up = [{ fromMs: T, toMs: T + 7_200_000 }];
    const worst = { timeMs: T, brighteningMag: 2.1, exposureFactor: 6.92, separationDeg: 48 };
    const moon: MoonOfNight = { litShare: 0.98, up, darkH: 3, worst };
    expect(moonWords(moon, f, true)).to.equal(
      'Moon up 21:52 to 23:52, 48° away: up to 2.1 mag brighter there at 21:52: 7 times the exposure for the same depth. 3 h 00 without it.',
    );
    expect(moonWords(moon, f, false))
      .to.include('brighter')
      .and.not.match(/exposure/);
    expect(moonWords({ ...moon, darkH: 0 }, f, true)).to.include('No hour without it');
    expect(moonWords({ ...moon, up: [], worst: null }, f, true)).to.equal(
      'No moon in these hours: the moon, 98% lit, stays below the horizon.',
    );
    expect(moonWords({ ...moon, worst: { ...worst, brighteningMag: 0.05 } }, f, true)).to.include('hardly brighter');
  });

  it('card and battery: whether they last, and what is missing', () => {
    expect(cardWords(240, 12.5, null, f)).to.equal('240 frames take about 12.5 GB at two bytes a pixel.');
    expect(cardWords(240, 12.5, 20, f)).to.include('they fit');
    expect(cardWords(240, 12.5, 10, f)).to.include('2.5 GB more than is free');
    expect([batteryWords(null, f), batteryWords(T, f)].map((w) => w.includes('21:52'))).to.deep.equal([false, true]);
  });

  it('every tape says from where to where, and what of it is a guess', () => {
    const found = clearanceOfRig(rigNumbers(rigs[0]!, parts), 40.33)!;
    for (const tape of measureTapes(found, 40.33)) expect(tapeWords(tape, f)).to.match(/^[A-H], from .+: [\d.]+ m$/);
    const guessed = measureTapes({ ...found, unmeasured: ['tube'] }, 40.33).map((t) => tapeWords(t, f));
    expect(guessed.filter((w) => w.endsWith('a guess'))).to.have.length(2);
    for (const what of ['axes', 'tripod', 'tube', 'place'] as const) isSentence(keptInWords(what), what);
  });
});

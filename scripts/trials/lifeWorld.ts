/** Random nights with random events, and what the hand wrote of them. */
import fc from 'fast-check';
import { recordsOfNight, type AllRecords } from '../../src/core/history/nightRecords.ts';
import { byNight } from '../../src/core/history/readingIndex.ts';
import { STRATEGIES } from '../../src/core/night/advice/strategies.ts';
import { other, sideOf, toldOf } from '../../src/core/night/life/life.ts';
import { nightStatic, type NightStatic } from '../../src/core/night/nightStatic.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { MS_PER_MINUTE, toUtcText } from '../../src/core/time/utc.ts';
import { TRIAL_NOW, trialReading, trialWorld } from './demoWorld.ts';
import { evenly as finite } from './evenly.ts';

const TARGETS = ['demo-ngc281', 'demo-m33', 'demo-ngc1499'] as const;
const WHATS = [
  'started',
  'paused',
  'resumed',
  'stopped',
  'flipBegun',
  'flip',
  'legsMoved',
  'targetTaken',
  'skipped',
] as const;
type What = (typeof WHATS)[number];

export const lifeNights = fc.record({
  latDeg: fc.constantFrom(40.33, 55, -22.75),
  date: fc.constantFrom('2026-11-24', '2026-02-10', '2026-09-05'),
  targets: fc.array(
    fc.record({
      raJ2000Deg: finite(0, 359),
      decJ2000Deg: finite(-40, 80),
      strategy: fc.constantFrom(...STRATEGIES),
      subS: fc.constantFrom(60, 300, 900),
      count: fc.option(fc.integer({ min: 1, max: 60 })),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  mountLimitH: fc.option(finite(-0.5, 2)),
  events: fc.array(
    fc.record({
      // What stops the night early leaves little to look at.
      what: fc.oneof(
        { weight: 6, arbitrary: fc.constantFrom(...WHATS.filter((w) => w !== 'stopped')) },
        { weight: 1, arbitrary: fc.constant<What>('stopped') },
      ),
      share: finite(0, 1),
      target: fc.integer({ min: 0, max: 2 }),
      doubled: fc.boolean(),
      backMin: fc.oneof({ weight: 5, arbitrary: fc.constant(0) }, { weight: 1, arbitrary: finite(1, 70) }),
      saysSide: fc.boolean(),
    }),
    { minLength: 2, maxLength: 14 },
  ),
});
export type LifeNight = typeof lifeNights extends fc.Arbitrary<infer T> ? T : never;

/** With the night's targets, and events of it. */
export function worldOf(w: LifeNight, readings: readonly Reading[]): AllRecords {
  const world = trialWorld({
    site: { latDeg: w.latDeg },
    mount: (m) => ({ ...m, pastMeridianLimitH: w.mountLimitH }),
  });
  const [entry] = world.nights[0]?.plan ?? [];
  if (!entry) throw new Error('the night has no plan');
  const plan = w.targets.map(({ strategy, subS, count }, i) => ({
    ...entry,
    strategy,
    subS,
    count,
    refocusEveryMin: null,
    ditherEvery: 0,
    targetId: TARGETS[i] ?? TARGETS[0],
  }));
  return {
    ...world,
    readings: byNight(readings),
    nights: world.nights.map((n) => ({ ...n, eveningDate: w.date, plan })),
    targets: world.targets.map((t) => {
      const at = w.targets[TARGETS.indexOf(t.id as (typeof TARGETS)[number])];
      return at ? { ...t, raJ2000Deg: at.raJ2000Deg, decJ2000Deg: at.decJ2000Deg } : t;
    }),
  };
}

export function nightOf(world: AllRecords, readings: readonly Reading[]): NightStatic {
  const records = recordsOfNight({ ...world, readings: byNight(readings) }, 'n1', TRIAL_NOW);
  if (!records) throw new Error('the night is missing');
  return nightStatic(records);
}

const ELSEWHERE: readonly What[] = ['started', 'stopped', 'targetTaken', 'skipped'];

/** `wrongClock`: the clock stood back when it was written. */
export type Done = {
  what: What;
  atMs: number;
  target: number;
  wrongClock: boolean;
  saysSide: boolean;
  readings: Reading[];
};

/** As the hand does them, in order of time; each with what was written of it. */
export function doneOf(w: LifeNight, [fromMs, toMs]: readonly [number, number]): Done[] {
  const sorted = [...w.events].sort((a, b) => a.share - b.share);
  let [seq, begunMs] = [0, 0];
  return sorted.map(({ what, share, target: raw, doubled, backMin, saysSide }): Done => {
    const target = raw % w.targets.length;
    const atMs = fromMs + share * (toMs - fromMs);
    const clockMs = atMs - backMin * MS_PER_MINUTE;
    if (what === 'flipBegun') begunMs = clockMs;
    // Whoever went elsewhere meanwhile does not end the flip of before.
    if (ELSEWHERE.includes(what)) begunMs = 0;
    const write = (tab: number): Reading => {
      seq += 1;
      const head = {
        id: `life-${seq}`,
        seq,
        step: 'watch',
        subject: { type: 'night', id: 'n1' },
        takenAtUtc: toUtcText(clockMs + tab * 900),
        recordedAtUtc: toUtcText(clockMs + tab * 900),
      } as const;
      if (what === 'flip') {
        const startMs = begunMs > 0 && saysSide ? begunMs : clockMs;
        const minutes = Math.max(0, (clockMs - startMs) / MS_PER_MINUTE);
        const values = { atUtc: toUtcText(startMs), minutes, missEastArcmin: null, missNorthArcmin: null };
        return trialReading('flip', values, 0, head);
      }
      const targetId = TARGETS[target] ?? TARGETS[0];
      const speaks = what !== 'flipBegun' && what !== 'legsMoved';
      return trialReading('event', { what, ...(speaks && { targetId }) }, 0, head);
    };
    const readings = doubled ? [write(0), write(1)] : [write(0)];
    if (what === 'flip') begunMs = 0;
    return { what, atMs, target, wrongClock: backMin > 0, saysSide, readings };
  });
}

/** A flip as it is written: with the side that the tube is on since, by the state in which the hand found the night. Old records
 *  have none, which only a clock that stands right makes up for. */
export function writtenIn(before: NightStatic, done: Done): Done {
  const stood = sideOf(toldOf(before.life));
  if (stood === null || !(done.saysSide || done.wrongClock)) return done;
  const readings = done.readings.map((r): Reading =>
    r.kind === 'flip' ? { ...r, values: { ...r.values, to: other(stood) } } : r,
  );
  return { ...done, readings };
}

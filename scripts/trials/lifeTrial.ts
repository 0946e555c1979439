/** Random nights as they may go: events of all kinds, at any minute, doubled, recorded by a clock that stood wrong, in two tabs.
 *  At every minute the tube is clear or it is told; what was taken stays taken. The tube itself is followed by hand here, from
 *  what was done and not from what the night makes of it. */
import fc from 'fast-check';
import { isDeepStrictEqual } from 'node:util';
import type { AllRecords } from '../../src/core/history/nightRecords.ts';
import { watchAt } from '../../src/core/night/advice/watch.ts';
import { other, sideOf, toldOf } from '../../src/core/night/life/life.ts';
import { nightAsOf, type NightStatic } from '../../src/core/night/nightStatic.ts';
import { subAt, type MountSide, type PlanInput, type Sub } from '../../src/core/night/plan/plan.ts';
import type { Reading } from '../../src/core/records/reading.ts';
import { MS_PER_MINUTE } from '../../src/core/time/utc.ts';
import { trialReading } from './demoWorld.ts';
import { doneOf, lifeNights, nightOf, worldOf, writtenIn, type Done, type LifeNight } from './lifeWorld.ts';
import { everyCase } from './trial.ts';

function check(condition: boolean, what: string): void {
  if (!condition) throw new Error(what);
}

/** Where the tube really is. */
type Tube = { leg: number; side: MountSide | null; stopped: boolean };

/** Sub that runs, as one is told, puts the tube where it is taken, while nobody moved it since. */
function followSubs(tube: Tube, night: NightStatic, timeMs: number): void {
  if (tube.side !== null || watchAt(night, timeMs).code !== 'running') return;
  const now = nightAsOf(night, timeMs);
  now.legs.forEach(({ plan }, leg) => {
    const index = plan ? subAt(plan.subs, timeMs) : null;
    if (index !== null) Object.assign(tube, { leg, side: plan?.subs[index]?.side ?? null });
  });
}

/** Where nobody can know where the tube is: the subs begin anew, or by a clock that stood wrong none had run yet. */
function isForgotten({ what, wrongClock }: Done, before: NightStatic, after: NightStatic): boolean {
  const begins = what === 'started' && before.life.stage === 'planned';
  return begins || (wrongClock && sideOf(toldOf(after.life)) === null);
}

/** The tube's own account of an event. */
function move(tube: Tube, done: Done, before: NightStatic, after: NightStatic): void {
  const { what, target } = done;
  if (tube.stopped) return;
  if (what === 'flip' && tube.side !== null) tube.side = other(tube.side);
  // A mount that is sent to another target chooses its side: the one of its first sub there.
  const sent = after.life.leg !== before.life.leg;
  if (sent && (what === 'targetTaken' || what === 'started')) {
    check(after.life.leg === target, 'it was sent to another target');
    Object.assign(tube, { leg: target, side: null });
  }
  tube.stopped = after.life.stage === 'stopped';
  check(!tube.stopped || what === 'stopped' || what === 'skipped', `${what} stops the night`);
  if (isForgotten(done, before, after)) tube.side = null;
}

/** Clear where its side is free at this moment, by the windows that the night is laid in. */
function isClear({ leg, side }: Tube, night: NightStatic, timeMs: number): boolean {
  const windows = night.legs[leg]?.windows;
  return (
    side === null || !windows || windows.some((win) => win.side === side && win.fromMs <= timeMs && timeMs < win.toMs)
  );
}

const SAYS_SO: readonly string[] = ['tubeLate', 'flipDue', 'flipping'];

function minuteHolds(tube: Tube, night: NightStatic, timeMs: number): void {
  const watch = watchAt(night, timeMs);
  const at = `${((timeMs - night.sky.events.startMs) / 3_600_000).toFixed(2)} h after noon`;
  if (!tube.stopped && !isClear(tube, night, timeMs))
    check(SAYS_SO.includes(watch.code), `at ${at} the tube is past its limit, and one reads ${watch.code}`);
  if (watch.code !== 'running') return;
  check(!tube.stopped, `at ${at} a sub runs on a mount that was stopped`);
  check(isClear(tube, night, timeMs), `at ${at} a sub runs where the tube may not stand`);
  const now = nightAsOf(night, timeMs);
  const sides = now.legs
    .flatMap(({ plan }) => plan?.subs.filter((s) => s.startMs <= timeMs && s.endMs > timeMs) ?? [])
    .map((s) => s.side);
  check(sides.length === 1, `at ${at} ${sides.length} subs run`);
  check(
    tube.side === null || !night.flips || sides[0] === tube.side,
    `at ${at} a sub runs on the side where the tube is not`,
  );
}

const endedBy = (night: NightStatic, timeMs: number): Sub[][] =>
  night.legs.map(({ plan }) => plan?.subs.filter((s) => s.endMs <= timeMs) ?? []);

/** Before an event and after it: past subs stay, counts agree. */
function eventHolds(done: Done, before: NightStatic, after: NightStatic): void {
  const timeMs = Math.max(before.life.lastMs, Math.min(...done.readings.map((r) => Date.parse(r.takenAtUtc))));
  const seen = endedBy(nightAsOf(before, timeMs), timeMs);
  const starts = done.what === 'started' && before.life.stage === 'planned';
  if (!starts)
    check(isDeepStrictEqual(endedBy(nightAsOf(after, timeMs), timeMs), seen), `${done.what}: a past sub has changed`);
  after.legs.forEach(({ plan, entry }, i) => {
    const { kept = [], lost = [] } = after.life.told[i] ?? {};
    const subs = plan?.subs ?? [];
    check(
      kept.every((s, n) => isDeepStrictEqual(s, subs[n])),
      `${done.what}: what was kept is not in the plan`,
    );
    check(subs.length <= Math.max(entry?.count ?? Infinity, kept.length), `${done.what}: more subs than wanted`);
    check(
      lost.every((l) => kept.every((k) => k.endMs <= l.startMs || k.startMs >= l.endMs)),
      `${done.what}: a sub is kept and lost`,
    );
  });
}

/** Gone on with in the dark, with a side that is free long enough, there are subs to come. */
function resumedHolds(after: NightStatic): void {
  const { life } = after;
  const { plan, planInput: input } = after.legs[life.leg] ?? {};
  const told = toldOf(life);
  if (life.stage !== 'running' || !plan || !input || told.overMs !== null) return;
  const left = (input.count ?? Infinity) - told.kept.length;
  const fromMs = Math.max(input.startMs, life.fromMs);
  if (left <= 0 || !isFree(input, fromMs) || input.strategy === 'stopAtLimit') return;
  check(
    plan.subs.some((s) => s.startMs >= fromMs),
    'going on in the dark nothing is laid',
  );
}

/** A side on which it is to be taken is free for a flip there and back and a sub. */
function isFree({ windows, endMs, flipMinutes, subS, strategy }: PlanInput, fromMs: number): boolean {
  const needMs = (2 * flipMinutes * 60 + subS) * 1000;
  const free = windows ?? [{ side: 'after' as const, fromMs: -Infinity, toMs: Infinity }];
  const wanted = free.filter(({ side }) => strategy !== 'startAfter' || side === 'after');
  return wanted.some((w) => Math.min(w.toMs, endMs) - Math.max(w.fromMs, fromMs) >= needMs);
}

const laidIn = ({ legs }: NightStatic) =>
  legs.map(({ plan, state, slot, overMs, dueMs }) => ({ plan, state, slot, overMs, dueMs }));

/** The last event taken back, all is as before it. */
function undoHolds(world: AllRecords, before: readonly Reading[], done: Done): void {
  const [first] = done.readings;
  if (!first) return;
  const back = trialReading('retract', { readingId: first.id }, 0, {
    id: `${first.id}-back`,
    takenAtUtc: first.takenAtUtc,
    recordedAtUtc: first.recordedAtUtc,
    step: 'watch',
    subject: { type: 'night', id: 'n1' },
  });
  const [undone, was] = [nightOf(world, [...before, first, back]), nightOf(world, before)];
  check(
    isDeepStrictEqual(undone.life, was.life) && isDeepStrictEqual(laidIn(undone), laidIn(was)),
    `${done.what} taken back is not as before`,
  );
}

/** @param seen what was met: a trial of nights in which nothing is late says nothing. */
export function lifeHolds(w: LifeNight, seen: Record<string, number>): void {
  const world = worldOf(w, []);
  let night = nightOf(world, []);
  const { dark, sky } = night;
  if (!dark) return;
  const endMs = sky.events.twilight.sunset.dawnMs ?? dark.toMs;
  const all = doneOf(w, [dark.fromMs - 3_600_000, dark.toMs]);
  const tube: Tube = { leg: 0, side: null, stopped: false };
  let written: Reading[] = [];
  let next = 0;
  for (let timeMs = dark.fromMs - 3_600_000; timeMs < endMs; timeMs += MS_PER_MINUTE) {
    for (let event = all[next]; event && event.atMs <= timeMs; event = all[next]) {
      next += 1;
      const before = night;
      const done = writtenIn(before, event);
      const had = written;
      written = [...written, ...done.readings];
      night = nightOf(world, written);
      eventHolds(done, before, night);
      if (done.what === 'resumed') resumedHolds(night);
      if (next === all.length) undoHolds(world, had, done);
      move(tube, done, before, night);
    }
    followSubs(tube, night, timeMs);
    minuteHolds(tube, night, timeMs);
    const { code } = watchAt(night, timeMs);
    seen[code] = (seen[code] ?? 0) + 1;
  }
}

export const lifeTrial = everyCase(
  'life',
  'at every minute of a night with random events the tube is clear or one is told to stop or flip; what was taken stays; undone is as before',
  4000,
  () => fc.property(lifeNights, (w) => lifeHolds(w, {})) as fc.IRawProperty<unknown>,
  0.01,
);

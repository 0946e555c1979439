/** Plans of random nights: where subs may run, what a wider limit does, and that what is past stays. */
import fc from 'fast-check';
import { laidOf } from '../../src/core/night/life/laid.ts';
import { liveOf } from '../../src/core/night/life/life.ts';
import { planSubs, type PlanInput, type SideWindow } from '../../src/core/night/plan/plan.ts';
import { STRATEGIES } from '../../src/core/night/advice/strategies.ts';
import { evenly as finite } from './evenly.ts';

const HOUR_MS = 3_600_000;
const SLACK_MS = 1e-3;

function check(condition: boolean, what: string): void {
  if (!condition) throw new Error(what);
}

/** Both sides about an upper transit and once more about the next, as a target that never sets has them. */
const windows: fc.Arbitrary<SideWindow[]> = fc
  .record({
    transitH: finite(-14, 16),
    limitH: finite(-2, 3),
    earliestH: finite(-1, 2),
    secondH: finite(11, 15),
    againH: finite(-14, -10),
  })
  .map(({ transitH, limitH, earliestH, secondH, againH }) =>
    [0, 24].flatMap((turnH): SideWindow[] => {
      const at = (haH: number): number => (transitH + turnH + haH) * HOUR_MS;
      return [
        { side: 'before', fromMs: at(againH), toMs: at(limitH), crossingMs: at(0) },
        { side: 'after', fromMs: at(earliestH), toMs: at(secondH), crossingMs: at(12) },
      ];
    }),
  );

export const plans: fc.Arbitrary<PlanInput> = fc.record({
  startMs: fc.constant(0),
  endMs: finite(0, 14).map((h) => h * HOUR_MS),
  subS: finite(20, 900),
  gapS: finite(0, 60),
  count: fc.option(fc.integer({ min: 1, max: 400 })),
  windows: fc.option(windows),
  standsOn: fc.constant(null),
  flipMinutes: finite(1, 20),
  refocus: fc.option(fc.record({ everyMin: finite(5, 120), minutes: finite(1, 6) })),
  reset: fc.option(fc.record({ everyMin: finite(20, 90), minutes: finite(1, 5) })),
  dither: fc.option(fc.record({ everySubs: fc.integer({ min: 1, max: 5 }), seconds: finite(2, 30) })),
  strategy: fc.constantFrom(...STRATEGIES),
});

/** Every sub within the night and within a window of its side; none over another, a flip or a break. */
export function planHolds(input: PlanInput): void {
  const { subs, flips, breaks } = planSubs(input);
  const between = [...flips, ...breaks];
  subs.forEach((sub, i) => {
    check(sub.startMs >= input.startMs - SLACK_MS && sub.endMs <= input.endMs + SLACK_MS, 'a sub leaves the night');
    const free = input.windows?.some(
      (w) => w.side === sub.side && sub.startMs >= w.fromMs - SLACK_MS && sub.endMs <= w.toMs + SLACK_MS,
    );
    check(free ?? true, 'a sub runs where the tube may not stand');
    check(
      between.every((b) => sub.endMs <= b.startMs + SLACK_MS || sub.startMs >= b.endMs - SLACK_MS),
      'a sub runs over a flip or a break',
    );
    const previous = subs[i - 1];
    if (!previous) return;
    check(sub.startMs >= previous.endMs - SLACK_MS, 'two subs overlap');
    const over = flips.some((f) => f.startMs >= previous.endMs - SLACK_MS && f.endMs <= sub.startMs + SLACK_MS);
    check(sub.side === previous.side || over, 'the tube changes its side without a flip');
  });
  check(subs.length <= (input.count ?? Infinity), 'more subs than wanted');
  for (const flip of flips)
    check(
      input.windows?.some((w) => flip.startMs >= w.fromMs - SLACK_MS && flip.startMs < w.toMs) === true,
      'a flip begins while the side it leads to is not free',
    );
}

/** The limit before the flip stands later by so many hours. */
export function lightNeverFalls(input: PlanInput, byH: number): void {
  const wider = input.windows?.map((w) => (w.side === 'before' ? { ...w, toMs: w.toMs + byH * HOUR_MS } : w)) ?? null;
  const [then, now] = [planSubs({ ...input, windows: wider }), planSubs(input)];
  check(then.integrationS >= now.integrationS - 1e-6, 'a wider limit costs light');
}

/** Paused and gone on: every sub that had ended is still there. */
export function replanHolds(input: PlanInput, pauseH: number, forH: number): void {
  const first = planSubs(input);
  const pausedMs = pauseH * HOUR_MS;
  const { subS, windows } = input;
  const course = { targetId: 'one', subS, windows, inputFrom: () => input };
  const life = liveOf(
    [course],
    [
      { what: 'paused', timeMs: pausedMs, targetId: null },
      { what: 'resumed', timeMs: pausedMs + forH * HOUR_MS, targetId: null },
    ],
  );
  const plan = laidOf(life, 0, { input, subS }, null)?.plan ?? first;
  // Behind a flip that nobody recorded nothing was taken.
  const flipMs = first.flips[0]?.startMs ?? Infinity;
  const past = first.subs.filter((s) => s.endMs <= Math.min(pausedMs, flipMs));
  const kept = plan.subs.slice(0, past.length);
  check(
    kept.length === past.length && kept.every((s, i) => s.startMs === past[i]?.startMs && s.side === past[i].side),
    'a sub that was taken has moved',
  );
  check(
    plan.subs.slice(past.length).every((s) => s.startMs >= pausedMs + forH * HOUR_MS - SLACK_MS),
    'a sub runs in the pause',
  );
}

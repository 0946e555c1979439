/** Events of a night and the courses they run on, for the one state of the night. */
import type { LifeEvent } from '../../src/core/night/life/events.ts';
import { laidOf } from '../../src/core/night/life/laid.ts';
import { inputOfTurn, liveOf, toldOf, type Course } from '../../src/core/night/life/life.ts';
import type { PlanInput, SideWindow } from '../../src/core/night/plan/plan.ts';

export const HOUR = 3_600_000;
export const MIN = 60_000;

/** The two sides about a transit. */
export const WINDOWS: SideWindow[] = [
  { side: 'before', fromMs: -8 * HOUR, toMs: 4.5 * HOUR, crossingMs: 4 * HOUR },
  { side: 'after', fromMs: 4 * HOUR, toMs: 16 * HOUR, crossingMs: 16 * HOUR },
];
export const base: PlanInput = {
  startMs: 0,
  endMs: 8 * HOUR,
  subS: 120,
  gapS: 5,
  count: null,
  windows: WINDOWS,
  standsOn: null,
  flipMinutes: 12,
  refocus: null,
  reset: null,
  dither: null,
  strategy: 'endOfCrossingSub',
};
export const CHANGE_MS = 12 * MIN;
export const courseOf = (targetId: string, input: PlanInput): Course => ({
  targetId,
  subS: input.subS,
  windows: input.windows,
  inputFrom: (freeMs) => ({ ...input, startMs: Math.max(input.startMs, freeMs) }),
});

export const said = (
  what: Exclude<LifeEvent['what'], 'flipped' | 'flipBegun' | 'legsMoved'>,
  timeMs: number,
  targetId: string | null = null,
): LifeEvent => ({ what, timeMs, targetId });
export const begun = (timeMs: number): LifeEvent => ({ what: 'flipBegun', timeMs });
export const flip = (
  startMs: number,
  endMs: number,
  rest: { to?: 'before' | 'after'; timeMs?: number } = {},
): LifeEvent => ({
  what: 'flipped',
  timeMs: rest.timeMs ?? endMs,
  startMs,
  endMs,
  to: rest.to ?? null,
});

export function lived(events: LifeEvent[], input = base, nowMs: number | null = null) {
  const courses = [courseOf('one', input)];
  const life = liveOf(courses, events);
  const { plan, ...laid } = laidOf(life, 0, { input: inputOfTurn(courses[0], toldOf(life)), subS: input.subS }, nowMs)!;
  return { life, plan, ...laid };
}

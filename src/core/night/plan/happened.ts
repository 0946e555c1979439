/** The plan as the night went: what was started, paused and flipped is as it was; only what is to come is laid anew. */
import type { Reading } from '../../records/reading.ts';
import { MS_PER_MINUTE } from '../../time/utc.ts';
import { planSubs, type Flip, type MountSide, type Plan, type PlanInput } from './plan.ts';

export type Happening =
  | { what: 'started' | 'paused' | 'resumed' | 'stopped'; timeMs: number }
  | { what: 'flipped'; timeMs: number; endMs: number };

/** In order of time. */
export function happeningsOf(readings: readonly Reading[]): Happening[] {
  const all = readings.flatMap((r): Happening[] => {
    if (r.kind === 'flip') {
      const timeMs = Date.parse(r.values.atUtc);
      return [{ what: 'flipped', timeMs, endMs: timeMs + r.values.minutes * MS_PER_MINUTE }];
    }
    if (r.kind !== 'event') return [];
    const { what } = r.values;
    const isOfSubs = what === 'started' || what === 'paused' || what === 'resumed' || what === 'stopped';
    return isOfSubs ? [{ what, timeMs: Date.parse(r.takenAtUtc) }] : [];
  });
  return all.sort((a, b) => a.timeMs - b.timeMs);
}

export type Lived = {
  plan: Plan;
  /** `planned`: by the clock, nobody said that it began. `paused`: nothing runs until it is said to go on. */
  state: 'planned' | 'running' | 'paused' | 'stopped';
  /** Of what happened, what belongs to the targets that follow. */
  rest: readonly Happening[];
};

/** `cameTo`: the side on which the tube was put while nothing ran. */
type State = Pick<Lived, 'plan' | 'state'> & { cameTo: MountSide | null; flipsDone: readonly Flip[] };

const other = (side: MountSide): MountSide => (side === 'before' ? 'after' : 'before');

/** Where the tube stands by the plan at a moment; null before the first sub. */
const sideAt = ({ subs }: Plan, timeMs: number): MountSide | null =>
  subs.findLast((s) => s.startMs <= timeMs)?.side ?? null;

/** What ended before a moment stays; behind it comes what is laid anew, or nothing. */
function joined(input: PlanInput, { plan, flipsDone }: State, cutMs: number, rest: Plan | null): Plan {
  const kept = plan.subs.filter((s) => s.endMs <= cutMs);
  const subs = [...kept, ...(rest?.subs ?? [])];
  return {
    subs,
    flips: [...flipsDone, ...(rest?.flips ?? [])],
    refocus: [...plan.refocus.filter((r) => r.endMs <= cutMs), ...(rest?.refocus ?? [])],
    limitMs: rest?.limitMs ?? null,
    stopsAtLimit: rest?.stopsAtLimit ?? false,
    integrationS: subs.length * input.subS,
  };
}

/** Lays what is to come from a moment on, behind what ended before another. */
function goOn(input: PlanInput, state: State, cutMs: number, fromMs: number, standsOn: MountSide | null): State {
  const taken = state.plan.subs.filter((s) => s.endMs <= cutMs).length;
  const count = input.count === null ? null : input.count - taken;
  const rest = count === null || count > 0 ? planSubs({ ...input, startMs: fromMs, standsOn, count }) : null;
  return { ...state, plan: joined(input, state, cutMs, rest), state: 'running', cameTo: null };
}

/** The planned flip that a flip stands for: the first that nobody has done yet. */
const dueFlip = ({ plan }: State): Flip | undefined => plan.flips.find((f) => !f.done);

function flipped(input: PlanInput, state: State, timeMs: number, endMs: number): State {
  const due = dueFlip(state);
  // What a plan laid behind its own flip was not taken, as long as the tube had not gone over.
  const cutMs = Math.min(timeMs, due?.startMs ?? timeMs);
  const stood = state.cameTo ?? sideAt(state.plan, cutMs);
  if (stood === null) return state;
  const done = { startMs: timeMs, endMs, latestMs: due?.latestMs ?? state.plan.limitMs ?? timeMs, done: true };
  const now = { ...state, flipsDone: [...state.flipsDone, done] };
  if (state.state !== 'paused') return goOn(input, now, cutMs, endMs, other(stood));
  return { ...now, plan: joined(input, now, cutMs, null), cameTo: other(stood) };
}

function after(input: PlanInput, state: State, one: Happening): State {
  const { timeMs } = one;
  switch (one.what) {
    case 'started':
      // Nothing was taken until then, whatever the plan had laid.
      if (state.state === 'planned') return goOn(input, state, -Infinity, timeMs, null);
      return state.state === 'paused' ? after(input, state, { what: 'resumed', timeMs }) : state;
    case 'resumed':
      return state.state === 'paused'
        ? goOn(input, state, timeMs, timeMs, state.cameTo ?? sideAt(state.plan, timeMs))
        : state;
    case 'paused':
    case 'stopped':
      return { ...state, plan: joined(input, state, timeMs, null), state: one.what };
    case 'flipped':
      return flipped(input, state, timeMs, one.endMs);
  }
}

/** Lays the plan and goes through what happened to it, until it was over.
 *  @param isLast no other target follows, so that whatever comes later is still of this one. */
export function livedPlan(input: PlanInput, happenings: readonly Happening[], isLast: boolean): Lived {
  let now: State = { plan: planSubs(input), state: 'planned', cameTo: null, flipsDone: [] };
  for (const [i, one] of happenings.entries()) {
    const overMs = now.plan.subs.at(-1)?.endMs ?? input.endMs;
    const isOver = now.state === 'stopped' || (now.state !== 'paused' && one.timeMs >= overMs);
    if (isOver && !isLast) return { plan: now.plan, state: now.state, rest: happenings.slice(i) };
    now = after(input, now, one);
  }
  return { plan: now.plan, state: now.state, rest: [] };
}

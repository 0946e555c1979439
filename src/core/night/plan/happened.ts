/** The plan as the night went: what was started, paused and flipped is as it was; only what is to come is laid anew. */
import type { Reading } from '../../records/reading.ts';
import { MS_PER_MINUTE } from '../../time/utc.ts';
import { planSubs, type Flip, type MountSide, type Plan, type PlanInput } from './plan.ts';

/** `targetId`: of which target; absent = of the one whose turn it was. */
export type Happening =
  | { what: 'started' | 'paused' | 'resumed' | 'stopped'; timeMs: number; targetId?: string }
  | { what: 'flipped'; timeMs: number; endMs: number };

/** In order of time. */
export function happeningsOf(readings: readonly Reading[]): Happening[] {
  const all = readings.flatMap((r): Happening[] => {
    if (r.kind === 'flip') {
      const timeMs = Date.parse(r.values.atUtc);
      return [{ what: 'flipped', timeMs, endMs: timeMs + r.values.minutes * MS_PER_MINUTE }];
    }
    if (r.kind !== 'event') return [];
    const { what, targetId } = r.values;
    const isOfSubs = what === 'started' || what === 'paused' || what === 'resumed' || what === 'stopped';
    const timeMs = Date.parse(r.takenAtUtc);
    return isOfSubs ? [{ what, timeMs, ...(targetId === undefined ? {} : { targetId }) }] : [];
  });
  return all.sort((a, b) => a.timeMs - b.timeMs);
}

export type Lived = {
  plan: Plan;
  /** `planned`: by the clock, nobody said that it began. `paused`: nothing runs until it is said to go on. */
  state: 'planned' | 'running' | 'paused' | 'stopped';
  /** From when on the mount is free for the next target: after the last sub, or when this one was said to be done; while it is
   *  paused, as it had been planned. Null where nothing was laid. */
  overMs: number | null;
  /** Of what happened, what belongs to the targets that follow. */
  rest: readonly Happening[];
};

/** `cameTo`: the side on which the tube was put while nothing ran. */
type State = Pick<Lived, 'plan' | 'state' | 'overMs'> & { cameTo: MountSide | null; flipsDone: readonly Flip[] };

const endOf = ({ subs }: Plan): number | null => subs.at(-1)?.endMs ?? null;

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
  const plan = joined(input, state, cutMs, rest);
  return { ...state, plan, state: 'running', overMs: endOf(plan), cameTo: null };
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
    case 'stopped': {
      const overMs = one.what === 'stopped' ? timeMs : state.overMs;
      return { ...state, plan: joined(input, state, timeMs, null), state: one.what, overMs };
    }
    case 'flipped':
      return flipped(input, state, timeMs, one.endMs);
  }
}

/** Whose turn it is. */
export type Turn = {
  targetId: string;
  /** The targets that follow. */
  later: ReadonlySet<string>;
};

/** True when what happened ends this target's turn: it comes after the last sub, or is of a target that follows. */
function endsTurn({ state, overMs }: State, one: Happening, { targetId, later }: Turn): boolean {
  if (later.size === 0) return false;
  if ('targetId' in one && one.targetId !== targetId) return later.has(one.targetId);
  return state === 'stopped' || (state !== 'paused' && one.timeMs >= (overMs ?? Infinity));
}

/** Of a target that is not in the plan any more. */
const isOfNobody = (one: Happening, { targetId, later }: Turn): boolean =>
  'targetId' in one && one.targetId !== targetId && !later.has(one.targetId);

/** Lays the plan and goes through what happened to it, until its turn was over. */
export function livedPlan(input: PlanInput, happenings: readonly Happening[], turn: Turn): Lived {
  const planned = planSubs(input);
  let now: State = { plan: planned, state: 'planned', overMs: endOf(planned), cameTo: null, flipsDone: [] };
  const lived = (rest: readonly Happening[]): Lived => ({ plan: now.plan, state: now.state, overMs: now.overMs, rest });
  for (const [i, one] of happenings.entries()) {
    if (isOfNobody(one, turn)) continue;
    if (endsTurn(now, one, turn)) {
      // Another target was begun while this one ran: from then on it is over.
      if (one.timeMs < (now.overMs ?? -Infinity)) now = after(input, now, { what: 'stopped', timeMs: one.timeMs });
      return lived(happenings.slice(i));
    }
    now = after(input, now, one);
  }
  return lived([]);
}

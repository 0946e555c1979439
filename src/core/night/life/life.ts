/** The one state of a night: which target the mount looks at, on which side the tube stands, what was taken, what is going on.
 *  Made from the night's events alone, one after the other; what comes twice or too late changes nothing. */
import { MS_PER_MINUTE } from '../../time/utc.ts';
import {
  planSubs,
  type Flip,
  type MountSide,
  type Plan,
  type PlanInput,
  type SideWindow,
  type Sub,
} from '../plan/plan.ts';
import type { LifeEvent } from './events.ts';

/** One target of the night, as its subs are laid. */
export type Course = {
  targetId: string;
  subS: number;
  /** Where the tube may stand; null for mounts that never flip. */
  windows: readonly SideWindow[] | null;
  /** From when the mount is free for it; null where no time is left. */
  inputFrom: (freeFromMs: number) => PlanInput | null;
};

export type Told = {
  /** Subs that ended, and those that were broken off. */
  kept: readonly Sub[];
  lost: readonly Sub[];
  breaks: Plan['breaks'];
  /** Those that were recorded. */
  flips: readonly Flip[];
  /** When the mount was free for it; null = as planned. */
  freeFromMs: number | null;
  /** When its turn was over, as it was said; null = not yet, -Infinity = it was left out. */
  overMs: number | null;
};

/** `planned`: by the clock, nobody said that it began. `paused`: nothing runs until it is said to go on. */
export type Stage = 'planned' | 'running' | 'paused' | 'stopped';

export type Life = {
  stage: Stage;
  /** Index of the target that the mount looks at. */
  leg: number;
  /** Since when the tube is on its way over; null = it is not. */
  flipSinceMs: number | null;
  /** From when on the rest is laid; -Infinity = as planned. */
  fromMs: number;
  /** Per target, in their order. */
  told: readonly Told[];
  /** Of the last event; -Infinity before the first. */
  lastMs: number;
};

const NOTHING_TOLD: Told = {
  kept: [],
  lost: [],
  breaks: [],
  flips: [],
  freeFromMs: null,
  overMs: null,
};

/** The first target that has time is the first that the mount looks at. */
export const beginning = (courses: readonly Course[]): Life => ({
  stage: 'planned',
  leg: Math.max(
    0,
    courses.findIndex(({ inputFrom }) => inputFrom(-Infinity) !== null),
  ),
  flipSinceMs: null,
  fromMs: -Infinity,
  told: courses.map(() => NOTHING_TOLD),
  lastMs: -Infinity,
});

export const other = (side: MountSide): MountSide => (side === 'before' ? 'after' : 'before');

type Seen = { timeMs: number; side: MountSide };

/** Where the tube stands by what was taken and recorded; null while nobody knows. */
export function sideOf({ kept, lost, flips }: Pick<Told, 'kept' | 'lost' | 'flips'>): MountSide | null {
  const seen: Seen[] = [
    ...[...kept, ...lost].map(({ startMs, side }) => ({ timeMs: startMs, side })),
    ...flips.map(({ startMs, to }) => ({ timeMs: startMs, side: to })),
  ];
  return (
    seen.reduce<Seen | null>((last, one) => (last === null || one.timeMs >= last.timeMs ? one : last), null)?.side ??
    null
  );
}

export const toldOf = (life: Life, index = life.leg): Told => life.told[index] ?? NOTHING_TOLD;

/** Changes what was told of a target. */
function telling(life: Life, index: number, change: Partial<Told>): Life {
  return { ...life, told: life.told.map((told, i) => (i === index ? { ...told, ...change } : told)) };
}

/** A flip that is going on is done when flips of this rig usually are, or now when that has passed. */
export const flipEndMs = (life: Life, { flipMinutes }: PlanInput): number =>
  (life.flipSinceMs ?? -Infinity) + flipMinutes * MS_PER_MINUTE;

/** The rest of the target that the mount looks at, as it is laid from the state on. @param input as it stands for it. */
export function layRest(life: Life, input: PlanInput): Plan {
  const told = toldOf(life);
  const side = sideOf(told);
  const count = input.count === null ? null : Math.max(0, input.count - told.kept.length);
  const flipping = life.flipSinceMs !== null && side !== null;
  return planSubs({
    ...input,
    startMs: Math.max(input.startMs, life.fromMs, flipEndMs(life, input)),
    standsOn: flipping ? other(side) : side,
    count,
    endMs: count === 0 ? -Infinity : input.endMs,
  });
}

/** What a target is laid from while the mount looks at it. */
export const inputOfTurn = (course: Course | undefined, told: Told): PlanInput | null =>
  course === undefined ? null : course.inputFrom(told.freeFromMs ?? -Infinity);

/** Until when the laid subs need no hand: the first flip that nobody recorded. */
export const firstFlipMs = ({ flips }: Pick<Plan, 'flips'>): number => flips[0]?.startMs ?? Infinity;

/** Ends what is laid at a moment: what had ended is kept, what ran is lost, and nothing comes behind it until it is laid anew.
 *  No flip is passed that was not recorded. */
function cut(courses: readonly Course[], life: Life, timeMs: number): Life {
  if (life.stage === 'paused' || life.stage === 'stopped' || life.flipSinceMs !== null) return life;
  const told = toldOf(life);
  const input = told.overMs === null ? inputOfTurn(courses[life.leg], told) : null;
  if (!input) return { ...life, fromMs: Math.max(life.fromMs, timeMs) };
  const rest = layRest(life, input);
  const untilMs = Math.min(timeMs, firstFlipMs(rest));
  const ran = rest.subs.find((s) => s.startMs < untilMs && s.endMs > untilMs);
  return {
    ...telling(life, life.leg, {
      kept: [...told.kept, ...rest.subs.filter((s) => s.endMs <= untilMs)],
      lost: ran ? [...told.lost, { ...ran, endMs: untilMs }] : told.lost,
      breaks: [...told.breaks, ...rest.breaks.filter((r) => r.endMs <= untilMs)],
    }),
    fromMs: Math.max(life.fromMs, timeMs),
  };
}

/** The next target whose turn did not end; null = none follows. */
export const nextLeg = ({ told, leg }: Life): number | null => {
  const found = told.findIndex(({ overMs }, i) => i > leg && overMs === null);
  return found === -1 ? null : found;
};

/** Of which target an event speaks: said of none, of the one whose turn it was; null where it is of none in the plan. */
function legOfEvent(courses: readonly Course[], life: Life, targetId: string | null): number | null {
  if (targetId === null) return toldOf(life).overMs === null ? life.leg : (nextLeg(life) ?? life.leg);
  if (courses[life.leg]?.targetId === targetId) return life.leg;
  const found = courses.findIndex((c) => c.targetId === targetId);
  return found === -1 ? null : found;
}

/** The mount is sent to another target: it chooses its side itself. Those in between are passed over. */
function take(courses: readonly Course[], life: Life, index: number, timeMs: number): Life {
  const left = cut(courses, life, timeMs);
  const told = left.told.map((one, i): Told => {
    if (i === index) return { ...one, freeFromMs: timeMs, overMs: null };
    const passed = i === left.leg || (i > left.leg && i < index);
    return passed ? { ...one, overMs: one.overMs ?? timeMs } : one;
  });
  const stage = left.stage === 'planned' ? 'running' : left.stage;
  return { ...left, told, stage, leg: index, flipSinceMs: null, fromMs: timeMs };
}

type Spoken = Extract<LifeEvent, { targetId: string | null }>;

const goOn = (life: Life, timeMs: number): Life => ({
  ...life,
  stage: 'running',
  fromMs: Math.max(timeMs, freeMs(life)),
});

/** Until when the last flip took. */
const freeMs = (life: Life): number => toldOf(life).flips.at(-1)?.endMs ?? -Infinity;

function started(courses: readonly Course[], life: Life, event: Spoken): Life {
  const index = legOfEvent(courses, life, event.targetId);
  if (index === null || index < life.leg) return life;
  if (index > life.leg) return goOn(take(courses, life, index, event.timeMs), event.timeMs);
  if (life.stage === 'running') return life;
  if (life.stage === 'paused') return goOn(life, event.timeMs);
  // Nothing was taken until then, whatever the plan had laid.
  const none = telling(life, life.leg, { kept: [], lost: [], breaks: [] });
  return goOn(none, event.timeMs);
}

/** This target's turn is over, or will not come. */
function ended(courses: readonly Course[], life: Life, { targetId, timeMs }: Spoken): Life {
  const index = legOfEvent(courses, life, targetId);
  if (index === null || index < life.leg || toldOf(life, index).overMs !== null) return life;
  const left = index === life.leg ? { ...cut(courses, life, timeMs), flipSinceMs: null } : life;
  const { kept, lost } = toldOf(left);
  // Before anything was taken the night begins with the next one, by the clock.
  const untouched = life.stage === 'planned' && kept.length + lost.length === 0;
  const over = telling(left, index, { overMs: untouched || index > life.leg ? -Infinity : timeMs });
  if (toldOf(over).overMs === null) return over;
  const next = nextLeg(over);
  if (next === null) return { ...over, stage: 'stopped' };
  return untouched ? { ...over, leg: next, fromMs: Math.max(over.fromMs, timeMs) } : { ...over, stage: 'running' };
}

function flipBegun(courses: readonly Course[], life: Life, timeMs: number): Life {
  return life.flipSinceMs === null ? { ...cut(courses, life, timeMs), flipSinceMs: timeMs } : life;
}

/** Before anything was taken the tube is tried by hand: it will be sent to its side when the night begins. */
function flipped(courses: readonly Course[], life: Life, event: Extract<LifeEvent, { what: 'flipped' }>): Life {
  const begunMs = life.flipSinceMs;
  const startMs = begunMs ?? Math.max(Math.min(event.startMs, event.timeMs), life.lastMs);
  const due = dueFlip(courses, life);
  const left = cut(courses, life, startMs);
  const told = toldOf(left);
  const stood = sideOf(told);
  const over = { ...left, flipSinceMs: null };
  if (stood === null) return { ...over, fromMs: begunMs === null ? life.fromMs : Math.max(life.fromMs, event.timeMs) };
  const to = event.to ?? other(stood);
  const isTold = event.to === null ? told.flips.some((f) => event.startMs <= f.endMs) : to === stood;
  const isKnown = begunMs === null && isTold;
  if (isKnown) return life;
  const endMs = Math.max(startMs, begunMs === null ? event.endMs : event.timeMs);
  const flip: Flip = { startMs, endMs, latestMs: due?.latestMs ?? startMs, to, done: true };
  const gone = telling(over, over.leg, { flips: [...told.flips, flip] });
  return gone.stage === 'paused' ? gone : goOn(gone, endMs);
}

/** The flip that the rest of this target is waiting for. */
function dueFlip(courses: readonly Course[], life: Life): Flip | null {
  const input = inputOfTurn(courses[life.leg], toldOf(life));
  return input ? (layRest({ ...life, flipSinceMs: null }, input).flips[0] ?? null) : null;
}

/** A leg that gives way under running subs: what follows is to be aligned first. Before the subs it is work like other. */
function legsMoved(courses: readonly Course[], life: Life, timeMs: number): Life {
  const left = cut(courses, life, timeMs);
  const ran = toldOf(left).kept.length + toldOf(left).lost.length > 0;
  return ran && left.stage !== 'stopped' ? { ...left, stage: 'paused' } : life;
}

function paused(courses: readonly Course[], life: Life, event: Spoken): Life {
  const index = legOfEvent(courses, life, event.targetId);
  if (life.stage === 'paused' || index === null || index < life.leg) return life;
  return { ...cut(courses, life, event.timeMs), stage: 'paused' };
}

/** To the target that the mount looks at already it is not sent again; one that was said to be over is taken up again. */
function targetTaken(courses: readonly Course[], life: Life, { targetId, timeMs }: Spoken): Life {
  const index = legOfEvent(courses, life, targetId);
  if (index === null || (index === life.leg && toldOf(life).overMs === null)) return life;
  return take(courses, life, index, timeMs);
}

function step(courses: readonly Course[], life: Life, event: LifeEvent): Life {
  switch (event.what) {
    case 'started':
      return started(courses, life, event);
    case 'paused':
      return paused(courses, life, event);
    case 'resumed':
      return life.stage === 'paused' ? goOn(life, event.timeMs) : life;
    case 'stopped':
    case 'skipped':
      return ended(courses, life, event);
    case 'targetTaken':
      return targetTaken(courses, life, event);
    case 'flipBegun':
      return flipBegun(courses, life, event.timeMs);
    case 'flipped':
      return flipped(courses, life, event);
    case 'legsMoved':
      return legsMoved(courses, life, event.timeMs);
  }
}

/** One event more. A night that was stopped stays stopped. */
export function after(courses: readonly Course[], life: Life, event: LifeEvent): Life {
  if (life.stage === 'stopped') return life;
  return { ...step(courses, life, event), lastMs: Math.max(life.lastMs, event.timeMs) };
}

/** @param events in the order in which they stand. */
export const liveOf = (courses: readonly Course[], events: readonly LifeEvent[]): Life =>
  events.reduce((life, event) => after(courses, life, event), beginning(courses));

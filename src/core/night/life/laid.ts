/** The plan as a function of the night's state and of the moment: what was taken stays, what is to come is laid from the state on.
 *  What nobody recorded - a flip, the way to the next target - did not happen: once its moment has passed, the rest is laid from
 *  the present one. */
import { planSubs, windowsFrom, type Flip, type Plan, type PlanInput } from '../plan/plan.ts';
import { layRest, other, sideOf, toldOf, flipEndMs, type Life, type Stage, type Told } from './life.ts';
import { undoneFlip } from './tube.ts';

export type Laid = {
  plan: Plan;
  state: Stage;
  /** From when on the mount is free for the next target: after the last sub, or when this one was said to be over; while it is
   *  paused, as if it went on. Null without subs. */
  overMs: number | null;
  /** From when on it waits for a hand: a flip that is due, the way to this target. Infinity = for none. */
  dueMs: number;
};

/** What was taken, and behind it what is to come. */
function joined(told: Told, begun: Flip | null, rest: Plan | null, subS: number): Plan {
  const subs = [...told.kept, ...(rest?.subs ?? [])];
  return {
    subs,
    lost: told.lost,
    flips: [...told.flips, ...(begun ? [begun] : []), ...(rest?.flips ?? [])],
    breaks: [...told.breaks, ...(rest?.breaks ?? [])],
    limitMs: rest?.limitMs ?? null,
    stopsAtLimit: rest?.stopsAtLimit ?? false,
    integrationS: subs.length * subS,
  };
}

/** What was laid up to a flip that is overdue, and the rest from now on. */
function fromNow(life: Life, input: PlanInput, rest: Plan, asOfMs: number): Plan {
  const [due] = rest.flips;
  if (!due || due.startMs >= asOfMs) return rest;
  const before = rest.subs.filter((s) => s.endMs <= due.startMs);
  const told = toldOf(life);
  const waiting: Life = {
    ...life,
    fromMs: asOfMs,
    told: life.told.map((one, i) => (i === life.leg ? { ...told, kept: [...told.kept, ...before] } : one)),
  };
  const again = layRest(waiting, input);
  return {
    ...again,
    subs: [...before, ...again.subs],
    breaks: [...rest.breaks.filter((r) => r.endMs <= due.startMs), ...again.breaks],
  };
}

/** The flip that is going on. */
function begunFlip(life: Life, input: PlanInput, asOfMs: number | null): Flip | null {
  const side = sideOf(toldOf(life));
  const { flipSinceMs } = life;
  if (flipSinceMs === null || side === null) return null;
  const due = layRest({ ...life, flipSinceMs: null }, input).flips[0];
  const endMs = Math.max(flipEndMs(life, input), asOfMs ?? -Infinity);
  return { startMs: flipSinceMs, endMs, latestMs: due?.latestMs ?? flipSinceMs, to: other(side), done: false };
}

/** While nothing runs the tube tracks on, up to the limit of the side that it stands on. */
function heldLimit(life: Life, { windows, endMs }: PlanInput): Pick<Plan, 'limitMs' | 'stopsAtLimit'> {
  const side = sideOf(toldOf(life));
  const stands = side === null || !windows ? undefined : windowsFrom(windows, side, life.lastMs)[0];
  const limitMs = stands && stands.toMs < endMs ? stands.toMs : null;
  return { limitMs, stopsAtLimit: limitMs !== null };
}

const endOf = ({ subs }: Plan): number | null => subs.at(-1)?.endMs ?? null;

/** What is to come of it: while a flip takes longer than they do, or nothing runs, never before the present. */
function restOf(life: Life, input: PlanInput, asOfMs: number | null): Plan {
  const flipping = life.flipSinceMs !== null;
  const nowMs = asOfMs ?? -Infinity;
  const waits = flipping ? flipEndMs(life, input) < nowMs : life.stage === 'paused';
  const laid = layRest(waits ? { ...life, fromMs: Math.max(life.fromMs, nowMs) } : life, input);
  return asOfMs === null || flipping ? laid : fromNow(life, input, laid, asOfMs);
}

/** Of the target that the mount looks at. */
function laidHere(life: Life, input: PlanInput, asOfMs: number | null): Laid {
  const told = toldOf(life);
  const rest = restOf(life, input, asOfMs);
  const begun = begunFlip(life, input, asOfMs);
  const plan =
    life.stage === 'paused'
      ? { ...joined(told, begun, null, input.subS), ...heldLimit(life, input) }
      : joined(told, begun, rest, input.subS);
  const due = undoneFlip(plan);
  return {
    plan,
    state: life.stage,
    // Begun, and nothing is to come: it is over as soon as that was known.
    overMs: endOf(joined(told, null, rest, input.subS)) ?? (life.stage === 'planned' ? null : life.fromMs),
    dueMs: life.flipSinceMs !== null ? flipEndMs(life, input) : (due?.startMs ?? Infinity),
  };
}

/** Nothing is to come of it: its turn is over, or no time is left. */
function behind(life: Life, index: number, isOver: boolean, plan: Plan): Laid | null {
  const toldOverMs = toldOf(life, index).overMs;
  const overMs = toldOverMs === -Infinity ? null : (toldOverMs ?? endOf(plan));
  if (isOver) return { plan, state: 'stopped', overMs, dueMs: Infinity };
  const isTouched = index === life.leg && plan.subs.length + plan.lost.length + plan.flips.length > 0;
  return isTouched ? { plan, state: life.stage, overMs, dueMs: Infinity } : null;
}

/** Of a target of the night. @param input as its time stands; null where none is left.
 *  @param asOfMs the moment; null = as if all goes on as planned. */
export function laidOf(
  life: Life,
  index: number,
  { input, subS }: { input: PlanInput | null; subS: number },
  asOfMs: number | null,
): Laid | null {
  const told = toldOf(life, index);
  const isOver = index < life.leg || told.overMs !== null || life.stage === 'stopped';
  if (isOver || !input) return behind(life, index, isOver, joined(told, null, null, subS));
  if (index === life.leg) return laidHere(life, input, asOfMs);
  const plan = planSubs({ ...input, startMs: Math.max(input.startMs, asOfMs ?? -Infinity) });
  return { plan, state: 'planned', overMs: endOf(plan), dueMs: plan.subs[0]?.startMs ?? Infinity };
}

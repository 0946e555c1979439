/** Sub-exposures around a meridian flip: no sub may run across the moment at which the tube must have flipped. */
import { requirePositive } from '../../result.ts';
import { MS_PER_HOUR, MS_PER_MINUTE, SOLAR_PER_SIDEREAL } from '../../time/utc.ts';

export type FlipStrategy = 'endOfCrossingSub' | 'asLateAsAllowed' | 'asSoonAsAllowed' | 'stopAtLimit';

export type PlanInput = {
  startMs: number;
  endMs: number;
  subS: number;
  gapS: number;
  /** Most subs wanted; null = as many as fit. */
  count: number | null;
  /** The upper transit inside or nearest the plan; null when the mount never flips. */
  transitMs: number | null;
  /** How far past the meridian the unflipped tube may run, hours; negative = it must flip before. */
  limitH: number;
  /** From when on the mount agrees to go over, hours past the meridian. */
  earliestFlipH: number;
  flipMinutes: number;
  /** From when on the flipped tube is clear; null = always. */
  clearFromMs: number | null;
  strategy: FlipStrategy;
};

export type Sub = { startMs: number; endMs: number; side: 'before' | 'after' };
export type Plan = {
  subs: Sub[];
  /** When the flip begins and when the next sub may start; null when none is needed. */
  flip: { startMs: number; endMs: number } | null;
  /** When the unflipped tube must have stopped; null when the mount never flips or the plan ends earlier. */
  limitMs: number | null;
  /** True when imaging stops at the limit because no flip is wanted. */
  stopsAtLimit: boolean;
  integrationS: number;
};

function fillSubs(input: PlanInput, fromMs: number, toMs: number, side: Sub['side'], most: number): Sub[] {
  const subMs = input.subS * 1000;
  const stepMs = subMs + input.gapS * 1000;
  const fitting = Math.floor((toMs - fromMs + input.gapS * 1000) / stepMs);
  const count = Math.max(0, Math.min(fitting, most));
  return Array.from({ length: count }, (_, i) => {
    const startMs = fromMs + i * stepMs;
    return { startMs, endMs: startMs + subMs, side };
  });
}

/** How many of the subs that would run until the limit belong before the flip. */
function subsBefore(input: PlanInput, upToLimit: readonly Sub[], transitMs: number, earliestMs: number): Sub[] {
  if (input.strategy === 'asLateAsAllowed' || input.strategy === 'stopAtLimit') return [...upToLimit];
  const goal = input.strategy === 'asSoonAsAllowed' ? earliestMs : transitMs;
  const crossing = upToLimit.findIndex((sub) => sub.endMs >= goal);
  if (crossing === -1) return [...upToLimit];
  const keepsCrossing = input.strategy === 'endOfCrossingSub';
  return upToLimit.slice(0, keepsCrossing ? crossing + 1 : crossing);
}

function finish(subs: Sub[], rest: Omit<Plan, 'subs' | 'integrationS'>, subS: number): Plan {
  return { subs, ...rest, integrationS: subs.length * subS };
}

/** The sub that is taken at an instant, counted from 0; null between subs. Its end belongs to it no more. */
export function subAt(subs: readonly Sub[], timeMs: number): number | null {
  const index = subs.findIndex((s) => timeMs >= s.startMs && timeMs < s.endMs);
  return index === -1 ? null : index;
}

/** No flipped sub begins before this. */
const soonestAfter = ({ startMs, clearFromMs }: PlanInput): number => Math.max(startMs, clearFromMs ?? startMs);

/** Lays the subs. With a transit inside the window: subs up to the flip, the flip, subs after it; with the transit
 *  before the start everything runs after the flip; with the limit after the end, before it. */
export function planSubs(input: PlanInput): Plan {
  requirePositive('subS', input.subS);
  const most = input.count ?? Number.POSITIVE_INFINITY;
  const hourMs = MS_PER_HOUR * SOLAR_PER_SIDEREAL;
  const limitMs = input.transitMs === null ? null : input.transitMs + input.limitH * hourMs;
  const none = { flip: null, limitMs: null, stopsAtLimit: false };
  if (input.endMs <= input.startMs) return finish([], none, input.subS);
  if (limitMs === null || input.transitMs === null || limitMs >= input.endMs) {
    return finish(fillSubs(input, input.startMs, input.endMs, 'before', most), none, input.subS);
  }
  const clearMs = soonestAfter(input);
  if (limitMs <= input.startMs) {
    return finish(fillSubs(input, clearMs, input.endMs, 'after', most), none, input.subS);
  }
  const earliestMs = input.transitMs + Math.min(input.earliestFlipH, input.limitH) * hourMs;
  const upToLimit = fillSubs(input, input.startMs, limitMs, 'before', most);
  const before = subsBefore(input, upToLimit, input.transitMs, earliestMs);
  if (input.strategy === 'stopAtLimit') return finish(before, { flip: null, limitMs, stopsAtLimit: true }, input.subS);
  if (before.length === most) return finish(before, { ...none, limitMs }, input.subS);
  const flipStartMs = Math.max(before.at(-1)?.endMs ?? input.startMs, earliestMs);
  const flipEndMs = Math.max(flipStartMs + input.flipMinutes * MS_PER_MINUTE, clearMs);
  const after = fillSubs(input, flipEndMs, input.endMs, 'after', most - before.length);
  return finish(
    [...before, ...after],
    { flip: { startMs: flipStartMs, endMs: flipEndMs }, limitMs, stopsAtLimit: false },
    input.subS,
  );
}

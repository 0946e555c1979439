/** What the night asks for at a moment: the running sub, the next thing, the flip. */
import type { Reading } from '../../records/reading.ts';
import { nightEventList, type NightEvent } from '../nightAt.ts';
import { aimedAtTime, type NightStatic } from '../nightStatic.ts';
import type { Lived } from '../plan/happened.ts';
import { subAt, type Flip, type Plan } from '../plan/plan.ts';

/** The flip as recorded tonight. That it was begun is a record, so every tab shows the same. */
export type FlipProgress = { state: 'none' } | { state: 'begun'; sinceMs: number } | { state: 'done'; atMs: number };

export function flipProgress(readings: readonly Reading[]): FlipProgress {
  const last = readings.findLast((r) => r.kind === 'flip' || (r.kind === 'event' && r.values.what === 'flipBegun'));
  if (!last) return { state: 'none' };
  return last.kind === 'flip'
    ? { state: 'done', atMs: Date.parse(last.values.atUtc) }
    : { state: 'begun', sinceMs: Date.parse(last.takenAtUtc) };
}

export type WatchEvent = Exclude<NightEvent['code'], 'sunset' | 'sunrise'>;
type Next = { next: WatchEvent; untilMs: number; target: string | null };
export type Watch =
  | { code: 'noTarget' | 'noSubs' | 'over' | 'byEye' }
  | ({ code: 'waiting'; state: Lived['state'] } & Next)
  | ({ code: 'running'; sub: number; count: number; state: Lived['state'] } & Next)
  | { code: 'paused'; target: string }
  | { code: 'flipDue' | 'flipLate'; latestMs: number }
  | { code: 'flipping'; sinceMs: number };

/** The flip may be begun this long before its planned moment. */
export const FLIP_READY_MS = 60_000;

/** The next thing on the plan after a moment. */
function nextOf(night: NightStatic, timeMs: number): Next | null {
  for (const { code, timeMs: untilMs, target } of nightEventList(night))
    if (code !== 'sunset' && code !== 'sunrise' && untilMs > timeMs) return { next: code, untilMs, target };
  return null;
}

/** The flip that nobody has done yet, once it may be begun. */
export function dueFlip({ flips, subs }: Plan, timeMs: number): Flip | null {
  const due = flips.find((f) => !f.done);
  const lastMs = subs.at(-1)?.endMs ?? -Infinity;
  return due && timeMs >= due.startMs - FLIP_READY_MS && timeMs < lastMs ? due : null;
}

function flipPart(night: NightStatic, plan: Plan, timeMs: number): Watch | null {
  const progress = flipProgress(night.records.readings);
  if (progress.state === 'begun') return { code: 'flipping', sinceMs: progress.sinceMs };
  const due = dueFlip(plan, timeMs);
  return due && { code: timeMs > due.latestMs ? 'flipLate' : 'flipDue', latestMs: due.latestMs };
}

/** What to watch at a moment. */
export function watchAt(whole: NightStatic, timeMs: number): Watch {
  const night = aimedAtTime(whole, timeMs);
  const { plan, target, state } = night;
  if (night.numbers.eyepiece) return { code: 'byEye' };
  if (!target) return { code: 'noTarget' };
  if (!plan || (plan.subs.length === 0 && state === 'planned')) return { code: 'noSubs' };
  const flip = flipPart(night, plan, timeMs);
  if (flip) return flip;
  if (state === 'paused') return { code: 'paused', target: target.name };
  const next = nextOf(night, timeMs);
  if (!next) return { code: 'over' };
  const index = subAt(plan.subs, timeMs);
  return index === null
    ? { code: 'waiting', state, ...next }
    : { code: 'running', sub: index + 1, count: plan.subs.length, state, ...next };
}

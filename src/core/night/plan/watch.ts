/** What the night asks for at a moment: the running sub, the next thing, the flip walked through by hand. */
import type { Reading } from '../../records/reading.ts';
import { lastReading } from '../nightRecords.ts';
import type { NightStatic } from '../nightStatic.ts';
import { subAt, type Plan } from './plan.ts';

/** The flip as recorded tonight. That it was begun is a record, so every tab shows the same. */
export type FlipProgress = { state: 'none' } | { state: 'begun'; sinceMs: number } | { state: 'done'; atMs: number };

export function flipProgress(readings: readonly Reading[]): FlipProgress {
  const done = lastReading(readings, 'flip');
  if (done) return { state: 'done', atMs: Date.parse(done.values.atUtc) };
  const begun = lastReading(readings, 'event', (r) => r.values.what === 'flipBegun');
  return begun ? { state: 'begun', sinceMs: Date.parse(begun.takenAtUtc) } : { state: 'none' };
}

export type WatchEvent = 'dark' | 'start' | 'flip' | 'limit' | 'end' | 'dawn';
export type Watch =
  | { code: 'noTarget' | 'noSubs' | 'over' | 'byEye' }
  | { code: 'waiting'; next: WatchEvent; untilMs: number }
  | { code: 'running'; sub: number; count: number; next: WatchEvent; untilMs: number }
  | { code: 'flipDue'; latestMs: number }
  | { code: 'flipLate'; latestMs: number }
  | { code: 'flipping'; sinceMs: number };

/** The flip may be begun this long before its planned moment. */
export const FLIP_READY_MS = 60_000;

/** The next thing on the plan after a moment. */
function nextOf(
  night: NightStatic,
  plan: Plan,
  timeMs: number,
  flipped: boolean,
): { next: WatchEvent; untilMs: number } | null {
  const all: { next: WatchEvent; untilMs: number | null | undefined }[] = [
    { next: 'dark', untilMs: night.dark?.fromMs },
    { next: 'start', untilMs: plan.subs[0]?.startMs },
    { next: 'flip', untilMs: flipped ? null : plan.flip?.startMs },
    { next: 'limit', untilMs: plan.stopsAtLimit ? plan.limitMs : null },
    { next: 'end', untilMs: plan.subs.at(-1)?.endMs },
    { next: 'dawn', untilMs: night.dark?.toMs },
  ];
  const coming = all.flatMap(({ next, untilMs }) =>
    typeof untilMs === 'number' && untilMs > timeMs ? [{ next, untilMs }] : [],
  );
  return coming.sort((a, b) => a.untilMs - b.untilMs)[0] ?? null;
}

function flipPart(plan: Plan, timeMs: number, progress: FlipProgress): Watch | null {
  if (progress.state === 'begun') return { code: 'flipping', sinceMs: progress.sinceMs };
  if (progress.state === 'done' || !plan.flip || timeMs < plan.flip.startMs - FLIP_READY_MS) return null;
  const endMs = plan.subs.at(-1)?.endMs ?? plan.flip.endMs;
  if (timeMs >= endMs) return null;
  const latestMs = plan.limitMs ?? plan.flip.startMs;
  return { code: timeMs > latestMs ? 'flipLate' : 'flipDue', latestMs };
}

/** What to watch at a moment. */
export function watchAt(night: NightStatic, timeMs: number): Watch {
  const { plan, target, records } = night;
  if (night.numbers.eyepiece) return { code: 'byEye' };
  if (!target) return { code: 'noTarget' };
  if (!plan || plan.subs.length === 0) return { code: 'noSubs' };
  const progress = flipProgress(records.readings);
  const flip = flipPart(plan, timeMs, progress);
  if (flip) return flip;
  const next = nextOf(night, plan, timeMs, progress.state === 'done');
  if (!next) return { code: 'over' };
  const index = subAt(plan.subs, timeMs);
  return index === null
    ? { code: 'waiting', ...next }
    : { code: 'running', sub: index + 1, count: plan.subs.length, ...next };
}

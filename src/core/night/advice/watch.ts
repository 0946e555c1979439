/** What the night asks for at a moment: the running sub, the next thing, the flip, and whether the tube may stay where it is. */
import { isLookedAt } from '../plan/plainPlan.ts';
import { MS_PER_MINUTE } from '../../time/utc.ts';
import { nightEventList, type NightEvent } from '../nightAt.ts';
import { aimedAtTime, nightAsOf, type NightStatic } from '../nightStatic.ts';
import { flipMinutesOf, legIndexAt, type Leg } from '../life/legs.ts';
import type { Stage } from '../life/life.ts';
import { sideAt, tubeStand, undoneFlip, type TubeStand } from '../life/tube.ts';
import { subAt, type Plan } from '../plan/plan.ts';

export type WatchEvent = Exclude<NightEvent['code'], 'sunset' | 'sunrise'>;
type Next = { next: WatchEvent; untilMs: number; target: string | null };
export type Watch =
  | { code: 'noDark' | 'noTarget' | 'noSubs' | 'over' | 'byEye' }
  | ({ code: 'waiting'; state: Stage } & Next)
  | ({ code: 'running'; sub: number; count: number; state: Stage } & Next)
  /** `limitMs`: until when the tube may track on meanwhile; null = all night. */
  | { code: 'paused'; target: string; limitMs: number | null }
  /** The way to the next target, by hand or by the mount. */
  | { code: 'targetDue'; target: string; untilMs: number; state: Stage }
  | { code: 'flipDue'; latestMs: number; state: Stage }
  /** Past its limit the tube still stands on its side. `fromMs`: from when on it may go over; null = at once. */
  | { code: 'tubeLate'; limitMs: number | null; fromMs: number | null; flips: boolean; state: Stage }
  | { code: 'flipping'; sinceMs: number };

/** What comes before everything else: the tube itself. */
export const isOfTube = ({ code }: Watch): boolean => code === 'flipDue' || code === 'tubeLate' || code === 'flipping';

/** Before the first sub of a night that nobody has begun: what is to be set up comes first. */
export const isBeforeAll = ({ legs }: Pick<NightStatic, 'legs'>, watch: Watch, timeMs: number): boolean =>
  watch.code === 'waiting' &&
  (watch.next === 'dark' || watch.next === 'start') &&
  watch.state === 'planned' &&
  timeMs < (legs[0]?.plan?.subs[0]?.startMs ?? -Infinity);

/** The flip may be begun this long before its planned moment. */
export const FLIP_READY_MS = 60_000;

/** The next thing on the plan after a moment. */
function nextOf(night: NightStatic, timeMs: number): Next | null {
  for (const { code, timeMs: untilMs, target } of nightEventList(night))
    if (code !== 'sunset' && code !== 'sunrise' && untilMs > timeMs) return { next: code, untilMs, target };
  return null;
}

/** A shown moment: what lies before the present is as it was, what lies beyond it as it is planned. `live`: it is the present;
 *  what was recorded has happened, also by a clock that has been set back since. */
type Moment = { night: NightStatic; timeMs: number; ahead: boolean; live: boolean };

/** The target that the mount follows: until somebody says that it was sent on, the one before. */
function followed({ night: { legs, life }, timeMs, ahead }: Moment): Leg | undefined {
  const shown = legIndexAt(legs, timeMs);
  return legs[ahead ? shown : Math.min(shown, life.leg)];
}

/** Where the tube stands; null while nobody knows, and for mounts that never flip. */
function standAt(moment: Moment): TubeStand | null {
  const { timeMs, ahead } = moment;
  const leg = followed(moment);
  const side = leg?.plan ? sideAt(leg.plan, timeMs, !ahead) : null;
  return leg && side !== null ? tubeStand(leg.windows, side, timeMs) : null;
}

/** Who wants no flip stops at the limit. */
const flipsAt = (moment: Moment): boolean => followed(moment)?.entry?.strategy !== 'stopAtLimit';

/** Beyond sunrise nobody tracks on. */
function isTracking({ life, sky, dark }: NightStatic, timeMs: number): boolean {
  const endMs = sky.events.twilight.sunset.dawnMs ?? dark?.toMs ?? sky.events.endMs;
  return life.stage !== 'stopped' && timeMs < endMs;
}

/** When the flip is due, of a plan or while nothing runs; null = not now. */
function dueFlip(moment: Moment, plan: Plan, stand: TubeStand | null): { latestMs: number } | null {
  const { night, timeMs, ahead } = moment;
  const due = undoneFlip(plan);
  if (due && timeMs >= due.startMs - FLIP_READY_MS) {
    // Ahead it is taken to be done in its time.
    const untilMs = ahead ? due.endMs : (plan.subs.at(-1)?.endMs ?? -Infinity);
    if (timeMs < untilMs) return due;
  }
  const natural = stand !== null && timeMs >= stand.naturalMs - FLIP_READY_MS;
  const waits = night.life.stage === 'paused' && flipsAt(moment);
  return natural && waits && stand.limitMs !== null ? { latestMs: stand.limitMs } : null;
}

/** The tube comes first: where it must not stay, and the flip. */
function tubePart(moment: Moment, plan: Plan): Watch | null {
  const { night, timeMs, ahead, live } = moment;
  const { life, state } = night;
  const { flipSinceMs: sinceMs } = life;
  if (!ahead && sinceMs !== null && (live || timeMs >= sinceMs)) return { code: 'flipping', sinceMs };
  if (!isTracking(night, timeMs)) return null;
  const stand = standAt(moment);
  if (stand?.forbidden) {
    const flips = flipsAt(moment) && stand.opensMs !== null;
    const fromMs = stand.mayGoOver ? null : stand.opensMs;
    return { code: 'tubeLate', limitMs: stand.limitMs, fromMs, flips, state: life.stage };
  }
  const due = dueFlip(moment, plan, stand);
  return due && { code: 'flipDue', latestMs: due.latestMs, state };
}

/** From when on the mount is to be sent on, so that the subs begin in time; null while it looks at the shown target. */
function wayOn({ night, ahead }: Moment): number | null {
  const { life, legIndex, plan, learned, numbers } = night;
  const startMs = plan?.subs[0]?.startMs;
  if (ahead || life.stage === 'paused' || legIndex <= life.leg || startMs === undefined) return null;
  return startMs - flipMinutesOf(learned, numbers) * MS_PER_MINUTE;
}

/** Until when the tube may track on; null = all night. */
function heldUntil(moment: Moment): number | null {
  const limitMs = standAt(moment)?.limitMs ?? null;
  return limitMs === Infinity ? null : limitMs;
}

function subPart(moment: Moment, plan: Plan, target: string): Watch {
  const { night, timeMs } = moment;
  const { life, state } = night;
  if (life.stage === 'stopped' && timeMs >= life.lastMs) return { code: 'over' };
  if (life.stage === 'paused') return { code: 'paused', target, limitMs: heldUntil(moment) };
  const goMs = wayOn(moment);
  if (goMs !== null && timeMs >= goMs)
    return { code: 'targetDue', target, untilMs: plan.subs[0]?.startMs ?? timeMs, state };
  const next = nextOf(night, timeMs);
  if (!next) return { code: 'over' };
  const index = subAt(plan.subs, timeMs);
  return index === null
    ? { code: 'waiting', state, ...next }
    : { code: 'running', sub: index + 1, count: plan.subs.length, state, ...next };
}

/** What to watch at a moment.
 *  @param nowMs the present; a moment beyond it is shown as planned. */
export function watchAt(whole: NightStatic, timeMs: number, nowMs = timeMs): Watch {
  const ahead = timeMs > nowMs;
  const night = aimedAtTime(nightAsOf(whole, Math.min(timeMs, nowMs)), timeMs);
  const { plan, target, state } = night;
  if (night.numbers.eyepiece || isLookedAt(night)) return { code: 'byEye' };
  if (!night.dark) return { code: 'noDark' };
  if (!target) return { code: 'noTarget' };
  if (!plan) return { code: 'noSubs' };
  const moment: Moment = { night, timeMs, ahead, live: timeMs === nowMs };
  const tube = tubePart(moment, plan);
  if (tube) return tube;
  return plan.subs.length === 0 && state === 'planned' ? { code: 'noSubs' } : subPart(moment, plan, target.name);
}

/** The targets of a night one after the other: each with its sky, its limits before the mount and its subs. */
import { judgeSteadiness } from '../../mount/steadiness.ts';
import type { PlanEntry } from '../../records/night.ts';
import type { MountPart } from '../../records/part.ts';
import type { Target } from '../../records/site.ts';
import { mountFlips, type RigNumbers } from '../../rig/rigNumbers.ts';
import type { Span } from '../../time/span.ts';
import { MS_PER_MINUTE } from '../../time/utc.ts';
import { ASSUMED } from '../../verdict/assumptions.ts';
import type { Learned } from '../learned/learned.ts';
import { meridianLimit, ownLimits, type MeridianLimit } from './meridianLimit.ts';
import { HALF_TURN_H, tubeClearance } from './tubeClearance.ts';
import { atHourAngle, sideWindows } from './sideWindows.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { targetNight, type SiteNight, type TargetNight } from './skyOfNight.ts';
import { intersect, longest, lowestImagingAltDeg, upSpans } from './darkness.ts';
import { happeningsOf, livedPlan, type Happening, type Lived, type Turn } from './happened.ts';
import type { Plan, PlanInput } from './plan.ts';

/** Until guiding is quiet again. */
const DITHER_S = 10;

export type Leg = {
  entry: PlanEntry | null;
  target: Target | null;
  targetSky: TargetNight | null;
  /** The target is above the horizon line in these spans of the 24 hours. */
  up: Span[];
  /** Dark and target above the horizon line and the lowest altitude for imaging: the longest such span of the night. */
  usable: Span | null;
  /** How far past the meridian the tube may run, and what says so. */
  limit: MeridianLimit;
  /** What is left of the usable span between the targets before and after; null where nothing is. */
  slot: Span | null;
  /** What the plan was laid from; null without a slot, and for the eye. */
  planInput: PlanInput | null;
  plan: Plan | null;
  state: Lived['state'];
  /** From when on the mount is free for the next target; null where nothing was laid. */
  overMs: number | null;
  /** What had happened when its turn came, and the targets that follow. */
  happened: readonly Happening[];
  turn: Turn;
};

/** The plan of a leg from another input, with the same that happened. */
export const livedOfLeg = ({ happened, turn }: Pick<Leg, 'happened' | 'turn'>, input: PlanInput): Lived =>
  livedPlan(input, happened, turn);

export type LegsOfNight = {
  records: NightRecords;
  sky: SiteNight;
  dark: Span | null;
  numbers: RigNumbers;
  learned: Learned;
};

/** Until this rig's image stands still after a slew, s; null = never tapped. */
export function slewWaitS({ steadiness }: Learned, { train }: RigNumbers): number | null {
  const settleS = steadiness?.values.settleS ?? null;
  return settleS !== null && train ? judgeSteadiness(settleS, train.focalEffectiveMm).waitAfterSlewS : null;
}

/** What a flip of this rig has taken, the middle of all; before the first one assumed, with this rig's wait until the
 *  image stands still after the slew. Going to another target is the same work. */
export const flipMinutesOf = (learned: Learned, numbers: RigNumbers): number =>
  learned.flipMinutes ?? ASSUMED.flipMinutes + (slewWaitS(learned, numbers) ?? 0) / 60;

type Sky = Pick<Leg, 'target' | 'targetSky' | 'up' | 'usable'> & { spans: Span[] };

/** Of a mount that never flips, what lies within its travel; of others all. */
function withinTravel(spans: readonly Span[], mount: MountPart | null, transitMs: number): Span[] {
  const travelH = mountFlips(mount) ? null : (mount?.travelH ?? null);
  if (travelH === null) return [...spans];
  const [fromH, toH] = travelH;
  return [-1, 0, 1].flatMap((turn) => {
    const at = (haH: number): number => atHourAngle(transitMs, haH + 2 * HALF_TURN_H * turn);
    return intersect(spans, { fromMs: at(fromH), toMs: at(toH) });
  });
}

/** The target of an entry, its sky and when it can be used. */
function skyOf({ records, sky, dark, numbers }: LegsOfNight, entry: PlanEntry | null): Sky {
  const { site } = records;
  const target = records.targets.find((t) => t.id === entry?.targetId) ?? null;
  const targetSky = target ? targetNight(site, target, sky) : null;
  const { startMs, endMs } = sky.events;
  const above = (lowestDeg?: number): Span[] =>
    targetSky ? upSpans(site, targetSky.ofDate, startMs, endMs, lowestDeg) : [];
  const spans = dark ? intersect(above(lowestImagingAltDeg(site)), dark) : [];
  const reached = targetSky ? withinTravel(spans, numbers.mount, targetSky.transit.transitMs) : [];
  return { target, targetSky, up: above(), usable: longest(spans), spans: reached };
}

/** Between the end of what came before and the start that a later target is given. */
function slotOf(
  spans: readonly Span[],
  entries: readonly PlanEntry[],
  index: number,
  freeFromMs: number,
  changeMs: number,
) {
  const startMs = Date.parse(entries[index]?.startUtc ?? '') || -Infinity;
  const next = entries.slice(index + 1).find((e) => e.startUtc !== null);
  const toMs = next?.startUtc == null ? Infinity : Date.parse(next.startUtc) - changeMs;
  return longest(intersect(spans, { fromMs: Math.max(startMs, freeFromMs), toMs }));
}

function inputOf(
  entry: PlanEntry,
  { slot, transitMs, limit }: { slot: Span; transitMs: number | null; limit: MeridianLimit },
  { numbers, learned }: LegsOfNight,
): PlanInput {
  const { mount } = numbers;
  const flipsHere = mountFlips(mount) && transitMs !== null;
  return {
    startMs: slot.fromMs,
    endMs: slot.toMs,
    subS: entry.subS,
    gapS: entry.gapS,
    count: entry.count,
    windows: flipsHere ? sideWindows(limit, mount?.earliestFlipH ?? 0, transitMs) : null,
    standsOn: null,
    flipMinutes: flipMinutesOf(learned, numbers),
    refocus:
      entry.refocusEveryMin === null ? null : { everyMin: entry.refocusEveryMin, minutes: ASSUMED.refocusMinutes },
    dither: entry.ditherEvery === 0 ? null : { everySubs: entry.ditherEvery, seconds: DITHER_S },
    strategy: entry.strategy,
  };
}

type Before = { freeFromMs: number; happened: readonly Happening[] };

const NOT_LAID = { planInput: null, plan: null, state: 'planned', overMs: null } as const;

/** The subs of an entry, with what happened to them; none without time, and for the eye. */
function laid(entry: PlanEntry | null, about: LegsOfNight, where: Where, lived: Pick<Leg, 'happened' | 'turn'>) {
  const { slot } = where;
  if (!entry || !slot || about.numbers.eyepiece) return { ...NOT_LAID, rest: lived.happened };
  const planInput = inputOf(entry, { ...where, slot }, about);
  return { planInput, ...livedOfLeg(lived, planInput) };
}
type Where = { slot: Span | null; transitMs: number | null; limit: MeridianLimit };

function legOf(about: LegsOfNight, entries: readonly PlanEntry[], index: number, before: Before) {
  const { records, numbers, learned } = about;
  const entry = entries[index] ?? null;
  const { spans, ...sky } = skyOf(about, entry);
  const decDeg = sky.targetSky?.ofDate.decDeg ?? null;
  const tube = tubeClearance(numbers, records.site.latDeg, decDeg, learned.gapShift);
  const limit = meridianLimit(entry, ownLimits(numbers, records.rig), tube);
  const changeMs = flipMinutesOf(learned, numbers) * MS_PER_MINUTE;
  const slot = slotOf(spans, entries, index, before.freeFromMs, changeMs);
  const later = new Set(entries.slice(index + 1).map((e) => e.targetId));
  const lived = { happened: before.happened, turn: { targetId: entry?.targetId ?? '', later } };
  const transitMs = sky.targetSky?.transit.transitMs ?? null;
  const { rest, ...plan } = laid(entry, about, { slot, transitMs, limit }, lived);
  const leg: Leg = { entry, ...sky, limit, slot, ...plan, ...lived };
  const freeFromMs = leg.overMs === null ? before.freeFromMs : leg.overMs + changeMs;
  return { leg, next: { freeFromMs, happened: rest } };
}

/** At least one: without a plan it is empty. */
export function legsOf(about: LegsOfNight, entries: readonly PlanEntry[] = about.records.night.plan): [Leg, ...Leg[]] {
  const { readings } = about.records;
  const first = legOf(about, entries, 0, { freeFromMs: -Infinity, happened: happeningsOf(readings) });
  const legs: [Leg, ...Leg[]] = [first.leg];
  let before: Before = first.next;
  for (let index = 1; index < entries.length; index += 1) {
    const { leg, next } = legOf(about, entries, index, before);
    legs.push(leg);
    before = next;
  }
  return legs;
}

/** Which target is the mount's at a moment: the next one as soon as the one before is over. One that is paused keeps it until
 *  it is said to go on or to be done. */
export function legIndexAt(legs: readonly Pick<Leg, 'overMs' | 'state'>[], timeMs: number): number {
  let [found, overMs] = [0, -Infinity];
  for (const [index, leg] of legs.entries()) {
    if (leg.overMs === null) continue;
    if (timeMs < overMs) break;
    found = index;
    overMs = leg.state === 'paused' ? Infinity : leg.overMs;
  }
  return found;
}

/** Light of the whole night, s. */
export const lightOf = (legs: readonly Pick<Leg, 'plan'>[]): number =>
  legs.reduce((sum, { plan }) => sum + (plan?.integrationS ?? 0), 0);

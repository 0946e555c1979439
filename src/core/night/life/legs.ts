/** The targets of a night one after the other: each with its sky, its limits before the mount and its subs. */
import { judgeSteadiness } from '../../mount/steadiness.ts';
import type { PlanEntry } from '../../records/night.ts';
import type { MountPart } from '../../records/part.ts';
import type { Target } from '../../records/site.ts';
import { mountFlips, type RigNumbers } from '../../rig/rigNumbers.ts';
import type { Span } from '../../time/span.ts';
import { resetOf } from '../../rig/platform.ts';
import { MS_PER_MINUTE } from '../../time/utc.ts';
import { ASSUMED } from '../../verdict/assumptions.ts';
import type { Learned } from '../learned/learned.ts';
import { meridianLimit, ownLimits, type MeridianLimit } from '../plan/meridianLimit.ts';
import { HALF_TURN_H, tubeClearance } from '../plan/tubeClearance.ts';
import { atHourAngle, sideWindows } from '../plan/sideWindows.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { targetNight, type SiteNight, type TargetNight } from '../plan/skyOfNight.ts';
import { intersect, longest, lowestImagingAltDeg, upSpans } from '../plan/darkness.ts';
import type { Plan, PlanInput, SideWindow } from '../plan/plan.ts';
import { lifeEventsOf } from './events.ts';
import { laidOf } from './laid.ts';
import { liveOf, type Course, type Life, type Stage } from './life.ts';

/** Until guiding is quiet again. */
const DITHER_S = 10;

/** What of a target does not depend on what happened. */
export type LegSky = {
  entry: PlanEntry | null;
  target: Target | null;
  targetSky: TargetNight | null;
  /** The target is above the horizon line in these spans of the 24 hours. */
  up: Span[];
  /** Dark and target above the horizon line and the lowest altitude for imaging: the longest such span of the night. */
  usable: Span | null;
  /** How far past the meridian the tube may run, and what says so. */
  limit: MeridianLimit;
  /** Where the tube may stand; null for mounts that never flip, and without a target. */
  windows: readonly SideWindow[] | null;
};

export type Leg = LegSky & {
  /** What is left of the usable span between the targets before and after; null where nothing is. */
  slot: Span | null;
  /** What the plan was laid from; null without a slot, and for the eye. */
  planInput: PlanInput | null;
  plan: Plan | null;
  state: Stage;
  /** From when on the mount is free for the next target; null where nothing was laid. */
  overMs: number | null;
  /** From when on it waits for a hand; Infinity = for none. */
  dueMs: number;
};

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

type Static = LegSky & { spans: Span[] };

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
function skyOf(about: LegsOfNight, entry: PlanEntry | null): Static {
  const { records, sky, dark, numbers, learned } = about;
  const { site } = records;
  const target = records.targets.find((t) => t.id === entry?.targetId) ?? null;
  const targetSky = target ? targetNight(site, target, sky) : null;
  const { startMs, endMs } = sky.events;
  const above = (lowestDeg?: number): Span[] =>
    targetSky ? upSpans(site, targetSky.ofDate, startMs, endMs, lowestDeg) : [];
  const spans = dark ? intersect(above(lowestImagingAltDeg(site)), dark) : [];
  const tube = tubeClearance(numbers, site.latDeg, targetSky?.ofDate.decDeg ?? null, learned.gapShift);
  const limit = meridianLimit(entry, ownLimits(numbers, records.rig), tube);
  const { mount } = numbers;
  const windows =
    mountFlips(mount) && targetSky ? sideWindows(limit, mount?.earliestFlipH ?? 0, targetSky.transit.transitMs) : null;
  return {
    entry,
    target,
    targetSky,
    up: above(),
    usable: longest(spans),
    limit,
    windows,
    spans: targetSky ? withinTravel(spans, mount, targetSky.transit.transitMs) : [],
  };
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
  slot: Span,
  windows: readonly SideWindow[] | null,
  { numbers, learned }: LegsOfNight,
): PlanInput {
  return {
    startMs: slot.fromMs,
    endMs: slot.toMs,
    subS: entry.subS,
    gapS: entry.gapS,
    count: entry.count,
    windows,
    standsOn: null,
    flipMinutes: flipMinutesOf(learned, numbers),
    refocus:
      entry.refocusEveryMin === null ? null : { everyMin: entry.refocusEveryMin, minutes: ASSUMED.refocusMinutes },
    dither: entry.ditherEvery === 0 ? null : { everySubs: entry.ditherEvery, seconds: DITHER_S },
    reset: resetOf(numbers.mount),
    strategy: entry.strategy,
  };
}

type Time = { slot: Span | null; input: PlanInput | null };
type LegStatic = { sky: LegSky; course: Course; timeFrom: (freeFromMs: number) => Time };

function legStatic(about: LegsOfNight, entries: readonly PlanEntry[], index: number): LegStatic {
  const entry = entries[index] ?? null;
  const { spans, ...sky } = skyOf(about, entry);
  const changeMs = changeMsOf(about);
  const timeFrom = (freeFromMs: number): Time => {
    const slot = slotOf(spans, entries, index, freeFromMs, changeMs);
    const laid = entry && slot && !about.numbers.eyepiece;
    return { slot, input: laid ? inputOf(entry, slot, sky.windows, about) : null };
  };
  const course: Course = {
    targetId: entry?.targetId ?? '',
    subS: entry?.subS ?? 0,
    windows: sky.windows,
    inputFrom: (freeFromMs) => timeFrom(freeFromMs).input,
  };
  return { sky, course, timeFrom };
}

/** Going to another target is the same work as a flip. */
const changeMsOf = ({ learned, numbers }: LegsOfNight): number => flipMinutesOf(learned, numbers) * MS_PER_MINUTE;

/** The targets of a night with what happened to them. */
export type LegsLaid = { legs: readonly [Leg, ...Leg[]]; life: Life };

const NOT_LAID = { plan: null, state: 'planned', overMs: null, dueMs: Infinity } as const;

function lay(statics: readonly [LegStatic, ...LegStatic[]], life: Life, changeMs: number, asOfMs: number | null) {
  let freeFromMs = -Infinity;
  const legOf = ({ sky, course, timeFrom }: LegStatic, index: number): Leg => {
    const { slot, input } = timeFrom(life.told[index]?.freeFromMs ?? freeFromMs);
    const laid = laidOf(life, index, { input, subS: course.subS }, asOfMs) ?? NOT_LAID;
    // One that was taken up again is over after those that were passed meanwhile.
    if (laid.overMs !== null) freeFromMs = Math.max(freeFromMs, laid.overMs + changeMs);
    return { ...sky, slot, planInput: input, ...laid };
  };
  const [first, ...others] = statics;
  return [legOf(first, 0), ...others.map((one, i) => legOf(one, i + 1))] as const satisfies readonly [Leg, ...Leg[]];
}

export type LegsOfMoment = LegsLaid & {
  /** The same as things stand at a moment: what is due and was not recorded did not happen. */
  asOf: (nowMs: number) => readonly [Leg, ...Leg[]];
  /** From when on the night waits for a hand. */
  dueMs: number;
};

/** The way to the first target is not waited for: a plan that nobody started runs by the clock. */
const dueOf = (legs: readonly Leg[], { leg, stage }: Life): number =>
  Math.min(...legs.slice(stage === 'paused' ? leg + 1 : leg).map(({ dueMs }) => dueMs), Infinity);

/** At least one: without a plan it is empty. */
export function legsOf(about: LegsOfNight, entries: readonly PlanEntry[] = about.records.night.plan): LegsOfMoment {
  const { readings, timeOf } = about.records;
  const statics: [LegStatic, ...LegStatic[]] = [legStatic(about, entries, 0)];
  for (let index = 1; index < entries.length; index += 1) statics.push(legStatic(about, entries, index));
  const changeMs = changeMsOf(about);
  const life = liveOf(
    statics.map(({ course }) => course),
    lifeEventsOf(readings, timeOf),
  );
  const legs = lay(statics, life, changeMs, null);
  return {
    legs,
    life,
    asOf: (nowMs) => lay(statics, life, changeMs, nowMs),
    dueMs: dueOf(legs, life),
  };
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

/** What the meridian bench shows, as codes and figures. */
import { lightOfNight } from '../../core/night/advice/lightOfNight.ts';
import { rigHas } from '../../core/rig/rigHas.ts';
import { isLookedAt } from '../../core/night/plan/plainPlan.ts';
import {
  clearanceOf,
  closestPoints,
  type ClearanceGeometry,
  type Closest,
  type SkyPose,
} from '../../core/mount/clearance.ts';
import type { FlipState } from '../../core/mount/pose.ts';
import type { Nearest } from '../../core/math/segments.ts';
import type { NightAt } from '../../core/night/nightAt.ts';
import { CLEARANCE_MARGIN_M, HALF_TURN_H } from '../../core/night/plan/tubeClearance.ts';
import { atHourAngle } from '../../core/night/plan/sideWindows.ts';
import { MS_PER_HOUR, SOLAR_PER_SIDEREAL } from '../../core/time/utc.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { isOfTube, type Watch } from '../../core/night/advice/watch.ts';
import { sideAt } from '../../core/night/life/tube.ts';
import { cardGb, exposureGroups } from '../../core/night/advice/exposureGroups.ts';
import { flipMinutesOf, slewWaitS } from '../../core/night/life/legs.ts';
import type { Plan } from '../../core/night/plan/plan.ts';
import type { SettingValue } from '../../core/records/setting.ts';
import { hasTonight } from '../../core/night/hasTonight.ts';
import { powerOfRig } from '../../core/rig/powerOfRig.ts';
import { limitWords, travelWords } from '../../text/clearanceWords.ts';
import type { Format } from '../../text/format.ts';
import { meridianReason, meridianSentence, type MeridianSaying } from '../../text/meridianWords.ts';
import type { Said } from '../../text/said.ts';
import { watchReason, watchSentence } from '../../text/watchWords.ts';

export type MeridianModel = {
  saying: MeridianSaying;
  /** Subs of each stretch between flips, in order. */
  stretches: number[];
  integrationS: number;
};

/** How many subs run between two flips. */
export function stretchCounts({ subs, flips }: Pick<Plan, 'subs' | 'flips'>): number[] {
  const edges = [-Infinity, ...flips.map((f) => f.startMs), Infinity];
  return edges
    .slice(1)
    .map((edge, i) => subs.filter((s) => s.startMs >= (edges[i] ?? -Infinity) && s.startMs < edge).length);
}

/** With subs laid: what happens at the meridian. */
function planSaying(plan: Plan, transitMs: number, endMs: number): MeridianSaying {
  const due = plan.flips.find((f) => !f.done);
  const done = plan.flips.findLast((f) => f.done);
  if (due)
    return { code: 'flip', flipMs: due.startMs, subNumber: plan.subs.filter((s) => s.endMs <= due.startMs).length };
  if (plan.stopsAtLimit && plan.limitMs !== null) return { code: 'stopAtLimit', limitMs: plan.limitMs };
  if (done) return { code: 'flipDone', flipMs: done.startMs };
  const [first] = plan.subs;
  if (first?.side === 'after')
    return { code: first.startMs < transitMs ? 'belowPole' : 'transitBefore', startMs: first.startMs };
  return { code: transitMs >= endMs ? 'transitAfter' : 'limitAfterEnd', transitMs };
}

/** Why no plan could be laid though it is dark and the target stands well. */
function noPlanCode({ numbers, legIndex, entry }: NightStatic): 'outOfTravel' | 'startTooLate' | 'noTimeLeft' {
  if (legIndex === 0 && entry?.startUtc == null && numbers.mount?.travelH) return 'outOfTravel';
  return entry?.startUtc == null ? 'noTimeLeft' : 'startTooLate';
}

/** Why no sub is laid; null where some are. */
function notLaid(night: NightStatic, target: string): MeridianSaying | null {
  const { plan, state } = night;
  if (plan === null) return { code: noPlanCode(night), target };
  if (state === 'paused' || state === 'stopped') return { code: state, target };
  return plan.subs.length === 0 ? { code: 'noSubFits', target } : null;
}

function sayingOf(night: NightStatic): MeridianSaying {
  const { target, targetSky, dark, usable, plan, records } = night;
  if (!dark) return { code: 'noDarkness', light: lightOfNight(night) };
  if (!target || !targetSky) return { code: 'noTarget' };
  const { neverRises, altDeg, transitMs } = targetSky.transit;
  if (neverRises) return { code: 'neverRises', target: target.name, altDeg, latDeg: records.site.latDeg };
  if (!usable) return { code: 'notUpInDark', target: target.name };
  if (night.numbers.eyepiece || isLookedAt(night)) return { code: 'byEye', target: target.name, transitMs };
  const none = notLaid(night, target.name);
  if (none || !plan) return none ?? { code: 'noTarget' };
  if (!night.flips) return { code: 'noFlipMount', target: target.name, transitMs };
  return planSaying(plan, transitMs, usable.toMs);
}

export function meridianModel(night: NightStatic): MeridianModel {
  return {
    saying: sayingOf(night),
    stretches: night.plan ? stretchCounts(night.plan) : [],
    integrationS: night.plan?.integrationS ?? 0,
  };
}

/** True when the tube is on its after-flip side at a moment; before the first sub where that will be.
 *  @param ahead the moment lies beyond the present: then flips are taken as planned. */
export function isAfterFlip({ plan }: NightStatic, timeMs: number, ahead: boolean): boolean {
  return plan !== null && (sideAt(plan, timeMs, !ahead) ?? plan.subs[0]?.side) === 'after';
}

export type Approach = {
  geometry: ClearanceGeometry;
  pose: SkyPose;
  closest: Closest;
  clearanceM: number;
  /** Its doubt. */
  sigmaM: number;
  /** Nearer than the margin. */
  tight: boolean;
  /** Where the two surfaces come nearest. */
  line: Nearest;
  barClosest: Closest;
  barClearanceM: number;
};

/** How near the tube stands at a moment, with what measured gaps say; null without a target, and for rigs that never flip. */
export function approachAt(
  night: NightStatic,
  { target, timeMs }: Pick<NightAt, 'target' | 'timeMs'>,
  ahead: boolean,
): Approach | null {
  const { targetSky, limit, records } = night;
  const { tube } = limit;
  if (!target || !targetSky || !tube) return null;
  const { geometry } = tube;
  const { latDeg } = records.site;
  const state = isAfterFlip(night, timeMs, ahead) ? 'afterFlip' : 'beforeFlip';
  const pose: SkyPose = { haH: target.haH, decDeg: targetSky.ofDate.decDeg, state };
  const { barClosest, barClearanceM } = clearanceOf(geometry, latDeg)(pose);
  const { value: clearanceM, doubt: sigmaM, closest } = tube.at(pose);
  return {
    geometry,
    pose,
    closest,
    clearanceM,
    sigmaM,
    tight: clearanceM <= CLEARANCE_MARGIN_M,
    line: closestPoints(geometry, latDeg, pose, closest),
    barClosest,
    barClearanceM,
  };
}

/** Hour angles over which tonight's subs run in a state; null without any. */
export function pathInState({ plan, targetSky }: NightStatic, state: FlipState): [number, number] | null {
  const side = state === 'beforeFlip' ? 'before' : 'after';
  const subs = plan?.subs.filter((s) => s.side === side) ?? [];
  const [first, last] = [subs[0], subs.at(-1)];
  if (!first || !last || !targetSky) return null;
  const haH = (timeMs: number): number => (timeMs - targetSky.transit.transitMs) / (MS_PER_HOUR * SOLAR_PER_SIDEREAL);
  return [haH(first.startMs), haH(last.endMs)];
}

/** Left and right in each view. */
export const COMPASS = {
  pole: { north: ['east', 'west'], south: ['west', 'east'] },
  east: { north: ['south', 'north'], south: ['south', 'north'] },
} as const;

/** When it crosses the meridian below the pole, where the next flip is the one down there; else null. */
function crossingBelow({ plan }: NightStatic, transitMs: number): number | null {
  const flip = plan?.flips.find((f) => !f.done) ?? plan?.flips.at(-1);
  if (!flip) return null;
  const halfTurns = Math.round((flip.startMs - transitMs) / atHourAngle(0, HALF_TURN_H));
  return halfTurns % 2 === 0 ? null : atHourAngle(transitMs, halfTurns * HALF_TURN_H);
}

/** What the reason speaks of; null without a target. */
function aboutOf(night: NightStatic, format: Format) {
  if (!night.targetSky) return null;
  const { transitMs, altDeg, side } = night.targetSky.transit;
  const limited = night.flips && night.plan !== null;
  const target = night.legs.length > 1 ? (night.target?.name ?? null) : null;
  const belowMs = crossingBelow(night, transitMs);
  const travelH = night.flips ? null : (night.numbers.mount?.travelH ?? null);
  const limitSource = limited ? limitWords(night.limit, format) : travelH ? travelWords(travelH, format) : '';
  return { target, transitMs, belowMs, altDeg, side, limitSource };
}

/** Between two flips the tube may have to wait, free on neither side: from the last sub's end to the flip. Null where it goes
 *  over within minutes. */
export function waitOf({ plan }: NightStatic): { fromMs: number; toMs: number } | null {
  const flip = plan?.flips.find((f) => !f.done);
  const last = plan?.subs.findLast((s) => s.endMs <= (flip?.startMs ?? -Infinity));
  if (!flip || !last || flip.startMs - last.endMs < WAIT_MS) return null;
  return { fromMs: flip.latestMs, toMs: flip.startMs };
}
const WAIT_MS = 600_000;

/** The bench's sentence and its reason, the same on all its pages: what the tube needs now comes before the plan. */
export function saidOf(night: NightStatic, watch: Watch, format: Format): { sentence: Said; reason: string } {
  if (isOfTube(watch)) {
    const has = rigHas(night.numbers);
    const south = night.records.site.latDeg < 0;
    return { sentence: watchSentence(watch, format, has), reason: watchReason(watch, south, has) };
  }
  const { saying } = meridianModel(night);
  return {
    sentence: meridianSentence(saying, format),
    reason: meridianReason(saying, format, aboutOf(night, format), hasTonight(night).has('bar')),
  };
}

/** What a program that flips by itself is told. */
export function automaticOf({ plan, limit, learned, numbers }: NightStatic) {
  return {
    pastMin: plan && plan.flips.length > 0 ? limit.limitH * 60 : null,
    waitS: slewWaitS(learned, numbers),
    pauseMin: flipMinutesOf(learned, numbers),
  };
}

/** What the subs of all targets need: frames, room on a card, and whether the batteries last. */
export function roomOf(night: NightStatic, power: SettingValue<'power'>) {
  const { records, dark, numbers } = night;
  const groups = exposureGroups(night);
  const frames = groups.reduce((sum, { count }) => sum + count, 0);
  const { batteries } = powerOfRig(records.rig, records.parts, dark, power);
  const empty = batteries.flatMap((b) => b.emptyAtMs ?? []);
  return {
    groups,
    frames,
    neededGb: numbers.camera ? cardGb(frames, numbers.camera) : null,
    battery: batteries.length === 0 ? null : { emptyAtMs: empty.length > 0 ? Math.min(...empty) : null },
  };
}

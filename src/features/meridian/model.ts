/** What the meridian bench shows, as codes and figures. */
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
import { CLEARANCE_MARGIN_M } from '../../core/night/meridian/meridianLimit.ts';
import { MS_PER_HOUR, SOLAR_PER_SIDEREAL } from '../../core/time/utc.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { Plan } from '../../core/night/plan/plan.ts';
import type { MeridianSaying } from '../../text/meridianWords.ts';

export type MeridianModel = {
  saying: MeridianSaying;
  before: number;
  after: number;
  integrationS: number;
};

/** With subs laid: what happens at the meridian. */
function planSaying(plan: Plan, transitMs: number, endMs: number): MeridianSaying {
  if (plan.stopsAtLimit && plan.limitMs !== null) return { code: 'stopAtLimit', limitMs: plan.limitMs };
  const before = plan.subs.filter((s) => s.side === 'before').length;
  if (plan.flip) return { code: 'flip', flipMs: plan.flip.startMs, subNumber: before };
  if (plan.subs[0]?.side === 'after') return { code: 'transitBefore', transitMs };
  return { code: transitMs >= endMs ? 'transitAfter' : 'limitAfterEnd', transitMs };
}

function sayingOf(night: NightStatic): MeridianSaying {
  const { target, targetSky, dark, usable, plan, sky, records } = night;
  if (!target || !targetSky) return { code: 'noTarget' };
  const { neverRises, altDeg, transitMs } = targetSky.transit;
  if (neverRises) return { code: 'neverRises', target: target.name, altDeg, latDeg: records.site.latDeg };
  if (!dark) return { code: 'noDarkness', darkness: records.night.darkness, sunLowestDeg: sky.events.sunLowestDeg };
  if (usable && night.numbers.eyepiece) return { code: 'byEye', target: target.name, transitMs };
  if (!usable || !plan) return { code: 'notUpInDark', target: target.name };
  if (!night.flips) return { code: 'noFlipMount', target: target.name, transitMs };
  return planSaying(plan, transitMs, usable.toMs);
}

export function meridianModel(night: NightStatic): MeridianModel {
  const subs = night.plan?.subs ?? [];
  return {
    saying: sayingOf(night),
    before: subs.filter((s) => s.side === 'before').length,
    after: subs.filter((s) => s.side === 'after').length,
    integrationS: night.plan?.integrationS ?? 0,
  };
}

/** True when the tube is on its after-flip side at a moment of the plan. */
export function isAfterFlip(night: NightStatic, timeMs: number): boolean {
  const { plan } = night;
  if (!plan) return false;
  if (plan.flip) return timeMs >= plan.flip.startMs;
  return plan.subs[0]?.side === 'after';
}

export type Approach = {
  geometry: ClearanceGeometry;
  pose: SkyPose;
  closest: Closest;
  clearanceM: number;
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
): Approach | null {
  const { targetSky, limit, records } = night;
  const { tube } = limit;
  if (!target || !targetSky || !tube) return null;
  const { geometry, shift } = tube;
  const { latDeg } = records.site;
  const state = isAfterFlip(night, timeMs) ? 'afterFlip' : 'beforeFlip';
  const pose: SkyPose = { haH: target.haH, decDeg: targetSky.ofDate.decDeg, state };
  const { closest, barClosest, barClearanceM, ...drawn } = clearanceOf(geometry, latDeg)(pose);
  const clearanceM = drawn.clearanceM + (shift?.shiftM ?? 0);
  return {
    geometry,
    pose,
    closest,
    clearanceM,
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

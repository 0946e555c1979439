/** How far past the meridian the tube may run tonight before it must have flipped, and what says so. */
import { clearanceOf, firstClearH, firstLimitH, type Closest, type ClearanceGeometry } from '../../mount/clearance.ts';
import type { PlanEntry } from '../../records/night.ts';
import { clearanceOfRig, type Unmeasured } from '../../rig/clearanceOfRig.ts';
import type { RigNumbers } from '../../rig/rigNumbers.ts';
import { MS_PER_HOUR, SOLAR_PER_SIDEREAL } from '../../time/utc.ts';
import type { GapShift } from './gapShift.ts';

/** Nearer than this nothing may come. */
export const CLEARANCE_MARGIN_M = 0.05;
/** The search ends here: six hours past the meridian the bar stands upright. */
export const FARTHEST_H = 6;
/** A target that never sets goes on over the north (or south) horizon. */
const FARTHEST_AFTER_H = 18;

/** `clear`: measured, and clear all the way; `unmeasured`: nothing says how far, so that the tube goes over at the
 *  meridian. */
export type LimitSource = 'night' | 'mount' | 'clearance' | 'clear' | 'unmeasured';

export type TubeClearance = {
  geometry: ClearanceGeometry;
  shift: GapShift | null;
  /** First hour angle, from the meridian on, at which the margin is used up; null = never. */
  limitH: number | null;
  closest: Closest | null;
  /** After the flip: the first hour angle past the meridian at which the margin is used up, up to half a day beyond the
   *  lower transit; null = never. */
  secondLimitH: number | null;
  /** After the flip it is clear from here on: where the margin is used up at the meridian already, neither side is. */
  clearAfterH: number;
  /** Measured throughout, or calibrated by a measured gap: only then it may let the tube run on. */
  trusted: boolean;
  unmeasured: readonly Unmeasured[];
};

export type MeridianLimit = { limitH: number; source: LimitSource; tube: TubeClearance | null };

/** Null for mounts that never flip and rigs without their parts. */
export function tubeClearance(
  numbers: RigNumbers,
  latDeg: number,
  decDeg: number | null,
  shift: GapShift | null,
): TubeClearance | null {
  const found = clearanceOfRig(numbers, latDeg);
  if (!found) return null;
  const { geometry, unmeasured } = found;
  const search = {
    decDeg: decDeg ?? 0,
    state: 'beforeFlip',
    fromH: 0,
    toH: FARTHEST_H,
    marginM: CLEARANCE_MARGIN_M,
    shiftM: shift?.shiftM ?? 0,
  } as const;
  const limitH = decDeg === null ? null : firstLimitH(geometry, latDeg, search);
  const closest =
    limitH === null
      ? null
      : clearanceOf(geometry, latDeg)({ haH: limitH, decDeg: search.decDeg, state: search.state }).closest;
  const after = { ...search, state: 'afterFlip' } as const;
  const clearAfterH = decDeg === null ? 0 : (firstClearH(geometry, latDeg, after) ?? FARTHEST_H);
  const secondLimitH =
    decDeg === null ? null : firstLimitH(geometry, latDeg, { ...after, fromH: clearAfterH, toH: FARTHEST_AFTER_H });
  return {
    geometry,
    shift,
    limitH,
    closest,
    secondLimitH,
    clearAfterH,
    trusted: shift !== null || unmeasured.length === 0,
    unmeasured,
  };
}

const afterTransit = (transitMs: number, haH: number): number => transitMs + haH * MS_PER_HOUR * SOLAR_PER_SIDEREAL;

/** When the second limit comes, after a transit; null when it never does. */
export function secondLimitMs(tube: TubeClearance | null, transitMs: number | null): number | null {
  if (tube === null || tube.secondLimitH === null || transitMs === null) return null;
  return afterTransit(transitMs, tube.secondLimitH);
}

/** From when on the flipped tube is clear, where it is not so at the meridian already; else null. */
export function clearFromMs(tube: TubeClearance | null, transitMs: number | null): number | null {
  if (tube === null || tube.clearAfterH <= 0 || transitMs === null) return null;
  return afterTransit(transitMs, tube.clearAfterH);
}

/** The earliest of what this night, the mount and the clearance allow. A clearance that was never measured may shorten the
 *  run, and never lengthen it. */
export function meridianLimit(
  entry: PlanEntry | null,
  mountLimitH: number | null,
  tube: TubeClearance | null,
): MeridianLimit {
  const told: [LimitSource, number | null][] = [
    ['night', entry?.limitH ?? null],
    ['mount', mountLimitH],
    ['clearance', tube?.limitH ?? null],
  ];
  const known = told.flatMap(([source, limitH]) => (limitH === null ? [] : [{ source, limitH }]));
  const allowed = known.some(({ source }) => source !== 'clearance') || tube?.trusted === true;
  if (!allowed) known.unshift({ source: 'unmeasured', limitH: 0 });
  const earliest = known.reduce<(typeof known)[number]>((least, one) => (one.limitH < least.limitH ? one : least), {
    source: 'clear',
    limitH: FARTHEST_H,
  });
  return { ...earliest, tube };
}

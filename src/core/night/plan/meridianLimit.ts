/** Over which hour angles the tube may stand on each side of its mount tonight, and what says so. */
import {
  clearanceOf,
  firstClearH,
  firstLimitH,
  type Closest,
  type ClearanceGeometry,
  type LimitSearch,
} from '../../mount/clearance.ts';
import type { PlanEntry } from '../../records/night.ts';
import type { Rig } from '../../records/rig.ts';
import { clearanceOfRig, type Unmeasured } from '../../rig/clearanceOfRig.ts';
import type { RigNumbers } from '../../rig/rigNumbers.ts';
import type { GapShift } from '../learned/gapShift.ts';

/** Nearer than this nothing may come. */
export const CLEARANCE_MARGIN_M = 0.05;
/** The search ends here: six hours past the meridian the bar stands upright. */
export const FARTHEST_H = 6;
/** From one crossing of the meridian to the next. */
export const HALF_TURN_H = 12;

/** `cable`, `fitting`: of the rig, as the user found them. `clear`: measured, and clear all the way; `unmeasured`: nothing says
 *  how far, so that the tube goes over at the meridian. */
export type LimitSource = 'night' | 'mount' | 'cable' | 'fitting' | 'clearance' | 'clear' | 'unmeasured';

/** Hour angles over which nothing comes too near; an end that was not met is null. */
export type ClearSpan = { fromH: number | null; toH: number | null };

export type TubeClearance = {
  geometry: ClearanceGeometry;
  shift: GapShift | null;
  /** Before the flip, around the upper transit or up to where the margin is used up before it; null = nowhere clear. */
  before: ClearSpan | null;
  /** After the flip, around the upper transit or from where it is clear past it. */
  after: ClearSpan | null;
  /** The pair that ends the run before the flip. */
  closest: Closest | null;
  /** Measured throughout, or calibrated by a measured gap: only then it may let the tube run on. */
  trusted: boolean;
  unmeasured: readonly Unmeasured[];
};

export type MeridianLimit = {
  /** How far past the meridian the unflipped tube may run, hours; negative = it must leave before. */
  limitH: number;
  source: LimitSource;
  /** The same of the flipped tube: beyond 12 h it has crossed the meridian below the pole. */
  secondLimitH: number;
  tube: TubeClearance | null;
};

/** The clear span that is met first on the way on (1) or back (-1) from the meridian.
 *  @param mirrored its far end is looked for as far as this, its near end the other way round. */
function clearSpan(
  g: ClearanceGeometry,
  latDeg: number,
  search: Omit<LimitSearch, 'fromH' | 'toH'>,
  way: 1 | -1,
): ClearSpan | null {
  const metH = firstClearH(g, latDeg, { ...search, fromH: 0, toH: way * HALF_TURN_H });
  if (metH === null) return null;
  const [onward, backward] = [way * (HALF_TURN_H + FARTHEST_H), -way * FARTHEST_H];
  const farH = firstLimitH(g, latDeg, { ...search, fromH: metH, toH: onward });
  const nearH = metH === 0 ? firstLimitH(g, latDeg, { ...search, fromH: 0, toH: backward }) : metH;
  return way === 1 ? { fromH: nearH, toH: farH } : { fromH: farH, toH: nearH };
}

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
  const known = { geometry, shift, unmeasured, trusted: shift !== null || unmeasured.length === 0 };
  if (decDeg === null) {
    const unlimited: ClearSpan = { fromH: null, toH: null };
    return { ...known, before: unlimited, after: unlimited, closest: null };
  }
  const search = { decDeg, marginM: CLEARANCE_MARGIN_M, shiftM: shift?.shiftM ?? 0 };
  const before = clearSpan(geometry, latDeg, { ...search, state: 'beforeFlip' }, -1);
  const after = clearSpan(geometry, latDeg, { ...search, state: 'afterFlip' }, 1);
  const endH = before ? before.toH : 0;
  const closest =
    endH === null ? null : clearanceOf(geometry, latDeg)({ haH: endH, decDeg, state: 'beforeFlip' }).closest;
  return { ...known, before, after, closest };
}

/** What the mount and the rig say of themselves, hours past the meridian; null = never asked. */
export type OwnLimits = { mountH: number | null; cableH: number | null; fittingH: number | null };

export const ownLimits = ({ mount }: RigNumbers, rig: Pick<Rig, 'cableLimitH' | 'fittingLimitH'>) => ({
  mountH: mount?.pastMeridianLimitH ?? null,
  cableH: rig.cableLimitH ?? null,
  fittingH: rig.fittingLimitH ?? null,
});

const clearanceLimitH = (tube: TubeClearance | null): number | null =>
  tube === null ? null : tube.before === null ? -HALF_TURN_H : tube.before.toH;

/** The earliest of what this night, the mount, cables, fittings and the clearance allow. A clearance that was never measured may
 *  shorten the run, and never lengthen it. */
export function meridianLimit(entry: PlanEntry | null, own: OwnLimits, tube: TubeClearance | null): MeridianLimit {
  const told: [LimitSource, number | null][] = [
    ['night', entry?.limitH ?? null],
    ['mount', own.mountH],
    ['cable', own.cableH],
    ['fitting', own.fittingH],
    ['clearance', clearanceLimitH(tube)],
  ];
  const known = told.flatMap(([source, limitH]) => (limitH === null ? [] : [{ source, limitH }]));
  // A cable that reaches does not say that the tube clears.
  const allowed = known.some(({ source }) => source === 'night' || source === 'mount') || tube?.trusted === true;
  if (!allowed) known.unshift({ source: 'unmeasured', limitH: 0 });
  const earliest = known.reduce<(typeof known)[number]>((least, one) => (one.limitH < least.limitH ? one : least), {
    source: 'clear',
    limitH: FARTHEST_H,
  });
  return { ...earliest, secondLimitH: secondLimitH(own, tube), tube };
}

/** Beyond the crossing below the pole the weights stand above the tube again, as past the upper one: what the mount and the
 *  cables allow there holds here too. */
function secondLimitH({ mountH, cableH }: OwnLimits, tube: TubeClearance | null): number {
  const past = [mountH, cableH].flatMap((limitH) => limitH ?? []);
  const beyondH = Math.min(...past, FARTHEST_H);
  const trusted = mountH !== null || tube?.trusted === true;
  const clearH = tube === null || tube.after === null ? Infinity : (tube.after.toH ?? Infinity);
  return Math.min(HALF_TURN_H + (trusted ? beyondH : Math.min(0, beyondH)), clearH);
}

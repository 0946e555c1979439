/** All that moves a star in a planned sub, at each point of the frame, ready to be summed along a sub's own path.
 *  x = along right ascension on the sky (east +), y = along declination (north +). */
import { RAD_PER_DEG } from '../math/angles.ts';
import { spreadAlong } from '../math/covariance2.ts';
import { axisSeenFrom, SIDEREAL_RAD_PER_S } from '../mount/polarDrift.ts';
import { parallacticAngleDeg, toHorizontal } from '../sky/horizontal.ts';
import { framePoints, type FramePoint } from './framePoints.ts';
import type { GuidedTracking, PlannedSub, PolarError, PoleDoubt, StretchItem, UnguidedTracking } from './plannedSub.ts';

type Pair = readonly [number, number];

/** How far off, along and across: known, known with a doubt, or so far in any direction. */
export type Off = {
  readonly mean: Pair;
  /** In any direction; 0 where the direction is known. */
  readonly ring: number;
  /** Lower triangle of the doubt's square root: along; along in across; across. Null = no doubt. */
  readonly doubt: readonly [number, number, number] | null;
};

export type Motions = {
  readonly points: readonly FramePoint[];
  /** The wobble of the drive at the axis times this is what the sky sees: cos(dec), 0 when nothing wobbles. */
  readonly wobble: number;
  /** Steady motions, arcsec/s. */
  readonly rate: Pair;
  readonly refraction: Pair;
  /** In arcsec/s: along it the field turns (`turn`, 1/s per arcsec/s, about the point `about`) and stars drift in right
   *  ascension, across it they drift in declination; `drifts` are what is left of both. */
  readonly axis: Off;
  readonly drifts: Pair;
  readonly turn: number;
  readonly about: Pair;
  /** Turn of the field by the mount itself, 1/s. */
  readonly ownTurn: number;
  /** Arcsec/s toward north and east. */
  readonly flexure: Off;
  /** Constant spreads: variance in x and y everywhere; xx, xy, yy per point. */
  readonly guiding: Pair;
  readonly spacing: readonly (readonly [number, number, number])[];
};

const NONE: Pair = [0, 0];
const STILL: Off = { mean: NONE, ring: 0, doubt: null };
export const isStill = ({ mean, ring, doubt }: Off): boolean =>
  mean[0] === 0 && mean[1] === 0 && ring === 0 && doubt === null;
/** So much in any direction, or along a known one. */
const offToward = (size: number, angleRad: number | null): Off =>
  angleRad === null
    ? { ...STILL, ring: size }
    : { ...STILL, mean: [size * Math.cos(angleRad), size * Math.sin(angleRad)] };

/** Refraction at the target as a vector (x, y): 58.2 tan(z) arcsec toward the zenith. Valid to z of about 80 degrees.
 *  Source: first term of the refraction series (Smart 1977). */
function refractionVector(latDeg: number, decDeg: number, haH: number): Pair {
  const z = (90 - toHorizontal(haH, decDeg, latDeg).altDeg) * RAD_PER_DEG;
  const q = parallacticAngleDeg(haH, decDeg, latDeg) * RAD_PER_DEG;
  const lift = 58.2 * Math.tan(z);
  return [lift * Math.sin(q), lift * Math.cos(q)];
}

/** Change of refraction from start to end of the exposure, arcsec (x, y). */
export function refractionDriftArcsec(
  { exposureS, declinationDeg }: Pick<PlannedSub, 'exposureS' | 'declinationDeg'>,
  at: { latDeg: number; haH: number },
): Pair {
  const halfH = (exposureS * SIDEREAL_RAD_PER_S * 12) / Math.PI / 2;
  const start = refractionVector(at.latDeg, declinationDeg, at.haH - halfH);
  const end = refractionVector(at.latDeg, declinationDeg, at.haH + halfH);
  return [end[0] - start[0], end[1] - start[1]];
}

/** A star drifts by so much, arcsec/s, for each arcmin of the axis. */
const RATE_PER_ARCMIN = SIDEREAL_RAD_PER_S * 60;

/** The doubt as it is seen from an hour angle: the lower triangle whose square it is.
 *  Source: Cholesky decomposition of the turned covariance. */
function doubtSeenFrom({ altVar, azVar, covariance }: PoleDoubt, latDeg: number, haH: number): Off['doubt'] {
  const alt = axisSeenFrom({ altErrorArcmin: 1, azErrorArcmin: 0 }, latDeg, haH);
  const az = axisSeenFrom({ altErrorArcmin: 0, azErrorArcmin: 1 }, latDeg, haH);
  const product = (a: Seen, b: Seen): number =>
    alt[a] * alt[b] * altVar + az[a] * az[b] * azVar + (alt[a] * az[b] + az[a] * alt[b]) * covariance;
  const along = Math.sqrt(Math.max(0, product('alongArcmin', 'alongArcmin')));
  const shared = along > 0 ? product('alongArcmin', 'acrossArcmin') / along : 0;
  const across = Math.sqrt(Math.max(0, product('acrossArcmin', 'acrossArcmin') - shared ** 2));
  return [along * RATE_PER_ARCMIN, shared * RATE_PER_ARCMIN, across * RATE_PER_ARCMIN];
}
type Seen = 'alongArcmin' | 'acrossArcmin';

/** How far the axis is off as a rate of drift. */
function axisOff(polar: PolarError): Off {
  if (polar.known === 'size') return offToward(polar.errorArcmin * RATE_PER_ARCMIN, null);
  const { latDeg, haH, doubt } = polar;
  const { alongArcmin, acrossArcmin } = axisSeenFrom(polar, latDeg, haH);
  return {
    mean: [alongArcmin * RATE_PER_ARCMIN, acrossArcmin * RATE_PER_ARCMIN],
    ring: 0,
    doubt: doubt && doubtSeenFrom(doubt, latDeg, haH),
  };
}

/** How far the axis stands from the pole, on the sky: where it is doubted, the root of the mean square. */
export function polarSizeArcmin(polar: PolarError): number {
  if (polar.known === 'size') return polar.errorArcmin;
  const { mean, doubt } = axisOff(polar);
  return Math.hypot(...mean, ...(doubt ?? [])) / RATE_PER_ARCMIN;
}

type OfTracking = Omit<Motions, 'points' | 'axis' | 'ownTurn' | 'spacing'>;

function flexureOff(tracking: GuidedTracking): Off {
  const { flexureArcsecPerMin, flexureDirectionDeg, flexureSigmaArcsecPerMin } = tracking;
  const sigma = flexureSigmaArcsecPerMin / 60;
  return {
    ...offToward(flexureArcsecPerMin / 60, flexureDirectionDeg === null ? null : flexureDirectionDeg * RAD_PER_DEG),
    doubt: sigma > 0 ? [sigma, 0, sigma] : null,
  };
}

/** Guided: the common motion goes; what stays is the turn about the guide star and the sag of what looks at it. Where only
 *  right ascension is held, the drift in declination stays too, and what the air does there. */
function guidedMotions(sub: PlannedSub, tracking: GuidedTracking): OfTracking {
  const [gx, gy] = tracking.guideStarArcsec;
  const dec = sub.declinationDeg * RAD_PER_DEG;
  const guideStar = (gy / 3600) * RAD_PER_DEG;
  const { rmsRaArcsec, rmsDecArcsec } = tracking;
  const both = tracking.axes === 'both';
  return {
    wobble: 0,
    rate: NONE,
    refraction: both ? NONE : [0, refractionRate(sub, tracking.refraction)[1]],
    drifts: both ? NONE : [0, -1],
    turn: RAD_PER_DEG / 3600 / (Math.cos(dec) - guideStar * Math.sin(dec)),
    about: both ? [gx, gy] : [0, gy],
    flexure: flexureOff(tracking),
    guiding: [rmsRaArcsec ** 2, both ? rmsDecArcsec ** 2 : 0],
  };
}

/** What the air does, arcsec/s. */
function refractionRate(sub: PlannedSub, at: { latDeg: number; haH: number } | null): Pair {
  const [x, y] = at ? refractionDriftArcsec(sub, at) : NONE;
  return [x / sub.exposureS, y / sub.exposureS];
}

function unguidedMotions(sub: PlannedSub, tracking: UnguidedTracking): OfTracking {
  const dec = sub.declinationDeg * RAD_PER_DEG;
  const { sinusoids, curve } = tracking.drive;
  return {
    wobble: sinusoids.length > 0 || curve ? Math.cos(dec) : 0,
    rate: [(tracking.raRateAxisArcsecPerMin / 60) * Math.cos(dec), 0],
    refraction: refractionRate(sub, tracking.refraction),
    drifts: [-Math.sin(dec), -1],
    turn: (Math.cos(dec) * RAD_PER_DEG) / 3600,
    about: NONE,
    flexure: STILL,
    guiding: NONE,
  };
}

function spacingSpread({ spacing }: PlannedSub, points: readonly FramePoint[]): Motions['spacing'] {
  return points.map(({ x, y }, i) => {
    const variance = i === 0 || !spacing ? 0 : (spacing.sigmaArcsec[i - 1] ?? 0) ** 2;
    const c = spacing?.direction === 'tangential' ? spreadAlong(-y, x, variance) : spreadAlong(x, y, variance);
    return [c.xx, c.xy, c.yy];
  });
}

export function motionsOf(sub: PlannedSub): Motions {
  const points = framePoints(sub);
  const { tracking } = sub;
  return {
    points,
    axis: axisOff(sub.polar),
    ownTurn: (sub.fieldTurnArcsecPerS / 3600) * RAD_PER_DEG,
    ...(tracking.guided ? guidedMotions(sub, tracking) : unguidedMotions(sub, tracking)),
    spacing: spacingSpread(sub, points),
  };
}

/** Each item as if it were mended. */
const MENDED: Record<StretchItem, Partial<Motions>> = {
  fieldTurn: { ownTurn: 0 },
  periodicError: { wobble: 0 },
  raRate: { rate: NONE },
  polar: { axis: STILL },
  refraction: { refraction: NONE },
  flexure: { flexure: STILL },
  guiding: { guiding: NONE },
  spacing: { spacing: [] },
};
export const STRETCH_ITEMS = Object.keys(MENDED) as StretchItem[];

export function without(motions: Motions, items: readonly StretchItem[]): Motions {
  return items.reduce((left, item) => ({ ...left, ...MENDED[item] }), motions);
}

/** True when an item does nothing to this sub. */
export function isAbsent(motions: Motions, item: StretchItem): boolean {
  const still: Record<StretchItem, boolean> = {
    fieldTurn: motions.ownTurn === 0,
    periodicError: motions.wobble === 0,
    raRate: motions.rate.every((v) => v === 0),
    polar: isStill(motions.axis),
    refraction: motions.refraction.every((v) => v === 0),
    flexure: isStill(motions.flexure),
    guiding: motions.guiding.every((v) => v === 0),
    spacing: motions.spacing.flat().every((v) => v === 0),
  };
  return still[item];
}

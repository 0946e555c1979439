/** All that moves a star in a planned sub, at each point of the frame, ready to be summed along a sub's own path.
 *  x = along right ascension on the sky (east +), y = along declination (north +). */
import { RAD_PER_DEG } from '../math/angles.ts';
import { spreadAlong } from '../math/covariance2.ts';
import { axisSeenFrom, SIDEREAL_RAD_PER_S } from '../mount/polarDrift.ts';
import { parallacticAngleDeg, toHorizontal } from '../sky/horizontal.ts';
import { framePoints, type FramePoint } from './framePoints.ts';
import type { PlannedSub, PolarError, StretchItem } from './plannedSub.ts';

type Pair = readonly [number, number];

/** Off which way, seen with the hour angle: a known direction, or one drawn per member. */
type AxisOff = { size: number; angle: number | null };

export type Motions = {
  readonly points: readonly FramePoint[];
  /** The wobble of the drive at the axis times this is what the sky sees: cos(dec), 0 when nothing wobbles. */
  readonly wobble: number;
  /** Steady motions, arcsec/s. */
  readonly rate: Pair;
  readonly refraction: Pair;
  /** Size in arcsec/s in declination; `turn` (1/s) per arcsec/s of it, about the point `about`; drift along right
   *  ascension, none when guided. */
  readonly axis: AxisOff;
  readonly drifts: Pair;
  readonly turn: number;
  readonly about: Pair;
  /** Turn of the field by the mount itself, 1/s. */
  readonly ownTurn: number;
  /** Arcsec/s, toward a position angle. */
  readonly flexure: AxisOff;
  /** Constant spreads: variance in x and y everywhere; xx, xy, yy per point. */
  readonly guiding: Pair;
  readonly spacing: readonly (readonly [number, number, number])[];
};

const NONE: Pair = [0, 0];
const STILL: AxisOff = { size: 0, angle: 0 };

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

/** How far the axis is off as a rate of drift, and the direction u: along it the field turns, across it stars drift in
 *  declination. */
function axisOff(polar: PolarError): AxisOff {
  const size = polarSizeArcmin(polar) * SIDEREAL_RAD_PER_S * 60;
  if (polar.known === 'size') return { size, angle: null };
  const { alongArcmin, acrossArcmin } = axisSeenFrom(polar, polar.latDeg, polar.haH);
  return { size, angle: Math.atan2(acrossArcmin, alongArcmin) };
}

/** How far the axis stands from the pole, on the sky. */
export function polarSizeArcmin(polar: PolarError): number {
  if (polar.known === 'size') return polar.errorArcmin;
  const { alongArcmin, acrossArcmin } = axisSeenFrom(polar, polar.latDeg, polar.haH);
  return Math.hypot(alongArcmin, acrossArcmin);
}

type OfTracking = Omit<Motions, 'points' | 'axis' | 'ownTurn' | 'spacing'>;

/** Guided: the common motion goes; what stays is the turn about the guide star and the sag of what looks at it. */
function guidedMotions(sub: PlannedSub, tracking: Extract<PlannedSub['tracking'], { guided: true }>): OfTracking {
  const [gx, gy] = tracking.guideStarArcsec;
  const dec = sub.declinationDeg * RAD_PER_DEG;
  const guideStar = (gy / 3600) * RAD_PER_DEG;
  const { flexureDirectionDeg } = tracking;
  return {
    wobble: 0,
    rate: NONE,
    refraction: NONE,
    drifts: NONE,
    turn: RAD_PER_DEG / 3600 / (Math.cos(dec) - guideStar * Math.sin(dec)),
    about: [gx, gy],
    flexure: {
      size: tracking.flexureArcsecPerMin / 60,
      angle: flexureDirectionDeg === null ? null : flexureDirectionDeg * RAD_PER_DEG,
    },
    guiding: [tracking.rmsRaArcsec ** 2, tracking.rmsDecArcsec ** 2],
  };
}

function unguidedMotions(sub: PlannedSub, tracking: Extract<PlannedSub['tracking'], { guided: false }>): OfTracking {
  const dec = sub.declinationDeg * RAD_PER_DEG;
  const { sinusoids, curve } = tracking.drive;
  const [rx, ry] = tracking.refraction ? refractionDriftArcsec(sub, tracking.refraction) : NONE;
  return {
    wobble: sinusoids.length > 0 || curve ? Math.cos(dec) : 0,
    rate: [(tracking.raRateAxisArcsecPerMin / 60) * Math.cos(dec), 0],
    refraction: [rx / sub.exposureS, ry / sub.exposureS],
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
    polar: motions.axis.size === 0,
    refraction: motions.refraction.every((v) => v === 0),
    flexure: motions.flexure.size === 0,
    guiding: motions.guiding.every((v) => v === 0),
    spacing: motions.spacing.flat().every((v) => v === 0),
  };
  return still[item];
}

/** A tripod's feet and its level. Azimuths from true north through east. */
import { RAD_PER_DEG, wrap360 } from '../math/angles.ts';
import { requireRange } from '../result.ts';

/** Level to this is good: an aligned axis tracks the same on a slant; only scale and adjusters gain from more. */
export const LEVEL_GOOD_DEG = 0.5;

/** Azimuths of the three feet. */
export function footAzimuthsDeg(firstFootAzimuthDeg: number): [number, number, number] {
  return [wrap360(firstFootAzimuthDeg), wrap360(firstFootAzimuthDeg + 120), wrap360(firstFootAzimuthDeg + 240)];
}

export type FootLift = { azimuthDeg: number; liftM: number };

/** How much each foot must be raised to bring the base level, the highest one staying where it is. A base 1 m across
 *  (feet 0.5 m out), 1 degree up toward a foot: the other two rise by 13.1 mm.
 *  @param tiltDeg slope of the base, 0 to 45.  @param uphillAzimuthDeg true azimuth of the high side. */
export function footLifts(input: {
  tiltDeg: number;
  uphillAzimuthDeg: number;
  footRadiusM: number;
  firstFootAzimuthDeg: number;
}): FootLift[] {
  requireRange('tiltDeg', input.tiltDeg, 0, 45);
  const slope = Math.tan(input.tiltDeg * RAD_PER_DEG);
  const feet = footAzimuthsDeg(input.firstFootAzimuthDeg).map((azimuthDeg) => ({
    azimuthDeg,
    heightM: input.footRadiusM * slope * Math.cos((azimuthDeg - input.uphillAzimuthDeg) * RAD_PER_DEG),
  }));
  const highest = Math.max(...feet.map((f) => f.heightM));
  return feet.map(({ azimuthDeg, heightM }) => ({ azimuthDeg, liftM: highest - heightM }));
}

/** Slope of the base toward the elevated pole, degrees, + = that side high: what it adds to the axis' altitude. */
export function poleSideUpDeg(tiltDeg: number, uphillAzimuthDeg: number, latDeg: number): number {
  const uphill = (uphillAzimuthDeg - (latDeg < 0 ? 180 : 0)) * RAD_PER_DEG;
  return Math.atan(Math.tan(tiltDeg * RAD_PER_DEG) * Math.cos(uphill)) / RAD_PER_DEG;
}

/** Places on a polar finder's plate and in its view: x to the right, y up as the eye sees them, arcmin from the cross.
 *  View angles run clockwise from the top.
 *  Source: plane geometry. Angle 90 at 10': x 10, y 0. */
import { DEG_PER_RAD, RAD_PER_DEG, wrap360 } from '../math/angles.ts';

export type PlatePoint = { xArcmin: number; yArcmin: number };
export type PlatePolar = { angleDeg: number; distanceArcmin: number };

export function toPlate({ angleDeg, distanceArcmin }: PlatePolar): PlatePoint {
  const angle = angleDeg * RAD_PER_DEG;
  return { xArcmin: distanceArcmin * Math.sin(angle), yArcmin: distanceArcmin * Math.cos(angle) };
}

/** Inverse of `toPlate`; the angle at the cross itself is 0 by convention. */
export function toPolar({ xArcmin, yArcmin }: PlatePoint): PlatePolar {
  return {
    angleDeg: wrap360(Math.atan2(xArcmin, yArcmin) * DEG_PER_RAD),
    distanceArcmin: Math.hypot(xArcmin, yArcmin),
  };
}

export function plus(a: PlatePoint, b: PlatePoint): PlatePoint {
  return { xArcmin: a.xArcmin + b.xArcmin, yArcmin: a.yArcmin + b.yArcmin };
}

export function times(a: PlatePoint, factor: number): PlatePoint {
  return { xArcmin: a.xArcmin * factor, yArcmin: a.yArcmin * factor };
}

/** A place turned clockwise about the middle. */
export function turnedBy(place: PlatePoint, deg: number): PlatePoint {
  const [c, s] = [Math.cos(deg * RAD_PER_DEG), Math.sin(deg * RAD_PER_DEG)];
  return { xArcmin: c * place.xArcmin + s * place.yArcmin, yArcmin: c * place.yArcmin - s * place.xArcmin };
}

/** How true a polar finder looks along its axis: a distant point is marked, the axis turned by half a turn, the point
 *  marked again. The point stays where it is in the view; the cross circles the axis. So half the way between the two
 *  marks is what the cross stands beside the axis. Marks: view coordinates from the cross (`finderPlate.ts`). */
import { RAD_PER_DEG } from '../math/angles.ts';
import { requirePositive } from '../result.ts';
import { plus, times, toPlate, toPolar, type PlatePoint, type PlatePolar } from './finderPlate.ts';

export type HalfTurnMarks = { before: PlatePoint; after: PlatePoint };

/** Where the cross stands from the axis, in the view as it was before the turn: (after - before) / 2.
 *  Marks 20' to the right and then 20' to the left of the cross: the cross stood 20' left of the axis. After the turn it
 *  stands opposite, so this is also the way it must go in the view as it is then. */
export function crossOffset({ before, after }: HalfTurnMarks): PlatePoint {
  return times(plus(after, times(before, -1)), 0.5);
}

/** Where the point stands on the plate once the cross is true: halfway between the two marks. Watch for it while the
 *  screws are turned. */
export function halfwayPoint({ before, after }: HalfTurnMarks): PlatePoint {
  return times(plus(before, after), 0.5);
}

/** Parallax of a near point, arcmin, for a lens that circles this far beside the axis: 5 mm at 200 m is 0.09'.
 *  Source: small-angle ratio. */
export function parallaxArcmin(offsetM: number, distanceM: number): number {
  requirePositive('distanceM', distanceM);
  return (offsetM / distanceM / RAD_PER_DEG) * 60;
}

/** Where a star belongs on a plate whose cross stands beside the axis: its place about the axis, seen from the cross.
 *  @param offset of the cross from the axis, in the same view. */
export function correctedPlace(star: PlatePolar, offset: PlatePoint): PlatePolar {
  return toPolar(plus(toPlate(star), times(offset, -1)));
}

/** How well a mount without a finder can be aimed down its open bore, degrees: a star can be centred in the far opening
 *  to about a tenth of its width. 25 mm wide and 200 mm long: 0.7. */
export function boreAccuracyDeg(widthMm: number, lengthMm: number): number {
  requirePositive('widthMm', widthMm);
  requirePositive('lengthMm', lengthMm);
  return Math.atan(widthMm / lengthMm) / 10 / RAD_PER_DEG;
}

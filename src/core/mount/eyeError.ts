/** The axis error from where a star stands in the polar finder against where it belongs.
 *  Source: plane geometry about the pole, true to a percent within 5 degrees of it. */
import { RAD_PER_DEG } from '../math/angles.ts';
import { plus, times, type PlatePoint } from './finderPlate.ts';
import type { AxisError } from './polarDrift.ts';

/** In an upright view the sky's pole stands where the axis misses it: an axis too high shows its stars too low. Facing
 *  north east is to the right, facing south to the left; an inverted view turns all of it by half a turn.
 *  @param belongs @param stands places on the plate, from the same middle. */
export function eyeError(
  belongs: PlatePoint,
  stands: PlatePoint,
  { latDeg, view }: { latDeg: number; view: 'upright' | 'inverted' },
): AxisError {
  const off = plus(stands, times(belongs, -1));
  const { xArcmin, yArcmin } = view === 'inverted' ? times(off, -1) : off;
  const eastOnSky = latDeg < 0 ? xArcmin : -xArcmin;
  return { altErrorArcmin: -yArcmin, azErrorArcmin: eastOnSky / Math.cos(latDeg * RAD_PER_DEG) };
}

/** Inverse of `eyeError`: how the stars in the view move off their places when the axis is wrong. */
export function starsOff(
  { altErrorArcmin, azErrorArcmin }: AxisError,
  { latDeg, view }: { latDeg: number; view: 'upright' | 'inverted' },
): PlatePoint {
  const eastOnSky = azErrorArcmin * Math.cos(latDeg * RAD_PER_DEG);
  const upright = { xArcmin: latDeg < 0 ? eastOnSky : -eastOnSky, yArcmin: -altErrorArcmin };
  return view === 'inverted' ? times(upright, -1) : upright;
}

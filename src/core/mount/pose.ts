/** Where the tube of a mount on a polar axis looks, and on which side of the column it hangs.
 *  Frame: x east, y north, z up. */
import { RAD_PER_DEG } from '../math/angles.ts';
import type { Vec3 } from '../math/vectors.ts';
import { requireRange } from '../result.ts';

/** A German mount reaches each place in two ways, the one in which it starts a night's target and the one after the flip. */
export type FlipState = 'beforeFlip' | 'afterFlip';

export type Pose = {
  /** Unit vector along the tube, to the sky. */
  tube: Vec3;
  /** Unit vector along the declination axis, on the tube's side; the bar points the other way. */
  side: Vec3;
};

const DEG_PER_HOUR = 15;

/** Direction of an hour angle on the celestial equator. */
function onEquator(haH: number, latDeg: number): Vec3 {
  const [h, lat] = [haH * DEG_PER_HOUR * RAD_PER_DEG, latDeg * RAD_PER_DEG];
  return [-Math.sin(h), -Math.sin(lat) * Math.cos(h), Math.cos(lat) * Math.cos(h)];
}

/** Quarter of a turn in hour angle: the bar is level when the tube looks along the meridian. */
const SIDE_AHEAD_H: Record<FlipState, number> = { beforeFlip: 6, afterFlip: -6 };

/** Both directions of a pose. On the meridian before the flip the tube hangs west of the column: at 40 degrees north,
 *  hour angle 0 and declination 40, the tube looks to the zenith (0, 0, 1) and the side is (-1, 0, 0). With the hour angle
 *  growing the unflipped tube sinks on the west side. No flexure, no error of the axis.
 *  @param haH hour angle, west positive.  @param decDeg [-90, 90].  @param latDeg south negative, [-90, 90].
 *  @throws RangeError naming the argument and its value.  Source: spherical trigonometry of the horizon frame. */
export function pose(haH: number, decDeg: number, state: FlipState, latDeg: number): Pose {
  requireRange('decDeg', decDeg, -90, 90);
  requireRange('latDeg', latDeg, -90, 90);
  const [dec, lat] = [decDeg * RAD_PER_DEG, latDeg * RAD_PER_DEG];
  const equator = onEquator(haH, latDeg);
  const northPole: Vec3 = [0, Math.cos(lat), Math.sin(lat)];
  const along = (i: 0 | 1 | 2): number => Math.cos(dec) * equator[i] + Math.sin(dec) * northPole[i];
  return { tube: [along(0), along(1), along(2)], side: onEquator(haH + SIDE_AHEAD_H[state], latDeg) };
}

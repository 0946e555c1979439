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
function onEquator(haH: number, sinLat: number, cosLat: number): Vec3 {
  const h = haH * DEG_PER_HOUR * RAD_PER_DEG;
  const cosH = Math.cos(h);
  return [-Math.sin(h), -sinLat * cosH, cosLat * cosH];
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
  // The sky asks this a hundred thousand times: each sine once. The north pole stands at (0, cos lat, sin lat).
  const [sinLat, cosLat, sinDec, cosDec] = [Math.sin(lat), Math.cos(lat), Math.sin(dec), Math.cos(dec)];
  const [x, y, z] = onEquator(haH, sinLat, cosLat);
  return {
    tube: [cosDec * x, cosDec * y + sinDec * cosLat, cosDec * z + sinDec * sinLat],
    side: onEquator(haH + SIDE_AHEAD_H[state], sinLat, cosLat),
  };
}

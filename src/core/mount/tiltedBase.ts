/** A head on a base that is not level, by exact rotation. Frame: x east, y north, z up. The latitude scale measures the
 *  axis against the base; `scaleDeg` is positive in both hemispheres, the axis looks toward the elevated pole. Azimuth
 *  movements + = toward east in both hemispheres. Start of every turn: the head stands so that the axis is on the
 *  meridian. Source: rotation of the base about the level line across its slope. */
import { asinClamped, DEG_PER_RAD, RAD_PER_DEG, wrap180 } from '../math/angles.ts';
import { dot, rotateAbout, type Vec3 } from '../math/vectors.ts';
import { requireRange } from '../result.ts';

/** `tiltDeg`: how steep; `uphillAzimuthDeg`: true azimuth of the high side. */
export type Tilt = { tiltDeg: number; uphillAzimuthDeg: number };
export type TiltedBase = Tilt & { latDeg: number };

const EAST: Vec3 = [1, 0, 0];
const UP: Vec3 = [0, 0, 1];

const poleward = (latDeg: number): Vec3 => [0, latDeg < 0 ? -1 : 1, 0];

/** Where a direction of the level base points when the base is tilted. */
function tilted(v: Vec3, { tiltDeg, uphillAzimuthDeg }: Tilt): Vec3 {
  const a = uphillAzimuthDeg * RAD_PER_DEG;
  // About the level line left of uphill, so that the uphill side rises.
  return rotateAbout(v, [Math.cos(a), -Math.sin(a), 0], tiltDeg * RAD_PER_DEG);
}

/** The axis with the head turned `headDeg` from the base's poleward mark, + toward the base's east side. */
function axis(base: TiltedBase, scaleDeg: number, headDeg: number): Vec3 {
  const [s, h] = [scaleDeg * RAD_PER_DEG, headDeg * RAD_PER_DEG];
  const pole = poleward(base.latDeg)[1];
  return tilted([Math.cos(s) * Math.sin(h), pole * Math.cos(s) * Math.cos(h), Math.sin(s)], base);
}

const altitudeDeg = (v: Vec3): number => asinClamped(v[2]) * DEG_PER_RAD;

/** Azimuth from the pole's bearing, + toward east. */
const eastDeg = (v: Vec3, latDeg: number): number => Math.atan2(v[0], poleward(latDeg)[1] * v[1]) * DEG_PER_RAD;

/** Slope of the base toward the elevated pole and toward east, degrees, + = that side high: the angle by which the
 *  base's own poleward and eastward lines rise. 1 degree toward 45 degrees: 0.7071 each. */
export function slopesOf({ latDeg, ...tilt }: TiltedBase): { poleSideUpDeg: number; eastSideUpDeg: number } {
  requireRange('tiltDeg', tilt.tiltDeg, 0, 45);
  return {
    poleSideUpDeg: altitudeDeg(tilted(poleward(latDeg), tilt)),
    eastSideUpDeg: altitudeDeg(tilted(EAST, tilt)),
  };
}

/** Tilt from the slopes read along two lines of the base at right angles, toward north and toward east, + = that side
 *  high; inverse of `slopesOf` for a northern site. */
export function tiltFromSlopes(northUpDeg: number, eastUpDeg: number): Tilt {
  const [north, east] = [Math.sin(northUpDeg * RAD_PER_DEG), Math.sin(eastUpDeg * RAD_PER_DEG)];
  const azimuthDeg = Math.atan2(east, north) * DEG_PER_RAD;
  return {
    tiltDeg: asinClamped(Math.hypot(north, east)) * DEG_PER_RAD,
    uphillAzimuthDeg: azimuthDeg < 0 ? azimuthDeg + 360 : azimuthDeg,
  };
}

/** How far the head is turned on the base so that the axis lies on the meridian: the east part of the axis vanishes. */
function headOnMeridianDeg(base: TiltedBase, scaleDeg: number): number {
  const s = scaleDeg * RAD_PER_DEG;
  const side = dot(tilted(EAST, base), EAST) * Math.cos(s);
  const along = dot(tilted(poleward(base.latDeg), base), EAST) * Math.cos(s);
  const rise = dot(tilted(UP, base), EAST) * Math.sin(s);
  // side sin h + along cos h + rise = 0, the solution that looks poleward.
  const size = Math.hypot(side, along);
  return (asinClamped(-rise / size) - Math.atan2(along, side)) * DEG_PER_RAD;
}

/** True altitude of the axis when it lies on the meridian. */
export function trueAltitudeDeg(base: TiltedBase, scaleDeg: number): number {
  requireRange('scaleDeg', scaleDeg, -90, 90);
  return altitudeDeg(axis(base, scaleDeg, headOnMeridianDeg(base, scaleDeg)));
}

/** The scale reading that gives the axis an altitude on the meridian; inverse of `trueAltitudeDeg`. Latitude 40.33,
 *  1 degree up toward the pole: 39.33. */
export function scaleForAltitudeDeg(base: TiltedBase, altDeg: number): number {
  requireRange('altDeg', altDeg, -90, 90);
  const a = altDeg * RAD_PER_DEG;
  const wanted: Vec3 = [0, poleward(base.latDeg)[1] * Math.cos(a), Math.sin(a)];
  return asinClamped(dot(wanted, tilted(UP, base))) * DEG_PER_RAD;
}

/** Where the axis would point had the head not been turned back after tilting, degrees of azimuth, + east. */
export function azimuthShiftByTiltDeg(base: TiltedBase, scaleDeg: number): number {
  return eastDeg(axis(base, scaleDeg, 0), base.latDeg);
}

export type Turned = {
  reachedAltitudeDeg: number;
  altitudeMovedArcmin: number;
  /** As an angle in azimuth. */
  azimuthMovedArcmin: number;
  /** The angle from the meridian plane. */
  onSkySidewaysArcmin: number;
};

function turned(base: TiltedBase, scaleDeg: number, to: Vec3): Turned {
  const reachedAltitudeDeg = altitudeDeg(to);
  return {
    reachedAltitudeDeg,
    altitudeMovedArcmin: (reachedAltitudeDeg - trueAltitudeDeg(base, scaleDeg)) * 60,
    azimuthMovedArcmin: wrap180(eastDeg(to, base.latDeg)) * 60,
    onSkySidewaysArcmin: asinClamped(to[0]) * DEG_PER_RAD * 60,
  };
}

/** The altitude adjuster turned so that the scale changes by an angle: on a slope across the meridian it also moves the
 *  axis sideways. */
export function altitudeTurn(base: TiltedBase, scaleDeg: number, turnDeg: number): Turned {
  return turned(base, scaleDeg, axis(base, scaleDeg + turnDeg, headOnMeridianDeg(base, scaleDeg)));
}

/** The head turned on the base, + = axis toward east: on a slope it also rises or sinks. */
export function azimuthTurn(base: TiltedBase, scaleDeg: number, turnDeg: number): Turned {
  return turned(base, scaleDeg, axis(base, scaleDeg, headOnMeridianDeg(base, scaleDeg) + turnDeg));
}

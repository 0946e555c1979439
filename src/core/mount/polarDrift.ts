/** What an axis beside the pole does to a star during an exposure, by rotations of vectors (no small angles).
 *  Sphere frame: x on the meridian's equator side, y toward hour angle +6 h (west), z = the celestial north pole, so a
 *  direction of hour angle H and declination d is (cos d cos H, cos d sin H, sin d).
 *  Axis error: altitude + = axis too high, azimuth + = axis too far east, as an angle in azimuth.
 *  Source: rotation of vectors (Rodrigues 1840); Earth's rate of the IERS Conventions (2010). 8' off, star on the equator six
 *  hours from it: at most 2.1 arcsec a minute. */
import { ARCSEC_PER_RAD, DEG_PER_RAD, RAD_PER_DEG, wrap180 } from '../math/angles.ts';
import {
  angleBetween,
  cross,
  dot,
  fromSpherical,
  normalize,
  rotateAbout,
  toSpherical,
  type Vec3,
} from '../math/vectors.ts';

export type AxisError = { altErrorArcmin: number; azErrorArcmin: number };
export const SIDEREAL_RAD_PER_S = 7.2921159e-5;

/** Horizon direction (altitude, azimuth from north through east) in the sphere frame of a latitude, radians. */
function horizonDirection(alt: number, az: number, lat: number): Vec3 {
  const north = Math.cos(alt) * Math.cos(az);
  const west = -Math.cos(alt) * Math.sin(az);
  const up = Math.sin(alt);
  return [up * Math.cos(lat) - north * Math.sin(lat), west, up * Math.sin(lat) + north * Math.cos(lat)];
}

/** The axis' end nearest the elevated pole, in the sphere frame. */
function elevatedAxis(error: AxisError, latDeg: number): Vec3 {
  const lat = latDeg * RAD_PER_DEG;
  const alt = Math.abs(lat) + (error.altErrorArcmin / 60) * RAD_PER_DEG;
  const east = (error.azErrorArcmin / 60) * RAD_PER_DEG;
  return horizonDirection(alt, latDeg < 0 ? Math.PI - east : east, lat);
}

/** Total error on the sky: the angle between axis and pole, arcmin. */
export function totalErrorArcmin(error: AxisError, latDeg: number): number {
  const pole: Vec3 = [0, 0, latDeg < 0 ? -1 : 1];
  return angleBetween(elevatedAxis(error, latDeg), pole) * DEG_PER_RAD * 60;
}

/** Unit tangent toward celestial north at a direction. */
function towardNorth(a: Vec3): Vec3 {
  return normalize([-a[2] * a[0], -a[2] * a[1], 1 - a[2] * a[2]]);
}

/** Position angle of the camera's top at a pointing, from north through east, radians: the field turns in the picture
 *  by the same amount. East is where the hour angle falls. */
function topAngle(pointing: Vec3, top: Vec3): number {
  return Math.atan2(
    dot(top, cross(pointing, [0, 0, 1])) / Math.hypot(pointing[0], pointing[1]),
    dot(top, towardNorth(pointing)),
  );
}

/** The axis as seen from a star's hour angle, arcmin, for small errors: `alongArcmin` turns the field and drifts the star in
 *  right ascension, `acrossArcmin` drifts it in declination, which falls by 0.2625 arcsec a minute for each.
 *  Source: rotation about a nearby axis to first order; e cos u and e sin u, u the direction of the axis from the pole. */
export function axisSeenFrom(
  { altErrorArcmin, azErrorArcmin }: AxisError,
  latDeg: number,
  haH: number,
): { alongArcmin: number; acrossArcmin: number } {
  const hemisphere = latDeg < 0 ? -1 : 1;
  const ha = haH * 15 * RAD_PER_DEG;
  const onSkyAz = azErrorArcmin * Math.cos(latDeg * RAD_PER_DEG);
  return {
    alongArcmin: hemisphere * (altErrorArcmin * Math.cos(ha) - onSkyAz * Math.sin(ha)),
    acrossArcmin: hemisphere * (altErrorArcmin * Math.sin(ha) + onSkyAz * Math.cos(ha)),
  };
}

export type Drift = {
  /** + = the star moves north in the picture. */
  decArcsec: number;
  /** On the sky, + = the star moves east of where the mount points. */
  raArcsec: number;
  /** About the frame's centre, no corrections; + = stars turn clockwise, north up and east left. */
  rotationArcsec: number;
  /** About the guide star, when guiding holds it at its place; same sign. */
  rotationGuidedArcsec: number;
};

/** Simulates an exposure that starts with the mount exactly on the target and the camera's top to the north.
 *  The sky turns about the true pole, mount and camera about the wrong axis, both at the sidereal rate.
 *  @throws RangeError from the vectors for a target exactly on the pole. */
export function polarDrift(
  error: AxisError,
  latDeg: number,
  decDeg: number,
  startHaH: number,
  exposureS: number,
): Drift {
  const turn = SIDEREAL_RAD_PER_S * exposureS;
  const axis = elevatedAxis(error, latDeg);
  // Hour angle grows from x toward y, which is a turn about +z; a southern axis turns the other way about its own tip.
  const mountTurn = latDeg < 0 ? -turn : turn;
  const start = fromSpherical(startHaH * 15 * RAD_PER_DEG, decDeg * RAD_PER_DEG);
  const star = rotateAbout(start, [0, 0, 1], turn);
  const pointing = rotateAbout(start, axis, mountTurn);
  const [starHa, starDec] = toSpherical(star);
  const [pointHa, pointDec] = toSpherical(pointing);
  const haLead = wrap180((starHa - pointHa) * DEG_PER_RAD) * RAD_PER_DEG;
  const top = towardNorth(start);
  return {
    decArcsec: (starDec - pointDec) * ARCSEC_PER_RAD,
    raArcsec: -haLead * Math.cos(starDec) * ARCSEC_PER_RAD,
    rotationArcsec: topAngle(star, carried(rotateAbout(top, axis, mountTurn), pointing, star)) * ARCSEC_PER_RAD,
    rotationGuidedArcsec:
      topAngle(...recentred(pointing, rotateAbout(top, axis, mountTurn), star, axis)) * ARCSEC_PER_RAD,
  };
}

/** A tangent carried along the great circle from one direction to another: compares the camera's top with the north of
 *  the drifted star without the convergence of the meridians, which does not turn the picture. */
function carried(tangent: Vec3, from: Vec3, to: Vec3): Vec3 {
  const pole = cross(from, to);
  const sine = Math.hypot(...pole);
  return sine === 0 ? tangent : rotateAbout(tangent, normalize(pole), Math.atan2(sine, dot(from, to)));
}

/** The camera's state after the mount's own two axes brought the pointing back onto the star: first the hour axis until
 *  the angles about the axis agree, then the declination axis. */
function recentred(pointing: Vec3, top: Vec3, star: Vec3, axis: Vec3): [Vec3, Vec3] {
  const about = (v: Vec3): Vec3 => normalize(cross(axis, v));
  const [from, to] = [about(pointing), about(star)];
  const hourTurn = Math.atan2(dot(cross(from, to), axis), dot(from, to));
  const p = rotateAbout(pointing, axis, hourTurn);
  const t = rotateAbout(top, axis, hourTurn);
  const declinationAxis = normalize(cross(axis, p));
  const decTurn = Math.atan2(dot(cross(p, star), declinationAxis), dot(p, star));
  return [rotateAbout(p, declinationAxis, decTurn), rotateAbout(t, declinationAxis, decTurn)];
}

/** Declination and right-ascension drift rates at an hour angle, arcsec per minute on the sky. */
export function driftRates(
  error: AxisError,
  latDeg: number,
  decDeg: number,
  haH: number,
): { decPerMin: number; raPerMin: number } {
  const stepS = 1;
  const after = polarDrift(error, latDeg, decDeg, haH, stepS);
  const before = polarDrift(error, latDeg, decDeg, haH, -stepS);
  return {
    decPerMin: ((after.decArcsec - before.decArcsec) / (2 * stepS)) * 60,
    raPerMin: ((after.raArcsec - before.raArcsec) / (2 * stepS)) * 60,
  };
}

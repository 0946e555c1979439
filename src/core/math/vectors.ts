/** Three-vectors and rotations; right-handed, angles in radians. */
import { asinClamped } from './angles.ts';

export type Vec3 = readonly [number, number, number];

export function dot(a: Vec3, b: Vec3): number {
  return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
}

export function cross(a: Vec3, b: Vec3): Vec3 {
  return [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
}

export function add(a: Vec3, b: Vec3): Vec3 {
  return [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
}

export function scale(a: Vec3, factor: number): Vec3 {
  return [a[0] * factor, a[1] * factor, a[2] * factor];
}

/** The vector at length 1. @throws RangeError for the zero vector. */
export function normalize(a: Vec3): Vec3 {
  const length = Math.hypot(...a);
  if (length === 0) throw new RangeError('vector must not be zero, got [0, 0, 0]');
  return scale(a, 1 / length);
}

/** Angle between two directions, radians in [0, pi]; exact for tiny angles too. */
export function angleBetween(a: Vec3, b: Vec3): number {
  return Math.atan2(Math.hypot(...cross(a, b)), dot(a, b));
}

/** Turns v about the unit vector `axis` by `angle`, counter-clockwise seen from the axis' tip (Rodrigues). */
export function rotateAbout(v: Vec3, axis: Vec3, angle: number): Vec3 {
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  const along = dot(axis, v) * (1 - c);
  const side = cross(axis, v);
  return [
    v[0] * c + side[0] * s + axis[0] * along,
    v[1] * c + side[1] * s + axis[1] * along,
    v[2] * c + side[2] * s + axis[2] * along,
  ];
}

/** Unit vector of longitude-like angle and latitude-like angle (radians): x toward (0, 0), z toward the pole. */
export function fromSpherical(longitude: number, latitude: number): Vec3 {
  const c = Math.cos(latitude);
  return [c * Math.cos(longitude), c * Math.sin(longitude), Math.sin(latitude)];
}

/** Inverse of `fromSpherical` for unit vectors: [longitude in (-pi, pi], latitude]. */
export function toSpherical(v: Vec3): [number, number] {
  return [Math.atan2(v[1], v[0]), asinClamped(v[2])];
}

/** Angles: conversion, wrapping and trigonometry that never leaves its domain by rounding. */

export const RAD_PER_DEG = Math.PI / 180;
export const DEG_PER_RAD = 180 / Math.PI;
export const ARCSEC_PER_RAD = 206264.80624709636;

/** The remainder in [0, period), also for negative values. */
export function wrap(value: number, period: number): number {
  // Adding nothing turns -0 into 0.
  const rest = (value % period) + 0;
  // -1e-17 % 360 is -1e-17; adding 360 rounds to 360 itself, which lies outside the half-open range.
  const wrapped = rest < 0 ? rest + period : rest;
  return wrapped === period ? 0 : wrapped;
}

/** Degrees in [0, 360). */
export function wrap360(deg: number): number {
  return wrap(deg, 360);
}

/** Degrees in (-180, 180]. */
export function wrap180(deg: number): number {
  const wrapped = wrap(deg, 360);
  return wrapped > 180 ? wrapped - 360 : wrapped;
}

/** Hours in [0, 24). */
export function wrap24(hours: number): number {
  return wrap(hours, 24);
}

/** Hours in (-12, 12]; the usual range of an hour angle shown to a person. */
export function wrap12(hours: number): number {
  const wrapped = wrap(hours, 24);
  return wrapped > 12 ? wrapped - 24 : wrapped;
}

export function asinClamped(x: number): number {
  return Math.asin(Math.min(1, Math.max(-1, x)));
}

export function acosClamped(x: number): number {
  return Math.acos(Math.min(1, Math.max(-1, x)));
}

/** sin(u)/u, 1 at u = 0. */
export function sinc(u: number): number {
  return Math.abs(u) < 1e-8 ? 1 - (u * u) / 6 : Math.sin(u) / u;
}

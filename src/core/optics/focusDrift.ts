/** How focus moves with temperature: one slope for all nights, each night with an offset of its own, because a train that was
 *  taken apart comes together a little otherwise.
 *  Source: straight line by least squares, within nights and between their means, both weighed by their doubts (Bevington and
 *  Robinson, Data Reduction and Error Analysis, 2003, ch. 4 and 6). */
import { requirePositive } from '../result.ts';

export type FocusPoint = { temperatureC: number; positionUm: number; nightId: string | null };
export type FocusLine = {
  /** Position per degree Celsius, and its doubt. */
  umPerDeg: number;
  sigmaUmPerDeg: number;
  count: number;
  /** Position of the line at a temperature, on a night like the middle of all. */
  positionUmAt: (temperatureC: number) => number;
};

/** Fewer points, or all at nearly one temperature, tell no slope. */
const FEWEST_POINTS = 4;
const LEAST_SPREAD_C = 3;
/** No hand finds the best focus nearer than this. */
const LEAST_SCATTER_UM = 6;

type Sums = { points: number; tt: number; tp: number; pp: number };
type Slope = { umPerDeg: number; variance: number };

/** Sums of squares about the middle of some points. */
function sumsOf(points: readonly Pick<FocusPoint, 'temperatureC' | 'positionUm'>[]): Sums {
  const t = mean(points.map((p) => p.temperatureC));
  const u = mean(points.map((p) => p.positionUm));
  const sum = (of: (dt: number, du: number) => number): number =>
    points.reduce((total, p) => total + of(p.temperatureC - t, p.positionUm - u), 0);
  return {
    points: points.length,
    tt: sum((dt) => dt * dt),
    tp: sum((dt, du) => dt * du),
    pp: sum((_, du) => du * du),
  };
}

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Null where the points tell none. @param free points beyond those that the line's own numbers use up. */
function slopeOf({ tt, tp, pp }: Sums, free: number): Slope | null {
  if (tt <= 0 || free < 0) return null;
  const left = Math.max(0, pp - (tp * tp) / tt);
  const scatter = Math.max(LEAST_SCATTER_UM ** 2, free > 0 ? left / free : 0);
  return { umPerDeg: tp / tt, variance: scatter / tt };
}

function byNights(points: readonly FocusPoint[]): FocusPoint[][] {
  const nights = new Map<string | null, FocusPoint[]>();
  for (const p of points) nights.set(p.nightId, [...(nights.get(p.nightId) ?? []), p]);
  return [...nights.values()];
}

/** Null while the points cannot tell a slope. */
export function focusLine(points: readonly FocusPoint[]): FocusLine | null {
  const temperatures = points.map((p) => p.temperatureC);
  if (points.length < FEWEST_POINTS || Math.max(...temperatures) - Math.min(...temperatures) < LEAST_SPREAD_C)
    return null;
  const nights = byNights(points);
  const within = nights.map(sumsOf).reduce((a, b) => ({
    points: a.points + b.points,
    tt: a.tt + b.tt,
    tp: a.tp + b.tp,
    pp: a.pp + b.pp,
  }));
  const middles = nights.map((night) => ({
    temperatureC: mean(night.map((p) => p.temperatureC)),
    positionUm: mean(night.map((p) => p.positionUm)),
  }));
  const told = [
    slopeOf(within, points.length - nights.length - 1),
    // Two nights show a slope, and nothing of how far their offsets differ.
    nights.length > 2 ? slopeOf(sumsOf(middles), nights.length - 2) : null,
  ].filter((slope) => slope !== null);
  const weight = told.reduce((sum, s) => sum + 1 / s.variance, 0);
  if (weight === 0) return null;
  const umPerDeg = told.reduce((sum, s) => sum + s.umPerDeg / s.variance, 0) / weight;
  const [meanC, meanUm] = [mean(middles.map((m) => m.temperatureC)), mean(middles.map((m) => m.positionUm))];
  return {
    umPerDeg,
    sigmaUmPerDeg: Math.sqrt(1 / weight),
    count: points.length,
    positionUmAt: (temperatureC) => meanUm + umPerDeg * (temperatureC - meanC),
  };
}

/** Aluminium grows by so much of its length for each degree. */
const EXPANSION_PER_DEG = 24e-6;

/** What a tube of a focal length may do before its own slope is known, um per degree, either way: 480 mm 12.
 *  Source: thermal expansion of aluminium, 24e-6 per kelvin (CRC Handbook of Chemistry and Physics, 2016). */
export function usualSlopeUmPerDeg(focalMm: number): number {
  requirePositive('focalMm', focalMm);
  return EXPANSION_PER_DEG * focalMm * 1000;
}

/** By how many degrees the air may change until half the tolerance is used up: 97 um at 38 um per degree: 1.3.
 *  Infinite for a focus that never moves. */
export function refocusAfterC(toleranceUm: number, umPerDeg: number): number {
  return toleranceUm / 2 / Math.abs(umPerDeg);
}

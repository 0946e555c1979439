/** What is known of the axis error, with its doubt, carried on by everything that happens: drifts of stars, measured
 *  errors, turns of the knobs. Linear, so that a single star already tells what it can (Kalman 1960, without time).
 *  The state is (altitude, azimuth as an angle in azimuth), arcmin, against the true pole. */
import { refractionDriftArcsecPerMin } from './driftMeasure.ts';
import { driftRates } from './polarDrift.ts';

export type PoleEstimate = {
  altArcmin: number;
  azArcmin: number;
  /** Variances and covariance, arcmin squared. */
  altVar: number;
  azVar: number;
  covariance: number;
};

/** Before anything was measured: an axis set by scale and compass. */
const UNKNOWN_ARCMIN = 90;

export const UNKNOWN_POLE: PoleEstimate = {
  altArcmin: 0,
  azArcmin: 0,
  altVar: UNKNOWN_ARCMIN ** 2,
  azVar: UNKNOWN_ARCMIN ** 2,
  covariance: 0,
};

export const altSigmaArcmin = (e: PoleEstimate): number => Math.sqrt(e.altVar);
export const azSigmaArcmin = (e: PoleEstimate): number => Math.sqrt(e.azVar);

/** A part of the error counts as measured once this is left of the doubt at the start. */
const MEASURED_SHARE = 1 / 6;
export const altIsMeasured = (e: PoleEstimate): boolean => altSigmaArcmin(e) <= UNKNOWN_ARCMIN * MEASURED_SHARE;
export const azIsMeasured = (e: PoleEstimate): boolean => azSigmaArcmin(e) <= UNKNOWN_ARCMIN * MEASURED_SHARE;

export type StarDrift = {
  haH: number;
  decDeg: number;
  latDeg: number;
  /** As seen, + = the star moves north, refraction still in it. */
  rateArcsecPerMin: number;
  sigmaArcsecPerMin: number;
  /** Over how many hours it was watched, half of them before `haH`; left out for a moment. */
  spanH?: number | undefined;
};

/** What one arcmin of each error does to a star, arcsec a minute, from rotations (no small angles in the sky). */
export function driftSensitivity(haH: number, decDeg: number, latDeg: number): { perAlt: number; perAz: number } {
  return {
    perAlt: driftRates({ altErrorArcmin: 1, azErrorArcmin: 0 }, latDeg, decDeg, haH).decPerMin,
    perAz: driftRates({ altErrorArcmin: 0, azErrorArcmin: 1 }, latDeg, decDeg, haH).decPerMin,
  };
}

/** Shorter watches see the sky as it is in their middle. */
const LONGEST_MOMENT_H = 0.1;
const STEP_H = 0.1;

type SeenDrift = { perAlt: number; perAz: number; air: number };

function seenAt(haH: number, decDeg: number, latDeg: number): SeenDrift {
  return { ...driftSensitivity(haH, decDeg, latDeg), air: refractionDriftArcsecPerMin(haH, decDeg, latDeg) };
}

/** What a straight line through a watched drift tells of each error, and what the air does to it. Over hours the sky turns the
 *  error past the star: at the beginning and the end of the watch it counts little, in the middle most.
 *  Source: least-squares slope of a path (Bevington and Robinson 2003, ch. 6), integrated by parts: the rate at the share t of
 *  the watch counts by 6 t (1 - t). */
function seenThrough({ haH, decDeg, latDeg, spanH = 0 }: StarDrift): SeenDrift {
  if (spanH <= LONGEST_MOMENT_H) return seenAt(haH, decDeg, latDeg);
  const steps = Math.max(4, Math.ceil(spanH / STEP_H));
  const sum: SeenDrift = { perAlt: 0, perAz: 0, air: 0 };
  let weights = 0;
  for (let i = 0; i < steps; i += 1) {
    const t = (i + 0.5) / steps;
    const weight = t * (1 - t);
    const seen = seenAt(haH + (t - 0.5) * spanH, decDeg, latDeg);
    weights += weight;
    for (const key of ['perAlt', 'perAz', 'air'] as const) sum[key] += weight * seen[key];
  }
  return { perAlt: sum.perAlt / weights, perAz: sum.perAz / weights, air: sum.air / weights };
}

/** The estimate after one more star: its drift, less the part that refraction makes, weighed against what was known. */
export function withDrift(e: PoleEstimate, drift: StarDrift): PoleEstimate {
  const { perAlt, perAz, air } = seenThrough(drift);
  const gainAlt = e.altVar * perAlt + e.covariance * perAz;
  const gainAz = e.covariance * perAlt + e.azVar * perAz;
  const variance = perAlt * gainAlt + perAz * gainAz + drift.sigmaArcsecPerMin ** 2;
  const miss = drift.rateArcsecPerMin - air - (perAlt * e.altArcmin + perAz * e.azArcmin);
  return {
    altArcmin: e.altArcmin + (gainAlt / variance) * miss,
    azArcmin: e.azArcmin + (gainAz / variance) * miss,
    altVar: e.altVar - gainAlt ** 2 / variance,
    azVar: e.azVar - gainAz ** 2 / variance,
    covariance: e.covariance - (gainAlt * gainAz) / variance,
  };
}

/** What a movement of the axis should have done, and how far it may have missed that, one sigma. */
export type Change = { arcmin: number; sigmaArcmin: number };

const ANYTHING: Change = { arcmin: 0, sigmaArcmin: UNKNOWN_ARCMIN };

/** The estimate after one part was moved. @param change null = nobody knows by how much, so the part has to be measured
 *  again. */
export function withTurn(e: PoleEstimate, adjuster: 'altitude' | 'azimuth', change: Change | null): PoleEstimate {
  const { arcmin, sigmaArcmin } = change ?? ANYTHING;
  return adjuster === 'altitude'
    ? { ...e, altArcmin: e.altArcmin + arcmin, altVar: e.altVar + sigmaArcmin ** 2 }
    : { ...e, azArcmin: e.azArcmin + arcmin, azVar: e.azVar + sigmaArcmin ** 2 };
}

/** An error measured whole, by another way. */
export function measuredPole(
  error: { altArcmin: number; azArcmin: number },
  sigma: { altArcmin: number; azArcmin: number },
): PoleEstimate {
  return { ...error, altVar: sigma.altArcmin ** 2, azVar: sigma.azArcmin ** 2, covariance: 0 };
}

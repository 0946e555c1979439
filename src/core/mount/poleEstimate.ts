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
};

/** What one arcmin of each error does to a star, arcsec a minute, from rotations (no small angles in the sky). */
export function driftSensitivity(haH: number, decDeg: number, latDeg: number): { perAlt: number; perAz: number } {
  return {
    perAlt: driftRates({ altErrorArcmin: 1, azErrorArcmin: 0 }, latDeg, decDeg, haH).decPerMin,
    perAz: driftRates({ altErrorArcmin: 0, azErrorArcmin: 1 }, latDeg, decDeg, haH).decPerMin,
  };
}

/** The estimate after one more star: its drift, less the part that refraction makes, weighed against what was known. */
export function withDrift(e: PoleEstimate, drift: StarDrift): PoleEstimate {
  const { perAlt, perAz } = driftSensitivity(drift.haH, drift.decDeg, drift.latDeg);
  const air = refractionDriftArcsecPerMin(drift.haH, drift.decDeg, drift.latDeg);
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

/** How far a turn by hand may miss what was asked, as a share of it. */
const TURN_DOUBT = 0.2;

/** The estimate after a knob was turned. @param changeArcmin what the turn should have done; null = this knob's gain is
 *  not known, so its part has to be measured again. */
export function withTurn(e: PoleEstimate, adjuster: 'altitude' | 'azimuth', changeArcmin: number | null): PoleEstimate {
  const doubt = changeArcmin === null ? UNKNOWN_ARCMIN ** 2 : (TURN_DOUBT * changeArcmin) ** 2;
  return adjuster === 'altitude'
    ? { ...e, altArcmin: e.altArcmin + (changeArcmin ?? 0), altVar: e.altVar + doubt }
    : { ...e, azArcmin: e.azArcmin + (changeArcmin ?? 0), azVar: e.azVar + doubt };
}

/** An error measured whole, by another way. */
export function measuredPole(
  error: { altArcmin: number; azArcmin: number },
  sigma: { altArcmin: number; azArcmin: number },
): PoleEstimate {
  return { ...error, altVar: sigma.altArcmin ** 2, azVar: sigma.azArcmin ** 2, covariance: 0 };
}

/** The two poles that an error may be told against: the true one, and the one that the air shows a little higher. This is
 *  the only place where the one is turned into the other. */
import type { PoleEstimate } from '../mount/poleEstimate.ts';
import { refractionArcmin } from '../sky/refraction.ts';

export type Reference = 'true' | 'refracted';

/** How much higher the pole stands that the air shows, arcmin: 1.2 at 40 degrees. */
export function poleLiftArcmin(latDeg: number): number {
  return refractionArcmin(Math.abs(latDeg));
}

const liftOf = (reference: Reference, latDeg: number): number =>
  reference === 'refracted' ? poleLiftArcmin(latDeg) : 0;

/** An altitude error told against a pole, against the true one. */
export function altFromTrueArcmin(altErrorArcmin: number, reference: Reference, latDeg: number): number {
  return altErrorArcmin + liftOf(reference, latDeg);
}

/** The inverse. */
export function altAgainstArcmin(altTrueArcmin: number, reference: Reference, latDeg: number): number {
  return altTrueArcmin - liftOf(reference, latDeg);
}

export type PoleTold = { altErrorArcmin: number; azErrorArcmin: number };

/** An estimate as errors against a pole. */
export function toldAgainst(estimate: PoleEstimate, reference: Reference, latDeg: number): PoleTold {
  return { altErrorArcmin: altAgainstArcmin(estimate.altArcmin, reference, latDeg), azErrorArcmin: estimate.azArcmin };
}

/** Altitude of the pole that is aimed at, degrees. */
export function poleAltitudeDeg(reference: Reference, latDeg: number): number {
  return Math.abs(latDeg) + liftOf(reference, latDeg) / 60;
}

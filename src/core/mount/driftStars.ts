/** Real stars for the two steps of a drift alignment. */
import type { BrightStar } from '../sky/brightStars.ts';
import { apparentPlaces, localSiderealHours } from '../sky/ephemeris.ts';
import { toHorizontal } from '../sky/horizontal.ts';
import { wrap12 } from '../math/angles.ts';
import { LOWEST_DRIFT_ALT_DEG } from './driftMeasure.ts';
import type { Place } from '../sky/starHop.ts';

export type DriftStep = 'azimuth' | 'altitude';
export type DriftStar = {
  hip: number;
  name: string;
  magnitude: number;
  /** Of date. */
  raDeg: number;
  decDeg: number;
  haH: number;
  altDeg: number;
  azDeg: number;
};

/** Hour angles in which a step has its say: near the meridian the azimuth alone moves a star, far from it the altitude
 *  moves it most while it still stands high. */
const MERIDIAN_H = 1;
const FAR_H: readonly [number, number] = [3, 4.5];
/** Where each step is best. */
const BEST_H = { azimuth: 0, altitude: 3.75 };
const MOST_DEC_DEG = 45;

function fits(step: DriftStep, { haH, altDeg, decDeg }: DriftStar, lowestDeg: number): boolean {
  const size = Math.abs(haH);
  const inHours = step === 'azimuth' ? size <= MERIDIAN_H : size >= FAR_H[0] && size <= FAR_H[1];
  return inHours && altDeg >= lowestDeg && Math.abs(decDeg) <= MOST_DEC_DEG;
}

/** Smaller is better: near the equator, near the best hour angle, bright, high. */
function costOf(step: DriftStep, { haH, decDeg, magnitude, altDeg }: DriftStar): number {
  const low = Math.max(0, 35 - altDeg) / 10;
  return Math.abs(decDeg) / 15 + Math.abs(Math.abs(haH) - BEST_H[step]) / 0.75 + Math.max(0, magnitude) / 3 + low;
}

/** The best stars of a step at an instant, best first.
 *  @param lowestAt altitude of the horizon line at an azimuth; nothing under 25 degrees is taken either. */
export function driftStars(
  step: DriftStep,
  stars: readonly BrightStar[],
  utcMs: number,
  place: Place,
  lowestAt: (azDeg: number) => number = () => 0,
  most = 4,
): DriftStar[] {
  const siderealH = localSiderealHours(utcMs, place.lonDeg);
  return apparentPlaces(stars, utcMs)
    .map(({ raDeg, decDeg }, i): DriftStar => {
      const haH = wrap12(siderealH - raDeg / 15);
      const { hip = 0, name = '', magnitude = 0 } = stars[i] ?? {};
      return { hip, name, magnitude, raDeg, decDeg, haH, ...toHorizontal(haH, decDeg, place.latDeg) };
    })
    .filter((s) => fits(step, s, Math.max(LOWEST_DRIFT_ALT_DEG, lowestAt(s.azDeg))))
    .sort((a, b) => costOf(step, a) - costOf(step, b))
    .slice(0, most);
}

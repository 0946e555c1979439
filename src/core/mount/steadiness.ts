/** The tap test: tap the tube, count until the image stands still. Rules of thumb, stated as such. */
import { requirePositive, requireRange } from '../result.ts';

export type SteadinessVerdict = 'steady' | 'slow' | 'shaky';
export type Steadiness = {
  verdict: SteadinessVerdict;
  /** Longest settling that this focal length forgives. */
  wantedS: number;
  /** Balance and wind together, one sigma, that the roundness budget takes. */
  sigmaArcsec: number;
  /** How long to wait after a slew before the next sub. */
  waitAfterSlewS: number;
};

/** Two seconds stand for the usual 0.3 arcsec; wind feeds a mount that swings longer in proportion. */
const ARCSEC_PER_SETTLE_S = 0.15;
const SIGMA_RANGE_ARCSEC = [0.15, 1.5] as const;
const WANTED_S = [1, 4] as const;
/** A focal length of 800 mm wants the image still within two seconds; half of it forgives twice as long. */
const SECOND_MM = 1600;
const SHORTEST_WAIT_S = 5;

const within = (value: number, [low, high]: readonly [number, number]): number => Math.min(high, Math.max(low, value));

/** Longest settling that a focal length forgives, s: 800 mm 2 s, 480 mm 3.3 s. */
export function wantedSettleS(focalMm: number): number {
  requirePositive('focalMm', focalMm);
  return within(SECOND_MM / focalMm, WANTED_S);
}

/** Settling 3 s at 480 mm: steady (up to 3.3 s), 0.45 arcsec, wait 6 s after a slew.
 *  @param settleS from the tap until the image stands still, 0 to 120.  @param focalMm effective. */
export function judgeSteadiness(settleS: number, focalMm: number): Steadiness {
  requireRange('settleS', settleS, 0, 120);
  const wantedS = wantedSettleS(focalMm);
  const verdict = settleS <= wantedS ? 'steady' : settleS <= 2 * wantedS ? 'slow' : 'shaky';
  return {
    verdict,
    wantedS,
    sigmaArcsec: within(ARCSEC_PER_SETTLE_S * settleS, SIGMA_RANGE_ARCSEC),
    waitAfterSlewS: Math.max(SHORTEST_WAIT_S, Math.ceil(2 * settleS)),
  };
}

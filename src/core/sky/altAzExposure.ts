/** How long an alt-azimuth mount may expose before the corners of a sensor turn visibly.
 *  Source: the rate of `fieldRotation`, a chord for the arc. */
import { ARCSEC_PER_RAD } from '../math/angles.ts';
import { requirePositive } from '../result.ts';
import { fieldRotationRateArcsecPerS } from './fieldRotation.ts';

/** Longest exposure that the map tells apart from "as long as you like", seconds. */
export const LONGEST_EXPOSURE_S = 3600;

/** Seconds until a corner has moved by a length: length / (rotation rate x distance of the corner). Zero at the zenith,
 *  longest due east and west. At latitude 40, altitude 45 toward the south, a corner 14 mm out may move 4 um for 3.6 s.
 *  @param cornerMm from the middle of the sensor to its corner.  @param trailUm allowed movement of the corner. */
export function altAzExposureS(
  latDeg: number,
  altDeg: number,
  azDeg: number,
  cornerMm: number,
  trailUm: number,
): number {
  requirePositive('cornerMm', cornerMm);
  requirePositive('trailUm', trailUm);
  if (altDeg >= 90) return 0;
  const ratePerS = Math.abs(fieldRotationRateArcsecPerS(latDeg, altDeg, azDeg)) / ARCSEC_PER_RAD;
  return Math.min(LONGEST_EXPOSURE_S, trailUm / 1000 / cornerMm / ratePerS);
}

export type ExposureCell = {
  fromAltDeg: number;
  toAltDeg: number;
  fromAzDeg: number;
  toAzDeg: number;
  exposureS: number;
};

const ALT_STEP_DEG = 15;
const AZ_STEP_DEG = 30;

/** The sky in cells of 15 by 30 degrees, each with the shortest exposure along its middle altitude. Azimuth cells stand
 *  around north, so that one lies due north, east, south and west; at its very middle the east and west ones hardly turn. */
export function altAzExposureMap(latDeg: number, cornerMm: number, trailUm: number): ExposureCell[] {
  const alts = Array.from({ length: 90 / ALT_STEP_DEG }, (_, i) => i * ALT_STEP_DEG);
  const azs = Array.from({ length: 360 / AZ_STEP_DEG }, (_, i) => i * AZ_STEP_DEG);
  return alts.flatMap((alt) =>
    azs.map((az) => ({
      fromAltDeg: alt,
      toAltDeg: alt + ALT_STEP_DEG,
      fromAzDeg: az - AZ_STEP_DEG / 2,
      toAzDeg: az + AZ_STEP_DEG / 2,
      exposureS: Math.min(
        ...[-AZ_STEP_DEG / 2, 0, AZ_STEP_DEG / 2].map((off) =>
          altAzExposureS(latDeg, alt + ALT_STEP_DEG / 2, az + off, cornerMm, trailUm),
        ),
      ),
    })),
  );
}

/** What the latitude scale must read tonight. */
import {
  altitudeTurn,
  azimuthShiftByTiltDeg,
  azimuthTurn,
  scaleForAltitudeDeg,
  slopesOf,
} from '../mount/tiltedBase.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { poleAltitudeDeg } from './poleReference.ts';
import { scaleBias, type ScaleBias } from './scaleBias.ts';

export type ScaleToSet = {
  scaleDeg: number;
  /** What the axis itself must have: for an inclinometer. */
  altDeg: number;
  bias: ScaleBias | null;
  /** Slope of the base toward the pole; null = level not read tonight. */
  poleSideUpDeg: number | null;
  /** How much of the altitude is refraction. */
  refractionArcmin: number;
  /** What a degree of altitude drags the azimuth along on the leaning base, arcmin, + east. */
  dragArcmin: number;
  /** What a degree of azimuth toward east lifts the axis on it, arcmin. */
  liftArcmin: number;
  /** By how much the axis would turn if the base were levelled now, degrees of azimuth, + east. */
  levellingTurnsDeg: number;
};

/** The altitude of the pole, or of the pole as the air shows it, on the base as it leans, with what this scale reads too
 *  much. */
export function scaleToSet(records: NightRecords): ScaleToSet {
  const { site, schools, tonight } = records;
  const altDeg = poleAltitudeDeg(schools.poleGoal, site.latDeg);
  const level = tonight.last('level')?.values ?? null;
  const base = { latDeg: site.latDeg, ...(level ?? { tiltDeg: 0, uphillAzimuthDeg: 0 }) };
  const bias = scaleBias(records);
  const scaleDeg = scaleForAltitudeDeg(base, altDeg) + (bias?.biasDeg ?? 0);
  return {
    scaleDeg,
    altDeg,
    bias,
    poleSideUpDeg: level ? slopesOf(base).poleSideUpDeg : null,
    refractionArcmin: (altDeg - poleAltitudeDeg('true', site.latDeg)) * 60,
    dragArcmin: altitudeTurn(base, altDeg, 1).azimuthMovedArcmin,
    liftArcmin: azimuthTurn(base, altDeg, 1).altitudeMovedArcmin,
    levellingTurnsDeg: -azimuthShiftByTiltDeg(base, altDeg),
  };
}

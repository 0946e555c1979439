/** What the latitude scale must read tonight. */
import { altitudeTurn, scaleForAltitudeDeg, slopesOf } from '../mount/tiltedBase.ts';
import { refractionArcmin } from '../sky/refraction.ts';
import { lastReading, type NightRecords } from './nightRecords.ts';
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
};

/** The altitude of the pole, or of the pole as the air shows it, on the base as it leans, with what this scale reads too
 *  much. */
export function scaleToSet(records: NightRecords): ScaleToSet {
  const { site, schools, readings } = records;
  const latDeg = Math.abs(site.latDeg);
  const liftArcmin = schools.poleGoal === 'refracted' ? refractionArcmin(latDeg) : 0;
  const altDeg = latDeg + liftArcmin / 60;
  const level = lastReading(readings, 'level')?.values ?? null;
  const base = { latDeg: site.latDeg, ...(level ?? { tiltDeg: 0, uphillAzimuthDeg: 0 }) };
  const bias = scaleBias(records);
  const scaleDeg = scaleForAltitudeDeg(base, altDeg) + (bias?.biasDeg ?? 0);
  return {
    scaleDeg,
    altDeg,
    bias,
    poleSideUpDeg: level ? slopesOf(base).poleSideUpDeg : null,
    refractionArcmin: liftArcmin,
    dragArcmin: altitudeTurn(base, altDeg, 1).azimuthMovedArcmin,
  };
}

/** The axis' altitude over the level with the pole set as last measured tonight; the latitude before that. */
export function alignedAltDeg({ readings, site }: NightRecords): number {
  const latDeg = Math.abs(site.latDeg);
  const last = lastReading(readings, 'polarError')?.values;
  if (!last) return latDeg;
  const liftArcmin = last.reference === 'refracted' ? refractionArcmin(latDeg) : 0;
  return latDeg + (last.altErrorArcmin + liftArcmin) / 60;
}

/** What level, bearing and latitude show, as codes and figures. */
import { footAzimuthsDeg, footLifts, LEVEL_GOOD_DEG, poleSideUpDeg, type FootLift } from '../../core/mount/level.ts';
import { wrap180 } from '../../core/math/angles.ts';
import { lastReading } from '../../core/night/nightRecords.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import type { ReadingOf } from '../../core/records/reading.ts';
import type { PartOf } from '../../core/records/part.ts';
import { bearingErrorDeg, compassReadingDeg, IRON_DEG, poleBearingDeg } from '../../core/sky/bearing.ts';
import { compassPoint, type BearingSaying, type LatitudeSaying, type LevelSaying } from '../../text/levelWords.ts';

/** An axis this near to the pole's bearing is left for polar alignment. */
const BEARING_GOOD_DEG = 2;
/** Under this latitude most heads cannot be set. */
const LOWEST_LATITUDE_DEG = 5;
/** A foot is not touched for less. */
const LEAST_LIFT_M = 0.0005;

export function tripodOf(night: NightStatic): PartOf<'support'> | null {
  const { rig, parts } = night.records;
  const found = parts.find((p) => p.id === rig.supportId);
  return found?.kind === 'support' && found.supportKind === 'tripod' ? found : null;
}

/** Tonight's two compass readings that tell iron: the last one near the mount and the last one farther away. */
function ironDeg(readings: readonly ReadingOf<'compass'>[]): number | null {
  const last = readings.at(-1);
  const other = readings.findLast((r) => last && Math.abs(r.values.distanceM - last.values.distanceM) >= 1);
  return last && other ? Math.abs(wrap180(last.values.readDeg - other.values.readDeg)) : null;
}

export type BearingModel = {
  saying: BearingSaying;
  poleDeg: number;
  /** Where the axis was read to point, true; null = not read tonight. */
  axisDeg: number | null;
};

export function bearingModel(night: NightStatic): BearingModel {
  const { site, readings } = night.records;
  const { magnetic } = night;
  const south = site.latDeg < 0;
  const poleDeg = poleBearingDeg(site.latDeg);
  const compass = readings.filter((r) => r.kind === 'compass');
  const axisDeg = compass.at(-1)?.values.trueDeg ?? null;
  const iron = ironDeg(compass);
  const saying = (): BearingSaying => {
    if (magnetic.compass === 'unusable') return { code: 'noCompass' };
    if (iron !== null && iron > IRON_DEG) return { code: 'iron', differenceDeg: iron };
    if (axisDeg !== null) {
      const error = bearingErrorDeg(axisDeg, site.latDeg);
      return Math.abs(error) <= BEARING_GOOD_DEG
        ? { code: 'stands', errorDeg: Math.abs(error) }
        : { code: 'turn', errorDeg: Math.abs(error), east: error > 0, south };
    }
    const first = tripodOf(night)?.firstFootAzimuthDeg;
    const foot = first === undefined ? null : compassPoint(nearestFoot(first, poleDeg));
    return { code: 'set', compassDeg: compassReadingDeg(poleDeg, magnetic.declinationDeg), south, foot };
  };
  return { saying: saying(), poleDeg, axisDeg };
}

/** The foot that lies nearest to a bearing. */
function nearestFoot(firstFootAzimuthDeg: number, bearingDeg: number): number {
  return footAzimuthsDeg(firstFootAzimuthDeg).reduce((best, foot) =>
    Math.abs(wrap180(foot - bearingDeg)) < Math.abs(wrap180(best - bearingDeg)) ? foot : best,
  );
}

export type LevelModel = {
  saying: LevelSaying;
  tilt: { tiltDeg: number; uphillAzimuthDeg: number } | null;
  lifts: FootLift[];
};

export function levelModel(night: NightStatic): LevelModel {
  const reading = lastReading(night.records.readings, 'level');
  if (!reading) return { saying: { code: 'notRead' }, tilt: null, lifts: [] };
  const { tiltDeg, uphillAzimuthDeg } = reading.values;
  const tilt = { tiltDeg, uphillAzimuthDeg };
  if (tiltDeg <= LEVEL_GOOD_DEG) return { saying: { code: 'good', tiltDeg }, tilt, lifts: [] };
  const tripod = tripodOf(night);
  if (!tripod) {
    const low = compassPoint((uphillAzimuthDeg + 180) % 360);
    return { saying: { code: 'noFeet', tiltDeg, low }, tilt, lifts: [] };
  }
  const lifts = footLifts({ ...tilt, ...tripod }).filter((l) => l.liftM >= LEAST_LIFT_M);
  const feet = lifts.map((l) => ({ point: compassPoint(l.azimuthDeg), liftM: l.liftM }));
  return { saying: { code: 'raise', feet }, tilt, lifts };
}

export type LatitudeModel = {
  saying: LatitudeSaying;
  scaleDeg: number;
  biasDeg: number | null;
  nights: number;
  poleSideUpDeg: number | null;
  readDeg: number | null;
};

/** The scale setting: the site's latitude, what this scale reads too much (learned), less the base's slope. */
export function latitudeModel(night: NightStatic): LatitudeModel {
  const { site, rig, history, readings } = night.records;
  const learned = [...history, ...readings].filter((r) => r.kind === 'scaleReading' && r.subject.id === rig.mountId);
  const biases = learned.flatMap((r) => (r.kind === 'scaleReading' ? [r.values.scaleDeg - r.values.trueAltDeg] : []));
  const biasDeg = biases.length === 0 ? null : biases.reduce((a, b) => a + b, 0) / biases.length;
  const level = lastReading(readings, 'level');
  const slope = level ? poleSideUpDeg(level.values.tiltDeg, level.values.uphillAzimuthDeg, site.latDeg) : null;
  const scaleDeg = Math.abs(site.latDeg) + (biasDeg ?? 0) - (slope ?? 0);
  return {
    saying: Math.abs(site.latDeg) < LOWEST_LATITUDE_DEG ? { code: 'low', scaleDeg } : { code: 'set', scaleDeg },
    scaleDeg,
    biasDeg,
    nights: biases.length,
    poleSideUpDeg: slope,
    readDeg: lastReading(readings, 'scaleReading')?.values.scaleDeg ?? null,
  };
}

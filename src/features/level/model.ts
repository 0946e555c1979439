/** What level, bearing and latitude show, as codes and figures. */
import { wrap180 } from '../../core/math/angles.ts';
import { turnsFor } from '../../core/mount/knobs.ts';
import { magneticOfNight, poleByCompassDeg } from '../../core/night/advice/hands/magneticOfNight.ts';
import { bearingRead, type IronCheck } from '../../core/pole/bearing.ts';
import { footAzimuthsDeg, LEVEL_GOOD_DEG, legStretches, type LegStretch } from '../../core/mount/level.ts';
import type { Tilt } from '../../core/mount/tiltedBase.ts';
import { firstFootAzimuthDeg, type GroundMarks } from '../../core/pole/groundMarks.ts';
import type { NightStatic } from '../../core/night/nightStatic.ts';
import { scaleToSet, type ScaleToSet } from '../../core/pole/scaleToSet.ts';
import type { PartOf } from '../../core/records/part.ts';
import { bearingErrorDeg, compassReadingDeg, poleBearingDeg } from '../../core/sky/bearing.ts';
import { compassPoint } from '../../text/compassWords.ts';
import { type BearingSaying, type LevelSaying } from '../../text/levelWords.ts';
import { type LatitudeSaying } from '../../text/latitudeWords.ts';

/** An axis this near to the pole's bearing is left for polar alignment. */
const BEARING_GOOD_DEG = 2;
/** Under this latitude most heads cannot be set. */
const LOWEST_LATITUDE_DEG = 5;
/** A leg is not touched for less. */
const LEAST_STRETCH_M = 0.0005;
/** A leg within this of the pole's bearing counts as pointing there. */
const LEG_ON_POLE_DEG = 15;
/** Finer than this nobody sets a scale. */
const SCALE_GOOD_DEG = 0.1;

export function tripodOf(night: NightStatic): PartOf<'support'> | null {
  const { support } = night.numbers;
  return support?.supportKind === 'tripod' ? support : null;
}

/** The three feet as they stand tonight; empty for a pier. */
export function feetOf(night: NightStatic): number[] {
  return tripodOf(night) ? footAzimuthsDeg(firstFootAzimuthDeg(night.records, night.numbers)) : [];
}

export type BearingModel = {
  saying: BearingSaying;
  poleDeg: number;
  /** Where the axis was read to point, true; null = not read tonight. */
  axisDeg: number | null;
  check: IronCheck;
  marks: GroundMarks | null;
  feet: { azimuthDeg: number; compassDeg: number }[];
};

/** The foot that lies nearest to a bearing. */
function nearestFoot(feet: readonly number[], bearingDeg: number): number | null {
  const byDistance = [...feet].sort((a, b) => Math.abs(wrap180(a - bearingDeg)) - Math.abs(wrap180(b - bearingDeg)));
  return byDistance[0] ?? null;
}

function setSaying(night: NightStatic, poleDeg: number): BearingSaying {
  const foot = nearestFoot(feetOf(night), poleDeg);
  return {
    code: 'set',
    compassDeg: poleByCompassDeg(night),
    south: poleDeg === 180,
    foot: foot === null ? null : compassPoint(foot),
    turned: foot !== null && Math.abs(wrap180(foot - poleDeg)) > LEG_ON_POLE_DEG,
    gap: night.numbers.mount?.towardPole === 'gap',
  };
}

export function bearingModel(night: NightStatic): BearingModel {
  const { site, readings } = night.records;
  const magnetic = magneticOfNight(night);
  const poleDeg = poleBearingDeg(site.latDeg);
  const south = poleDeg === 180;
  const { check, trueDeg: axisDeg, nearOnly } = bearingRead(readings);
  const { marks } = night.learned;
  const saying = (): BearingSaying => {
    if (nearOnly) return { code: 'readFar' };
    if (axisDeg !== null) {
      const error = bearingErrorDeg(axisDeg, site.latDeg);
      return Math.abs(error) <= BEARING_GOOD_DEG
        ? { code: 'stands', errorDeg: Math.abs(error) }
        : { code: 'turn', errorDeg: Math.abs(error), east: error > 0, south };
    }
    if (marks) return { code: 'marks', atUtc: marks.takenAtUtc, withinDeg: marks.expectWithinDeg, south };
    return magnetic.compass === 'unusable' ? { code: 'noCompass' } : setSaying(night, poleDeg);
  };
  const feet = feetOf(night).map((azimuthDeg) => ({
    azimuthDeg,
    compassDeg: compassReadingDeg(azimuthDeg, magnetic.declinationDeg),
  }));
  return { saying: saying(), poleDeg, axisDeg, check, marks, feet };
}

export type LevelModel = { saying: LevelSaying; tilt: Tilt | null; legs: LegStretch[] };

export function levelModel(night: NightStatic): LevelModel {
  const reading = night.records.tonight.last('level');
  if (!reading) return { saying: { code: 'notRead' }, tilt: null, legs: [] };
  const { tiltDeg, uphillAzimuthDeg } = reading.values;
  const tilt = { tiltDeg, uphillAzimuthDeg };
  if (tiltDeg <= LEVEL_GOOD_DEG) return { saying: { code: 'good', tiltDeg }, tilt, legs: [] };
  const tripod = tripodOf(night);
  const [first] = feetOf(night);
  if (!tripod || first === undefined || tripod.footRadiusM <= 0 || tripod.hubHeightM <= 0) {
    const low = compassPoint((uphillAzimuthDeg + 180) % 360);
    return { saying: { code: 'noFeet', tiltDeg, low }, tilt, legs: [] };
  }
  const legs = legStretches(tilt, { ...tripod, firstFootAzimuthDeg: first }).filter(
    (l) => l.stretchM >= LEAST_STRETCH_M,
  );
  const named = legs.map((l) => ({ point: compassPoint(l.azimuthDeg), stretchM: l.stretchM }));
  return { saying: { code: 'raise', legs: named }, tilt, legs };
}

export type LatitudeModel = ScaleToSet & {
  saying: LatitudeSaying;
  /** What the scale was last read to show tonight; null = not read. */
  readDeg: number | null;
  /** Which way the scale must go; null = not said where it stands. */
  up: boolean | null;
};

function boltSaying({ learned }: NightStatic, scaleDeg: number, fromDeg: number): LatitudeSaying {
  const up = scaleDeg > fromDeg;
  const knob = learned.knobs.altitude;
  if (!knob) return { code: 'turnBolt', scaleDeg, turns: null, clockwise: true, up };
  return { code: 'turnBolt', scaleDeg, up, ...turnsFor((scaleDeg - fromDeg) * 60, knob) };
}

function latitudeSaying(night: NightStatic, scaleDeg: number, presentDeg: number | null): LatitudeSaying {
  const { records } = night;
  if (Math.abs(records.site.latDeg) < LOWEST_LATITUDE_DEG) return { code: 'low', scaleDeg };
  if (presentDeg !== null && Math.abs(presentDeg - scaleDeg) > SCALE_GOOD_DEG) {
    return boltSaying(night, scaleDeg, presentDeg);
  }
  const set = records.tonight.of('event').some((r) => r.values.what === 'scaleSet');
  return set ? { code: 'done', scaleDeg } : { code: 'set', scaleDeg };
}

/** @param presentDeg what the scale reads now; null = not said. */
export function latitudeModel(night: NightStatic, presentDeg: number | null): LatitudeModel {
  const found = scaleToSet(night.records);
  return {
    ...found,
    saying: latitudeSaying(night, found.scaleDeg, presentDeg),
    readDeg: night.records.tonight.last('scaleReading')?.values.scaleDeg ?? presentDeg,
    up: presentDeg === null ? null : found.scaleDeg > presentDeg,
  };
}

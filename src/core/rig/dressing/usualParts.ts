/** The parts of a class, as records without heads: every figure is a guess, marked so, to be corrected by one's own. */
import { mountTraits } from '../../mount/mountKinds.ts';
import type { Adjuster, Dial, MountPart, Part, PartKind, PartOf } from '../../records/part.ts';
import {
  imagedThrough,
  LOW_POWER_EYEPIECE_MM,
  pixelsOf,
  usualTube,
  type Body,
  type Looker,
  type Optics,
  type Sensor,
} from './looks.ts';
import { USUAL_BACK_FOCUS_MM } from '../lightBasis.ts';
import type { UsualBar, UsualCarrier } from './carriers.ts';

type HeadKeys =
  | 'id'
  | 'rev'
  | 'deviceId'
  | 'createdAtUtc'
  | 'updatedAtUtc'
  | 'deletedAtUtc'
  | 'origin'
  | 'archived'
  | 'note';
type WithoutHead<P> = P extends Part ? Omit<P, HeadKeys> : never;
export type PartBody = WithoutHead<Part>;
type Given = 'kind' | 'name' | 'count' | 'massKg' | 'massBasis' | 'sizeBasis';

/** Of a tube's mass. */
const RINGS_SHARE = 0.2;
const PLATE_SHARE = 0.1;

function guessed<K extends PartKind>(
  kind: K,
  name: string,
  massKg: number,
  own: Omit<WithoutHead<PartOf<K>>, Given>,
): PartBody {
  const rounded = Math.round(massKg * 100) / 100;
  return {
    kind,
    name,
    massKg: rounded,
    massBasis: 'assumed',
    sizeBasis: 'assumed',
    count: 1,
    ...own,
  } as unknown as PartBody;
}

const KNOB: Adjuster = { pitchMm: null, leverMm: null, clockwiseMoves: null, paired: false };

/** Twelve hours, twelve on top, seen upside down: what most finders have. */
export const USUAL_FINDER: Dial = {
  numbering: '12h',
  topMark: 0,
  direction: 'clockwise',
  view: 'inverted',
  tickEvery: 0.25,
  numberEvery: 1,
  rings: [],
  patternHips: [],
  patternYear: null,
  fieldDeg: 7,
  faintestMag: 8,
  turnsWithAxis: true,
  plateTurnDeg: 0,
  screwAnglesDeg: [],
};

export type FinderAnswer = 'twelveHour' | 'none';

export function usualMount(name: string, usual: UsualCarrier, finder: FinderAnswer): PartBody {
  const { mountKind, drive, belt, ratedKg, ratingIncludesWeights, referenceArmM, bar, hasFinder } = usual;
  const own: Omit<WithoutHead<MountPart>, Given> = {
    mountKind,
    drive,
    belt,
    wormTeeth: null,
    drivePeriodS: null,
    ratedKg,
    ratingIncludesWeights,
    referenceArmM,
    barRangeM: bar?.rangeM ?? null,
    travelH: null,
    pastMeridianLimitH: null,
    earliestFlipH: null,
    onPowerLoss: null,
    slewRateDegPerS: null,
    adjusters:
      mountTraits(usual).hasPolarAxis && mountTraits(usual).standsOn === 'legs'
        ? { altitude: KNOB, azimuth: { ...KNOB, paired: true } }
        : null,
    finder: hasFinder && finder === 'twelveHour' ? USUAL_FINDER : null,
    geometry: null,
    saddle: null,
    homeMarks: false,
  };
  return guessed('mount', name, usual.headKg, own);
}

export function usualSupport(name: string, usual: UsualCarrier): PartBody {
  const { supportKg, hubHeightM, footRadiusM } = usual;
  return guessed('support', name, supportKg, {
    supportKind: mountTraits(usual).standsOn === 'ground' ? 'board' : 'tripod',
    hubHeightM,
    columnRadiusM: 0.05,
    footRadiusM,
    legRadiusM: 0.02,
    firstFootAzimuthDeg: 0,
  });
}

/** How much of a tube lies behind its saddle: camera and focuser pull there. */
export const BACK_SHARE = 0.45;

export function usualTubePart(name: string, optics: Optics, looker: Looker): PartBody {
  const { massKg, lengthM, radiusM } = usualTube(optics);
  const { apertureMm, focalMm } = imagedThrough(optics, looker);
  const tenths = (mm: number): number => Math.round(mm * 10) / 10;
  return guessed('tube', name, massKg, {
    apertureMm: tenths(apertureMm),
    focalMm: tenths(focalMm),
    frontM: (1 - BACK_SHARE) * lengthM,
    backM: BACK_SHARE * lengthM,
    radiusM,
    rear: null,
    imageCircleMm: null,
    tubeKind: optics.kind,
  });
}

export const usualRings = (name: string, optics: Optics): PartBody =>
  guessed('rings', name, RINGS_SHARE * usualTube(optics).massKg, {});
export const usualPlate = (name: string, optics: Optics): PartBody =>
  guessed('plate', name, PLATE_SHARE * usualTube(optics).massKg, { dovetail: null });

export const CAMERA_LENGTH_M = 0.1;

/** A body with a lens mount is wide and heavy, and stands with its adapter at one distance whatever its mount; a camera for
 *  the telescope is a can. */
const USUAL_CAMERAS = {
  lensMount: { massKg: 0.7, radiusM: 0.065, depthMm: USUAL_BACK_FOCUS_MM },
  telescope: { massKg: 0.5, radiusM: 0.045, depthMm: 17.5 },
  phone: { massKg: 0.2, radiusM: 0.045, depthMm: 17.5 },
} as const;
const SMALL_KG = 0.2;

/** @param body what the sensor sits in. */
export function usualCamera(name: string, sensor: Sensor | 'phone', body: Body): PartBody {
  const { pixelUm, ...pixels } = pixelsOf(sensor);
  const bodyKind = sensor === 'phone' ? sensor : body;
  const { massKg, radiusM, depthMm } = USUAL_CAMERAS[bodyKind];
  const isSmall = sensor !== 'phone' && sensor.format === 'small';
  return guessed('camera', name, isSmall ? SMALL_KG : massKg, {
    ...pixels,
    pixelUm: Math.round(pixelUm * 100) / 100,
    depthMm,
    bodyKind,
    front: { thread: 'M42x0.75', gender: 'female' },
    lengthM: CAMERA_LENGTH_M,
    radiusM,
  });
}

export const usualEyepiece = (name: string): PartBody =>
  guessed('eyepiece', name, 0.15, { focalMm: LOW_POWER_EYEPIECE_MM });

export const usualGuideScope = (name: string): PartBody =>
  guessed('guideScope', name, 0.6, { focalMm: 120, apertureMm: 30, pixelUm: 3 });
export const usualBallHead = (name: string): PartBody => guessed('small', name, 0.3, {});
export const usualBar = (name: string, { massKg, lengthM, centreM }: UsualBar): PartBody =>
  guessed('bar', name, massKg, { lengthM, centreM, radiusM: 0.01 });
export const usualWeight = (name: string, massKg: number): PartBody =>
  guessed('weight', name, massKg, { thicknessM: 0.02 + 0.008 * massKg });

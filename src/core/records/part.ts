/** Parts: everything a rig is made of. Mechanics in kg and m, optics in mm and um. */
import { z } from 'zod';
import {
  degSchema,
  headShape,
  hoursSchema,
  lengthMSchema,
  lineSchema,
  massKgSchema,
  mmSchema,
  nameSchema,
  positiveLengthMSchema,
  positiveMmSchema,
} from './common.ts';

/** By a tape, from a data sheet, or guessed. */
export const SIZE_BASES = ['measured', 'stated', 'assumed'] as const;

/** `lengthMm`: of a male thread to its shoulder, of a female one to its ground; absent or null = not measured.
 *  `basis`: of thread and side; absent = as the lengths of its part. */
const jointSchema = z.object({
  thread: lineSchema(40).min(1),
  gender: z.enum(['male', 'female']),
  lengthMm: positiveMmSchema.nullable().optional(),
  basis: z.enum(SIZE_BASES).optional(),
});

/** One bolt or pair of knobs: what a turn does. Of two opposed knobs `clockwiseMoves` is said of the right one, of two
 *  opposed bolts of the rear one, as seen from behind the mount; the other one then moves the axis back. */
export const adjusterSchema = z.object({
  pitchMm: positiveMmSchema.nullable(),
  leverMm: positiveMmSchema.nullable(),
  clockwiseMoves: z.enum(['up', 'down', 'east', 'west']).nullable(),
  paired: z.boolean(),
});

const yearSchema = z.number().int().min(1950).max(2100);

/** The engraving of a polar finder. */
export const dialSchema = z.object({
  numbering: z.enum(['12h', '24h', 'deg', 'pattern']),
  topMark: z.number().min(0).max(360),
  direction: z.enum(['clockwise', 'counterclockwise']),
  view: z.enum(['upright', 'inverted']),
  /** Between two marks and between two numbers, in the dial's own units; null = none engraved. */
  tickEvery: z.number().min(0.01).max(360).nullable(),
  numberEvery: z.number().min(0.01).max(360).nullable(),
  /** Rings about the middle: what each stands for, and the year it is for. */
  rings: z.array(z.object({ arcmin: z.number().min(0.1).max(600), year: yearSchema.nullable() })).max(4),
  /** Stars with a mark of their own on the plate, by Hipparcos number, and the year these are for. */
  patternHips: z.array(z.number().int().positive()).max(9),
  patternYear: yearSchema.nullable(),
  /** How wide the view is, and the faintest star it shows. */
  fieldDeg: z.number().min(1).max(20),
  faintestMag: z.number().min(2).max(9.5),
  turnsWithAxis: z.boolean(),
  plateTurnDeg: degSchema,
  screwAnglesDeg: z.array(degSchema).max(8),
});

export const MOUNT_KIND_NAMES = [
  'germanEquatorial',
  'trackerBallHead',
  'trackerBracket',
  'forkOnWedge',
  'altAzimuth',
  'pushedAltAzimuth',
  'floorReflector',
  'tiltingPlatform',
] as const;

const mountShape = {
  mountKind: z.enum(MOUNT_KIND_NAMES),
  /** `raMotor`: a worm with a motor on right ascension alone; `byHand`: no motor at all. */
  drive: z.enum(['worm', 'strainWave', 'frictionOrDirect', 'raMotor', 'byHand']),
  belt: z.boolean(),
  wormTeeth: z.number().int().min(10).max(2000).nullable(),
  drivePeriodS: z.number().min(1).max(10_000).nullable(),
  ratedKg: z.number().min(0.1).max(500),
  ratingIncludesWeights: z.boolean(),
  referenceArmM: positiveLengthMSchema,
  barRangeM: z
    .tuple([lengthMSchema, lengthMSchema])
    .refine(([nearest, farthest]) => nearest <= farthest, {
      path: [1],
      message: 'farthestBeforeNearest',
    })
    .nullable(),
  travelH: z.tuple([hoursSchema, hoursSchema]).nullable(),
  pastMeridianLimitH: z.number().min(-6).max(12).nullable(),
  earliestFlipH: z.number().min(-6).max(12).nullable(),
  onPowerLoss: z.enum(['brakes', 'drops']).nullable(),
  slewRateDegPerS: z.number().min(0.001).max(50).nullable(),
  adjusters: z.object({ altitude: adjusterSchema, azimuth: adjusterSchema }).nullable(),
  finder: dialSchema.nullable(),
  geometry: z
    .object({ pivotHeightM: lengthMSchema, axisForwardM: z.number().min(-2).max(2), columnTopDropM: lengthMSchema })
    .nullable(),
  /** The dovetail that its saddle grips; null = not known. */
  saddle: z.enum(['narrow', 'wide', 'both']).nullable(),
  /** Strips of tape across both axes show home. */
  homeMarks: z.boolean().default(false),
  /** What of its tripod this mount wants toward the pole; absent or null = not asked yet. */
  towardPole: z.enum(['leg', 'gap']).nullable().optional(),
  /** For how long a platform follows before it is set back; absent or null = not told. */
  runMinutes: z.number().min(5).max(300).nullable().optional(),
};

export const TUBE_KINDS = ['lens', 'refractor', 'newtonian', 'mirrorLens'] as const;
/** What it is screwed to: a camera with a lens mount, one made for the telescope, or a phone that looks through its own lens. */
export const BODY_KINDS = ['lensMount', 'telescope', 'phone'] as const;

/** What distinguishes each kind of part. */
export const partKinds = {
  mount: mountShape,
  support: {
    /** `board`: a low box turns on it, on the ground. */
    supportKind: z.enum(['tripod', 'pier', 'board']),
    hubHeightM: lengthMSchema,
    columnRadiusM: lengthMSchema,
    footRadiusM: lengthMSchema,
    legRadiusM: lengthMSchema,
    firstFootAzimuthDeg: degSchema,
  },
  tube: {
    apertureMm: positiveMmSchema,
    focalMm: positiveMmSchema,
    frontM: lengthMSchema,
    backM: lengthMSchema,
    radiusM: lengthMSchema,
    rear: jointSchema.nullable(),
    /** Diameter that is lit well, at its own focal length; null = not known. */
    imageCircleMm: positiveMmSchema.nullable(),
    /** Absent or null: by its aperture. */
    tubeKind: z.enum(TUBE_KINDS).nullable().optional(),
    /** Width at half height of a focused star by its optics alone, at the sensor; absent or null = not told. */
    opticsFwhmUm: z.number().min(0).max(500).nullable().optional(),
    /** How its focuser counts; absent or null = nobody said. */
    focuser: z
      .object({ unit: z.enum(['step', 'turn', 'mark']), umPerUnit: z.number().min(0.01).max(100_000) })
      .nullable()
      .optional(),
  },
  corrector: {
    factor: z.number().min(0.1).max(10),
    /** Null = nobody knows: assumed until corners were looked at. */
    backFocusMm: positiveMmSchema.nullable(),
    rear: jointSchema,
    cornerRuleInverted: z.boolean(),
    focalMm: z.number().min(-20_000).max(20_000).nullable(),
    /** Diameter that is corrected well behind it; null = not known. */
    imageCircleMm: positiveMmSchema.nullable(),
  },
  camera: {
    pixelUm: z.number().min(0.5).max(50),
    widthPx: z.number().int().min(16).max(40_000),
    heightPx: z.number().int().min(16).max(40_000),
    /** From its front thread to the sensor, of a body with a lens mount with its adapter. */
    depthMm: mmSchema,
    /** Absent: as the lengths of the camera. */
    depthBasis: z.enum(SIZE_BASES).optional(),
    /** Absent or null: nobody said. */
    bodyKind: z.enum(BODY_KINDS).nullable().optional(),
    front: jointSchema,
    lengthM: lengthMSchema,
    radiusM: lengthMSchema,
  },
  spacer: spacerShape(),
  wheel: spacerShape(),
  guider: spacerShape(),
  rotator: spacerShape(),
  tiltPlate: spacerShape(),
  filter: { thicknessMm: positiveMmSchema, index: z.number().min(1).max(3) },
  shim: { thicknessMm: positiveMmSchema },
  guideScope: {
    focalMm: positiveMmSchema,
    apertureMm: positiveMmSchema,
    pixelUm: z.number().min(0.5).max(50).nullable(),
  },
  eyepiece: { focalMm: positiveMmSchema },
  weight: { thicknessM: lengthMSchema },
  bar: barShape(),
  barExtension: barShape(),
  battery: {
    capacityAh: z.number().min(0.01).max(5000),
    voltageV: z.number().min(0.5).max(60),
    chemistry: z.enum(['lead', 'lithiumIron', 'powerBank', 'other']),
    usableDepth: z.number().min(0.05).max(1),
  },
  load: {
    use: z.enum(['mount', 'camera', 'cooler', 'heater', 'computer', 'other']),
    currentA: z.number().min(0).max(100).nullable(),
    powerW: z.number().min(0).max(2000).nullable(),
    duty: z.number().min(0).max(1),
    peakA: z.number().min(0).max(200).nullable(),
    supplyV: z.number().min(0.5).max(60),
    lowestV: z.number().min(0.5).max(60).nullable(),
  },
  cable: {
    lengthM: z.number().min(0.01).max(200),
    areaMm2: z.number().min(0.01).max(100).nullable(),
    maxA: z.number().min(0.01).max(200).nullable(),
  },
  /** Stands in a supply's chain of cables, at the battery's end. */
  converter: {
    outputV: z.number().min(0.5).max(60),
    efficiency: z.number().min(0.3).max(1),
    maxA: z.number().min(0.01).max(200).nullable(),
  },
  rings: {},
  /** The bar under the tube; null = width not known. */
  plate: { dovetail: z.enum(['narrow', 'wide']).nullable() },
  small: {},
};

function spacerShape() {
  return { lengthMm: positiveMmSchema, front: jointSchema, rear: jointSchema, required: z.boolean() };
}

function barShape() {
  return { lengthM: positiveLengthMSchema, centreM: lengthMSchema, radiusM: lengthMSchema };
}

const partShape = {
  ...headShape,
  name: nameSchema,
  count: z.number().int().min(1).max(999),
  massKg: massKgSchema.nullable(),
  massBasis: z.enum(['weighed', 'stated', 'assumed']),
  /** Of its lengths, which its mass says nothing of; absent: as stated. */
  sizeBasis: z.enum(SIZE_BASES).optional(),
  sizeM: z.tuple([lengthMSchema, lengthMSchema, lengthMSchema]).optional(),
  packIn: lineSchema(80).optional(),
};

const of = <K extends keyof typeof partKinds>(kind: K) =>
  z.object({ ...partShape, kind: z.literal(kind), ...partKinds[kind] });

export const partSchema = z.discriminatedUnion('kind', [
  of('mount'),
  of('support'),
  of('tube'),
  of('corrector'),
  of('camera'),
  of('spacer'),
  of('wheel'),
  of('guider'),
  of('rotator'),
  of('tiltPlate'),
  of('filter'),
  of('shim'),
  of('guideScope'),
  of('eyepiece'),
  of('weight'),
  of('bar'),
  of('barExtension'),
  of('battery'),
  of('load'),
  of('cable'),
  of('converter'),
  of('rings'),
  of('plate'),
  of('small'),
]);

/** What a form edits: a part of one kind without its head. */
export function partBodySchema(kind: PartKind) {
  const { name, count, massKg, massBasis, sizeBasis, packIn } = partShape;
  return z.object({
    name,
    count,
    massKg,
    massBasis,
    sizeBasis,
    packIn,
    note: headShape.note,
    kind: z.literal(kind),
    ...partKinds[kind],
  });
}

export type Part = z.infer<typeof partSchema>;
export type PartKind = Part['kind'];
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;
export type MountPart = PartOf<'mount'>;
export type MountKind = MountPart['mountKind'];
export type SizeBasis = (typeof SIZE_BASES)[number];
export type TubeKind = (typeof TUBE_KINDS)[number];
export type Dial = z.infer<typeof dialSchema>;
export type Adjuster = z.infer<typeof adjusterSchema>;

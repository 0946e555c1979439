/** Readings: what was measured, immutable. Numbers with units in their names. */
import { z } from 'zod';
import { bounded, hoursSchema, idSchema, lineSchema, textSchema, utcSchema } from './common.ts';
import { PAST_FOCUS, STICKS } from './corners.ts';

export const STEPS = [
  'light-path',
  'payload',
  'meridian',
  'level',
  'balance',
  'polar',
  'pointing',
  'tracking',
  'watch',
  'logbook',
] as const;
export const stepSchema = z.enum(STEPS);

/** Longest settling that is taken for one, s. */
export const LONGEST_SETTLE_S = 120;

/** What happened, as far as anything follows from it. A closed list: a signal is never a free text. */
export const EVENTS = [
  'setByEye',
  'lastPoleCheck',
  'plateMoved',
  'driftGivenUp',
  'flipBegun',
  'scaleSet',
  /** A leg was moved after it stood; axes turned by hand to see through the finder's bore. */
  'legsMoved',
  'axesOpened',
  /** Of the subs: the plan follows. */
  'started',
  'paused',
  'resumed',
  'stopped',
  /** The mount was sent to a target, or that target is left out tonight. */
  'targetTaken',
  'skipped',
  /** A platform was set back to its start. */
  'platformReset',
] as const;
export type EventName = (typeof EVENTS)[number];

const arcmin = bounded(-5400, 5400);
const azimuthDeg = bounded(-360, 360);
const bearingDeg = bounded(0, 360);
const decDeg = bounded(-90, 90);
const axisSchema = z.enum(['ra', 'dec', 'sideways']);
const stateSchema = z.enum(['beforeFlip', 'afterFlip']);

/** The values of each kind of reading. */
export const readingValues = {
  polarError: z.object({
    altErrorArcmin: arcmin,
    azErrorArcmin: arcmin,
    method: z.enum(['finder', 'camera', 'drift', 'typed', 'subs']),
    reference: z.enum(['true', 'refracted']),
  }),
  knobTurn: z.object({
    adjuster: z.enum(['altitude', 'azimuth']),
    /** + = clockwise. */
    turns: bounded(-500, 500),
    afterLockOrReversal: z.boolean(),
    /** Errors of this adjuster against the true pole; null: as the pole of that night stood, and as it was measured next. */
    beforeArcmin: arcmin.nullable(),
    afterArcmin: arcmin.nullable(),
  }),
  /** What tightening did; null: the next error measured less the one before. */
  lockShift: z.object({ altArcmin: arcmin.nullable(), azArcmin: arcmin.nullable() }),
  /** `trueAltDeg` of the axis; null: as the pole of that night stood. */
  scaleReading: z.object({ scaleDeg: bounded(-20, 110), trueAltDeg: bounded(0, 90).nullable() }),
  compass: z.object({ readDeg: azimuthDeg, distanceM: bounded(0, 1000), trueDeg: azimuthDeg }),
  /** Sun's shadow of a plumb line: where it points by the clock, how far clockwise of it the axis lies, both give `trueDeg`. */
  shadow: z.object({ shadowDeg: azimuthDeg, clockwiseDeg: azimuthDeg, trueDeg: azimuthDeg }),
  level: z.object({ tiltDeg: bounded(0, 45), uphillAzimuthDeg: azimuthDeg }),
  feet: z.object({ azimuthDeg }),
  balance: z.object({
    axis: axisSchema,
    /** Null where no piece is read off a tape: a tube between a fork's arms. */
    positionM: bounded(-2, 2).nullable(),
    /** Right ascension: tube or weight; declination: front or rear; sideways, by the sides of a level tube: upper or
     *  lower. */
    drops: z.enum(['tube', 'weight', 'front', 'rear', 'upper', 'lower', 'none']),
  }),
  halfTurn: z.object({ beforeXArcmin: arcmin, beforeYArcmin: arcmin, afterXArcmin: arcmin, afterYArcmin: arcmin }),
  /** A star timed: where it stood toward north from where it began. The one that `starts` sets the clock going. */
  driftMark: z.object({
    starName: lineSchema(80),
    raDeg: bearingDeg,
    decDeg,
    northArcsec: bounded(-36_000, 36_000),
    sigmaArcsec: bounded(0.001, 3600),
    starts: z.boolean(),
  }),
  drift: z.object({
    haH: hoursSchema,
    // On the pole itself no star drifts.
    decDeg: bounded(-89.5, 89.5),
    rateArcsecPerMin: bounded(-3600, 3600),
    /** Over how many hours it was watched, half of them before `haH`; absent: a moment. */
    spanH: bounded(0, 24).optional(),
  }),
  track: z.object({
    periodS: bounded(1, 100_000).nullable(),
    harmonics: z
      .array(z.object({ k: bounded(0.01, 100), amplitudeArcsec: bounded(0, 3600), phaseDeg: azimuthDeg }))
      .max(24),
    /** Null where only the swing was typed in. */
    raDriftArcsecPerMin: bounded(-3600, 3600).nullable(),
    decDriftArcsecPerMin: bounded(-3600, 3600).nullable(),
    residualArcsec: bounded(0, 3600).nullable(),
    /** Where no period was told: no wave of the drive swings by more than this, peak to peak. */
    swingUnderArcsec: bounded(0, 7200).nullable().optional(),
    /** Up to which period that is known. */
    upToPeriodS: bounded(1, 1_000_000).nullable().optional(),
    /** What the drive does besides drift and worm, in even steps at the axis; null or left out where nobody saw it. */
    rest: z
      .object({ stepS: bounded(0.1, 600), errorArcsec: z.array(bounded(-3600, 3600)).min(2).max(1024) })
      .nullable()
      .optional(),
  }),
  backlash: z.object({ arcsec: bounded(-3600, 3600), axis: axisSchema }),
  guiding: z.object({ rmsRaArcsec: bounded(0, 1000), rmsDecArcsec: bounded(0, 1000) }),
  /** In the frame, from right ascension toward declination; null = not looked at. */
  flexure: z.object({ arcsecPerMin: bounded(0, 3600), directionDeg: azimuthDeg.nullable() }),
  /** Who needs longer forgot to stop. */
  steadiness: z.object({ settleS: bounded(0, LONGEST_SETTLE_S) }),
  focus: z.object({
    positionUm: bounded(-1_000_000, 1_000_000),
    temperatureC: bounded(-70, 60),
    fwhmPx: bounded(0.2, 200).nullable(),
  }),
  /** Of the air, noted in passing. */
  air: z.object({ temperatureC: bounded(-70, 60) }),
  /** `atLeast`: something of that size went through; how much wider it is nobody measured, and nothing is learned of it. */
  gap: z.object({
    haH: hoursSchema,
    state: stateSchema,
    decDeg,
    gapM: bounded(-5, 5),
    atLeast: z.boolean().optional(),
    /** Between which two; absent: those that come nearest by the drawing. */
    piece: z.enum(['tube', 'camera']).optional(),
    obstacle: z.enum(['column', 'leg0', 'leg1', 'leg2', 'ground']).optional(),
  }),
  flip: z.object({
    atUtc: utcSchema,
    minutes: bounded(0, 1440),
    /** On which side the tube stands since, named as the clearance names it; absent: the other one. */
    to: z.enum(['before', 'after']).optional(),
    missEastArcmin: arcmin.nullable(),
    missNorthArcmin: arcmin.nullable(),
  }),
  corners: z.object({
    sigmaArcsec: z.tuple([cornerSigma(), cornerSigma(), cornerSigma(), cornerSigma()]),
    direction: z.enum(['radial', 'tangential']),
    verdict: lineSchema(80),
    spacingMm: bounded(0, 20_000).nullable(),
  }),
  /** What the eye saw at five places of a frame, with what distance from the corrector's flange; its subject is the corrector,
   *  the camera where there is none. */
  cornersSeen: z.object({
    places: z.object({
      topLeft: seenStar(),
      topRight: seenStar(),
      bottomLeft: seenStar(),
      bottomRight: seenStar(),
      centre: seenStar(),
    }),
    centreFocused: z.boolean(),
    highTarget: z.boolean(),
    exposureS: bounded(0.001, 3600),
    pastFocus: z.enum(PAST_FOCUS),
    spacingMm: bounded(0, 20_000).nullable(),
    /** What of it filter glass asked for. */
    glassMm: bounded(0, 100),
    /** The camera's depth in it, where that was a guess; absent: it was told, or the distance was typed. */
    guessedDepth: z.object({ cameraId: idSchema, depthMm: bounded(0, 1000) }).optional(),
  }),
  battery: z.object({ voltageV: bounded(0, 100), fraction: bounded(0, 1) }),
  seeing: z.object({ fwhmArcsec: bounded(0.1, 20) }),
  subs: z
    .object({ count: z.number().int().min(0).max(1_000_000), usable: z.number().int().min(0).max(1_000_000) })
    .refine((v) => v.usable <= v.count, { path: ['usable'], message: 'moreThanTaken' }),
  check: z.object({ listId: lineSchema(200), itemId: lineSchema(200), done: z.boolean() }),
  /** Of the subs' events: which target they are of. */
  event: z.object({
    what: z.enum(EVENTS),
    targetId: idSchema.optional(),
  }),
  timing: z.object({ step: stepSchema, minutes: bounded(0, 1440) }),
  note: z.object({ text: textSchema(4000) }),
  retract: z.object({ readingId: idSchema }),
};

function seenStar() {
  return z.object({ stick: z.enum(STICKS), strong: z.boolean() });
}

function cornerSigma() {
  return bounded(0, 1000);
}

const readingShape = {
  id: idSchema,
  deviceId: idSchema,
  nightId: idSchema.nullable(),
  snapshotId: idSchema,
  step: stepSchema,
  subject: z.object({ type: z.enum(['mount', 'part', 'rig', 'site', 'night']), id: idSchema }),
  takenAtUtc: utcSchema,
  recordedAtUtc: utcSchema,
  /** Counts up on its device with everything written there, whatever the clock does; rows of older versions have none. */
  seq: z.number().int().min(0).optional(),
  source: z.enum(['typed', 'frame', 'log', 'standIn', 'sensor']),
  sigma: z.record(z.string().max(40), bounded(0, 1e6)),
  blobIds: z.array(idSchema).max(50),
  note: textSchema(4000),
};

const of = <K extends keyof typeof readingValues>(kind: K) =>
  z.object({ ...readingShape, kind: z.literal(kind), values: readingValues[kind] });

export const readingSchema = z.discriminatedUnion('kind', [
  of('polarError'),
  of('knobTurn'),
  of('lockShift'),
  of('scaleReading'),
  of('compass'),
  of('shadow'),
  of('level'),
  of('feet'),
  of('balance'),
  of('halfTurn'),
  of('driftMark'),
  of('drift'),
  of('track'),
  of('backlash'),
  of('guiding'),
  of('flexure'),
  of('steadiness'),
  of('focus'),
  of('air'),
  of('gap'),
  of('flip'),
  of('corners'),
  of('cornersSeen'),
  of('battery'),
  of('seeing'),
  of('subs'),
  of('check'),
  of('event'),
  of('timing'),
  of('note'),
  of('retract'),
]);

export type Step = z.infer<typeof stepSchema>;
export type Reading = z.infer<typeof readingSchema>;

/** What a reading has that was typed and of which nothing more was said. */
export const TYPED: Pick<Reading, 'source' | 'sigma' | 'blobIds' | 'note'> = {
  source: 'typed',
  sigma: {},
  blobIds: [],
  note: '',
};
export type ReadingKind = Reading['kind'];
export type ReadingOf<K extends ReadingKind> = Extract<Reading, { kind: K }>;
/** Readings that belong to no night share one row of this name. */
export const NO_NIGHT = 'no-night';
/** One row per night, so that thousands of readings load quickly. */
export const nightReadingsSchema = z.object({ nightId: idSchema, readings: z.array(readingSchema) });
export type NightReadings = z.infer<typeof nightReadingsSchema>;

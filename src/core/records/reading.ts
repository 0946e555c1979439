/** Readings: what was measured, immutable. Numbers with units in their names. */
import { z } from 'zod';
import { idSchema, utcSchema } from './common.ts';

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

const n = z.number();
const arcmin = z.number().min(-5400).max(5400);
const axisSchema = z.enum(['ra', 'dec', 'sideways']);

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
    turns: n,
    afterLockOrReversal: z.boolean(),
    /** Errors of this adjuster against the true pole. */
    beforeArcmin: n,
    /** Null: as the next error measured on that night says. */
    afterArcmin: n.nullable(),
  }),
  lockShift: z.object({ altArcmin: n, azArcmin: n }),
  scaleReading: z.object({ scaleDeg: n, trueAltDeg: n }),
  compass: z.object({ readDeg: n, distanceM: n, trueDeg: n }),
  /** Sun's shadow of a plumb line: where it points by the clock, how far clockwise of it the axis lies, both give `trueDeg`. */
  shadow: z.object({ shadowDeg: n, clockwiseDeg: n, trueDeg: n }),
  level: z.object({ tiltDeg: n, uphillAzimuthDeg: n }),
  feet: z.object({ azimuthDeg: n }),
  balance: z.object({
    axis: axisSchema,
    positionM: z.number().min(-2).max(2),
    /** Right ascension: tube or weight; declination: front or rear; sideways, by the sides of a level tube: upper or
     *  lower. */
    drops: z.enum(['tube', 'weight', 'front', 'rear', 'upper', 'lower', 'none']),
  }),
  halfTurn: z.object({ beforeXArcmin: n, beforeYArcmin: n, afterXArcmin: n, afterYArcmin: n }),
  /** A star timed: where it stood toward north from where it began. The one that `starts` sets the clock going. */
  driftMark: z.object({
    starName: z.string().max(80),
    raDeg: n,
    decDeg: n,
    northArcsec: n.min(-36_000).max(36_000),
    sigmaArcsec: n.positive(),
    starts: z.boolean(),
  }),
  drift: z.object({ haH: n, decDeg: n, rateArcsecPerMin: n }),
  track: z.object({
    periodS: n.nullable(),
    harmonics: z.array(z.object({ k: n, amplitudeArcsec: n, phaseDeg: n })),
    /** Null where only the swing was typed in. */
    raDriftArcsecPerMin: n.nullable(),
    decDriftArcsecPerMin: n.nullable(),
    residualArcsec: n.nullable(),
  }),
  backlash: z.object({ arcsec: n, axis: axisSchema }),
  guiding: z.object({ rmsRaArcsec: n.min(0), rmsDecArcsec: n.min(0) }),
  flexure: z.object({ arcsecPerMin: n, directionDeg: n }),
  /** Who needs longer forgot to stop. */
  steadiness: z.object({ settleS: n.min(0).max(LONGEST_SETTLE_S) }),
  focus: z.object({
    positionUm: n.min(-1_000_000).max(1_000_000),
    temperatureC: n.min(-70).max(60),
    fwhmPx: n.min(0.2).max(200).nullable(),
  }),
  gap: z.object({ haH: n, state: z.enum(['beforeFlip', 'afterFlip']), decDeg: n, gapM: n }),
  flip: z.object({ atUtc: utcSchema, minutes: n, missEastArcmin: n.nullable(), missNorthArcmin: n.nullable() }),
  corners: z.object({
    sigmaArcsec: z.tuple([n, n, n, n]),
    direction: z.enum(['radial', 'tangential']),
    verdict: z.string(),
    spacingMm: n.nullable(),
  }),
  pointingMiss: z.object({ raArcmin: n, decArcmin: n, state: z.enum(['beforeFlip', 'afterFlip']) }),
  battery: z.object({ voltageV: n, fraction: n.min(0).max(1) }),
  seeing: z.object({ fwhmArcsec: n.min(0.1).max(20) }),
  subs: z
    .object({ count: n.int().min(0), usable: n.int().min(0) })
    .refine((v) => v.usable <= v.count, { path: ['usable'], message: 'Cannot be more than were taken.' }),
  check: z.object({ listId: z.string(), itemId: z.string(), done: z.boolean() }),
  timing: z.object({ step: stepSchema, minutes: n.min(0) }),
  note: z.object({ text: z.string().max(4000) }),
  retract: z.object({ readingId: idSchema }),
};

const readingShape = {
  id: idSchema,
  deviceId: idSchema,
  nightId: idSchema.nullable(),
  snapshotId: idSchema,
  step: stepSchema,
  subject: z.object({ type: z.enum(['mount', 'part', 'rig', 'site', 'night']), id: idSchema }),
  takenAtUtc: utcSchema,
  recordedAtUtc: utcSchema,
  source: z.enum(['typed', 'frame', 'log', 'standIn', 'sensor']),
  sigma: z.record(z.string(), z.number()),
  blobIds: z.array(idSchema),
  note: z.string().max(4000),
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
  of('gap'),
  of('flip'),
  of('corners'),
  of('pointingMiss'),
  of('battery'),
  of('seeing'),
  of('subs'),
  of('check'),
  of('timing'),
  of('note'),
  of('retract'),
]);

export type Step = z.infer<typeof stepSchema>;
export type Reading = z.infer<typeof readingSchema>;
export type ReadingKind = Reading['kind'];
export type ReadingOf<K extends ReadingKind> = Extract<Reading, { kind: K }>;
/** One row per night, so that thousands of readings load quickly. */
export const nightReadingsSchema = z.object({ nightId: idSchema, readings: z.array(readingSchema) });
export type NightReadings = z.infer<typeof nightReadingsSchema>;

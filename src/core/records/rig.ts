/** A rig: parts placed on a mount. From the axis: + = tube's side. Along the tube: + = front. */
import { z } from 'zod';
import { degSchema, distanceMSchema, headShape, idSchema, lineSchema, nameSchema } from './common.ts';

export const placedSchema = z.object({
  placedId: idSchema,
  partId: idSchema,
  on: z.enum(['tube', 'bar', 'head', 'ground']),
  fromRaAxisM: distanceMSchema,
  alongTubeM: distanceMSchema,
  sidewaysM: distanceMSchema,
  slides: z.boolean(),
  movable: z.boolean(),
  /** Absent: measured, as places were that a user typed. */
  placeBasis: z.enum(['measured', 'assumed']).optional(),
});

/** Which of the schools of practice this user follows. */
export const schoolsSchema = z.object({
  loadShare: z.number().min(0.3).max(1),
  heavySide: z.enum(['weightCloseIn', 'longerLever', 'both']),
  balance: z.enum(['dead', 'eastHeavy']),
  poleGoal: z.enum(['refracted', 'true']),
});

const pastMeridianH = z.number().min(-6).max(12);

export const rigSchema = z.object({
  ...headShape,
  name: nameSchema,
  mountId: idSchema,
  supportId: idSchema,
  imagingTubeId: idSchema,
  cameraId: idSchema,
  placed: z.array(placedSchema).max(200),
  train: z.array(idSchema).max(60),
  /** Parts of the train that stand in it turned round. */
  turned: z.array(idSchema).max(60).optional(),
  supplies: z.array(
    z.object({ loadId: idSchema, batteryId: idSchema, cableIds: z.array(idSchema), port: lineSchema(40) }),
  ),
  cameraAngleDeg: degSchema,
  guiding: z.enum(['none', 'guideScope', 'offAxis']),
  schools: schoolsSchema.partial(),
  /** How far past the meridian the cables reach, and up to where a fitting does not hit: absent = nobody looked. */
  cableLimitH: pastMeridianH.nullable().optional(),
  fittingLimitH: pastMeridianH.nullable().optional(),
});

/** What a form edits: a rig without its head. */
export const rigBodySchema = rigSchema.omit({
  id: true,
  rev: true,
  deviceId: true,
  createdAtUtc: true,
  updatedAtUtc: true,
  deletedAtUtc: true,
  origin: true,
  archived: true,
});

export type Placed = z.infer<typeof placedSchema>;
export type Schools = z.infer<typeof schoolsSchema>;
export type Rig = z.infer<typeof rigSchema>;

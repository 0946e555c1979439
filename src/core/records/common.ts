/** Schemas that every stored record shares. Zod is the only source of the types. */
import { z } from 'zod';

export const idSchema = z.string().min(1).max(64);
export const utcSchema = z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z$/, 'not a UTC instant');
export const localDateSchema = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'not a date');

export const originSchema = z.enum(['user', 'demo', 'starter', 'import']);

/** The head of part, rig, site, target, night and user setting: identity, revision, origin. */
export const headShape = {
  id: idSchema,
  rev: z.number().int().min(1),
  deviceId: idSchema,
  createdAtUtc: utcSchema,
  updatedAtUtc: utcSchema,
  deletedAtUtc: utcSchema.nullable(),
  origin: originSchema,
  archived: z.boolean(),
  note: z.string().max(4000),
};
export const headSchema = z.object(headShape);

export const nameSchema = z.string().trim().min(1, 'nameMissing').max(80);
const bounded = (min: number, max: number) => z.number().min(min).max(max);

export const massKgSchema = bounded(0, 500);
export const distanceMSchema = bounded(-5, 5);
export const lengthMSchema = bounded(0, 10);
export const positiveLengthMSchema = bounded(0.0001, 10);
export const mmSchema = bounded(0, 20_000);
export const positiveMmSchema = bounded(0.001, 20_000);
export const degSchema = bounded(-360, 360);
export const hoursSchema = bounded(-24, 24);

export type Head = z.infer<typeof headSchema>;
export type Origin = z.infer<typeof originSchema>;

/** Schemas that every stored record shares. Zod is the only source of the types. */
import './zodSetup.ts';
import { z } from 'zod';
import { inOneLine, withoutControls } from './text.ts';

export const textSchema = (longest: number) => z.string().max(longest).overwrite(withoutControls);
export const lineSchema = (longest: number) => z.string().max(longest).overwrite(inOneLine);

export const idSchema = z.string().min(1).max(64);

/** Years for which sky and calendar are reckoned. */
const [FIRST_YEAR, LAST_YEAR] = [1950, 2150];
const inYears = (text: string): boolean => {
  const year = Number(text.slice(0, 4));
  return year >= FIRST_YEAR && year <= LAST_YEAR;
};
/** A text that a date gives back unchanged is one that the calendar has. */
const isInstant = (text: string): boolean => {
  const ms = Date.parse(text);
  return !Number.isNaN(ms) && new Date(ms).toISOString() === text && inYears(text);
};

export const utcSchema = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z$/, 'notAnInstant')
  .refine(isInstant, 'notAnInstant');
export const localDateSchema = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, 'notADate')
  .refine((text) => isInstant(`${text}T00:00:00.000Z`), 'notADate');

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
  note: textSchema(4000),
};
export const headSchema = z.object(headShape);

export const nameSchema = lineSchema(80).trim().min(1, 'nameMissing');
export const bounded = (min: number, max: number) => z.number().min(min).max(max);

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

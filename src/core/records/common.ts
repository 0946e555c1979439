/** Schemas that every stored record shares. Zod is the only source of the types. */
import './zodSetup.ts';
import { z } from 'zod';
import { inOneLine, withoutControls } from './text.ts';

export const textSchema = (longest: number) => z.string().max(longest).overwrite(withoutControls);
export const lineSchema = (longest: number) => z.string().max(longest).overwrite(inOneLine);

export const idSchema = z.string().min(1).max(64);

/** Years for which sky and calendar are reckoned. */
const [FIRST_YEAR, LAST_YEAR] = [1950, 2150];
const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

/** Whether the calendar has the day that a text begins with, yyyy-mm-dd. */
function isDay(text: string): boolean {
  const [year, month, day] = [Number(text.slice(0, 4)), Number(text.slice(5, 7)), Number(text.slice(8, 10))];
  const days = (DAYS[month - 1] ?? 0) + (month === 2 && isLeap(year) ? 1 : 0);
  return year >= FIRST_YEAR && year <= LAST_YEAR && day >= 1 && day <= days;
}

// The JSON schema shows the patterns: they hold the hour; the calendar's days need the whole date.
export const utcSchema = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d:[0-5]\d\.\d{3}Z$/, 'notAnInstant')
  .refine(isDay, 'notAnInstant');
export const localDateSchema = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, 'notADate')
  .refine(isDay, 'notADate');

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

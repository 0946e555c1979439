/** Places and targets. Latitude south-negative, longitude east-positive. */
import { z } from 'zod';
import { headShape, lineSchema, nameSchema } from './common.ts';

export const siteSchema = z.object({
  ...headShape,
  name: nameSchema,
  latDeg: z.number().min(-90).max(90),
  lonDeg: z.number().min(-180).max(180),
  elevationM: z.number().min(-450).max(9000),
  /** A zone of the IANA database, never an offset. */
  zoneIana: lineSchema(64).min(1),
  /** Imaging stops under it, whatever the horizon; absent or null = not chosen. */
  lowestAltDeg: z.number().min(0).max(80).nullable().optional(),
  /** Darkness of the zenith without moon; absent or null = not known. */
  skyMagArcsec2: z.number().min(14).max(22.5).nullable().optional(),
  horizon: z.array(z.object({ azDeg: z.number().min(0).max(360), altDeg: z.number().min(-10).max(90) })).max(720),
});

export const targetSchema = z.object({
  ...headShape,
  name: nameSchema,
  catalogueId: lineSchema(40).nullable(),
  raJ2000Deg: z.number().min(0).lt(360),
  decJ2000Deg: z.number().min(-90).max(90),
  sizeArcmin: z.number().min(0.001).max(10_000).nullable(),
});

export type Site = z.infer<typeof siteSchema>;
export type Target = z.infer<typeof targetSchema>;

/** How a log is read, as it is kept on a device: whatever stands there is checked before a log is read by it. */
import { z } from 'zod';
import type { LogMapping } from './readLog.ts';

const errorUnits = ['arcsec', 'px', 'arcmin', 'deg', 'mas'] as const;
const sign = z.union([z.literal(1), z.literal(-1)]);
const positive = z.number().positive().max(1e6).nullable();

export const logMappingSchema: z.ZodType<LogMapping> = z.object({
  roles: z
    .array(
      z.discriminatedUnion('is', [
        z.object({
          is: z.literal('time'),
          kind: z.enum(['s', 'ms', 'us', 'ns', 'min', 'h', 'days', 'dateTime', 'timeOfDay', 'minutesSeconds']),
        }),
        z.object({ is: z.enum(['date', 'towardRa', 'towardDec', 'other']) }),
        z.object({ is: z.enum(['ra', 'dec', 'aimRa', 'aimDec']), unit: z.enum(errorUnits).nullable(), sign }),
        z.object({ is: z.enum(['sentRa', 'sentDec']), unit: z.enum([...errorUnits, 'ms', 's']).nullable(), sign }),
      ]),
    )
    .max(20_000),
  unit: z.enum(errorUnits),
  scaleArcsecPerPx: positive,
  rateArcsecPerS: positive,
  raFromXDeg: z.number().min(-360).max(360).nullable(),
});

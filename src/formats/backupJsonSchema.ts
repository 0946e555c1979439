/** The published JSON Schema of the backup file. */
import { z } from 'zod';
import { backupSchema } from './backup.ts';

export function backupJsonSchema(): object {
  return {
    title: 'Tidy Owl backup',
    description:
      'All records of one device. Units are in the names: m, kg, mm, um, deg, H (hours), arcmin, arcsec, s. Times are UTC.',
    ...z.toJSONSchema(backupSchema, { io: 'input', reused: 'ref' }),
  };
}

/** An immutable copy of rig, parts and site, of the night's targets and of what judged it, as they were when a reading was
 *  taken. */
import { z } from 'zod';
import { idSchema, utcSchema } from './common.ts';
import { partSchema } from './part.ts';
import { rigSchema, schoolsSchema } from './rig.ts';
import { settingValues } from './setting.ts';
import { siteSchema, targetSchema } from './site.ts';

export const snapshotSchema = z.object({
  id: idSchema,
  takenAtUtc: utcSchema,
  rig: rigSchema,
  parts: z.array(partSchema),
  site: siteSchema,
  /** Absent in copies of versions that did not keep them. */
  targets: z.array(targetSchema).optional(),
  limits: settingValues.limits.optional(),
  schools: schoolsSchema.optional(),
});

export type Snapshot = z.infer<typeof snapshotSchema>;

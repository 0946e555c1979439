/** An immutable copy of rig, parts and site as they were when a reading was taken. */
import { z } from 'zod';
import { idSchema, utcSchema } from './common.ts';
import { partSchema } from './part.ts';
import { rigSchema } from './rig.ts';
import { siteSchema } from './site.ts';

export const snapshotSchema = z.object({
  id: idSchema,
  takenAtUtc: utcSchema,
  rig: rigSchema,
  parts: z.array(partSchema),
  site: siteSchema,
});

export type Snapshot = z.infer<typeof snapshotSchema>;

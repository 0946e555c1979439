/** The records that carry a head, each with the schema that guards it. */
import type { z } from 'zod';
import { nightSchema } from './night.ts';
import { partSchema } from './part.ts';
import { rigSchema } from './rig.ts';
import { userSettingSchema } from './setting.ts';
import { siteSchema, targetSchema } from './site.ts';

export const HEAD_SCHEMAS = {
  parts: partSchema,
  rigs: rigSchema,
  sites: siteSchema,
  targets: targetSchema,
  nights: nightSchema,
  settings: userSettingSchema,
};
export type HeadTable = keyof typeof HEAD_SCHEMAS;
export type HeadRecord<T extends HeadTable> = z.infer<(typeof HEAD_SCHEMAS)[T]>;
export const HEAD_TABLES = Object.keys(HEAD_SCHEMAS) as HeadTable[];

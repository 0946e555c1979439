/** A night: one rig, one site, 24 hours from local noon, with a plan per target. */
import { z } from 'zod';
import { headShape, idSchema, localDateSchema, utcSchema } from './common.ts';

export const planEntrySchema = z.object({
  targetId: idSchema,
  subS: z.number().min(0.001).max(7200),
  gapS: z.number().min(0).max(600),
  /** Null = as many as fit; 0 = it is only looked at: no sub of this rig stays round on it. */
  count: z.number().int().min(0).max(10_000).nullable(),
  startUtc: utcSchema.nullable(),
  ditherEvery: z.number().int().min(0).max(100),
  refocusEveryMin: z.number().min(5).max(600).nullable(),
  strategy: z.enum(['endOfCrossingSub', 'asLateAsAllowed', 'asSoonAsAllowed', 'stopAtLimit', 'startAfter']),
  limitH: z.number().min(-6).max(12).nullable(),
});

export const nightSchema = z.object({
  ...headShape,
  eveningDate: localDateSchema,
  siteId: idSchema,
  rigId: idSchema,
  darkness: z.enum(['civil', 'nautical', 'astronomical']),
  plan: z.array(planEntrySchema).max(20),
});

export type PlanEntry = z.infer<typeof planEntrySchema>;
export type Night = z.infer<typeof nightSchema>;

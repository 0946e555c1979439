/** What a schema refuses, as data: words are made of it in the text layer, never of the validator's own sentences. */
import type { z } from 'zod';

/** Where in the record, and what is wrong with it in the form that `text/schemaWords` reads. */
export type Issue = { where: string; what: string };

export function firstIssue(error: z.ZodError): Issue {
  const issue = error.issues[0];
  return { where: issue?.path.map(String).join('.') ?? '', what: issue?.message ?? '' };
}

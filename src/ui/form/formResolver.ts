import { zodResolver } from '@hookform/resolvers/zod';
import type { FieldValues, Resolver } from 'react-hook-form';
import type { z } from 'zod';

/** A form's validation by a Zod schema. While typing, fields may hold null or NaN, which the schema's input type does
 *  not name; the schema itself refuses them, so the narrower input type is widened here, once. */
export function formResolver<Fields extends FieldValues, Out extends FieldValues>(
  schema: z.ZodType<Out>,
): Resolver<Fields, unknown, Out> {
  return zodResolver(schema as z.ZodType<Out, Fields>);
}

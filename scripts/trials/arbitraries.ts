/** Random records that a schema accepts, made from the schema itself: with its bounds, at its edges too. */
import fc from 'fast-check';
import { z } from 'zod';

type Def = {
  type: string;
  shape?: Record<string, z.ZodType>;
  options?: z.ZodType[];
  element?: z.ZodType;
  innerType?: z.ZodType;
  items?: z.ZodType[];
  entries?: Record<string, string>;
  values?: unknown[];
  valueType?: z.ZodType;
};
const defOf = (schema: z.ZodType): Def => schema.def;
type Leaf = {
  type?: string;
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  exclusiveMaximum?: number;
  pattern?: string;
};
/** Bounds of a number or text, as the schema publishes them. */
const leafOf = (schema: z.ZodType): Leaf => z.toJSONSchema(schema, { io: 'input' }) as Leaf;

function numbers(schema: z.ZodType): fc.Arbitrary<number> {
  const leaf = leafOf(schema);
  const min = leaf.minimum ?? leaf.exclusiveMinimum ?? -1e6;
  const max = leaf.maximum ?? leaf.exclusiveMaximum ?? 1e6;
  if (leaf.type === 'integer') return fc.integer({ min: Math.max(min, -1e9), max: Math.min(max, 1e9) });
  const open = { minExcluded: leaf.exclusiveMinimum !== undefined, maxExcluded: leaf.exclusiveMaximum !== undefined };
  // The edges are where formulas break.
  const edges = [min, max, 0].filter((edge) => schema.safeParse(edge).success);
  const inside = fc.double({ min, max, ...open, noNaN: true, noDefaultInfinity: true });
  return edges.length > 0
    ? fc.oneof({ weight: 3, arbitrary: inside }, { weight: 2, arbitrary: fc.constantFrom(...edges) })
    : inside;
}

const instants = fc.date({ min: new Date('1950-01-01'), max: new Date('2150-12-31'), noInvalidDate: true });
const texts = fc.string({ unit: 'binary', minLength: 1, maxLength: 20 });

function strings(schema: z.ZodType): fc.Arbitrary<string> {
  const pattern = leafOf(schema).pattern ?? '';
  if (pattern.includes('\\d{2}T')) return instants.map((d) => d.toISOString());
  if (pattern.includes('\\d{4}-\\d{2}-\\d{2}')) return instants.map((d) => d.toISOString().slice(0, 10));
  return texts.map((text) => `x${text}`);
}

const keys = fc.string({ minLength: 1, maxLength: 8 }).filter((k) => k !== '__proto__');

/** Values of a schema; those that a refinement refuses are drawn anew. */
export function arbitraryOf(schema: z.ZodType): fc.Arbitrary<unknown> {
  const def = defOf(schema);
  // Whoever reads a record gets a default filled in.
  if (def.type === 'default') return arbitraryOf(def.innerType ?? z.never());
  const inner = (): fc.Arbitrary<unknown> => {
    switch (def.type) {
      case 'object':
        return fc.record(
          Object.fromEntries(Object.entries(def.shape ?? {}).map(([key, one]) => [key, arbitraryOf(one)])),
        );
      case 'union':
        return fc.oneof(...(def.options ?? []).map(arbitraryOf));
      case 'array':
        return fc.array(arbitraryOf(def.element ?? z.never()), { maxLength: 4 });
      case 'tuple':
        return fc.tuple(...(def.items ?? []).map(arbitraryOf));
      case 'nullable':
        return fc.option(arbitraryOf(def.innerType ?? z.never()), { nil: null, freq: 4 });
      case 'optional':
        return fc.option(arbitraryOf(def.innerType ?? z.never()), { nil: undefined, freq: 2 });
      case 'enum':
        return fc.constantFrom(...Object.values(def.entries ?? {}));
      case 'literal':
        return fc.constantFrom(...(def.values ?? []));
      case 'record':
        return fc.dictionary(keys, arbitraryOf(def.valueType ?? z.never()), { maxKeys: 3 });
      case 'number':
        return numbers(schema);
      case 'string':
        return strings(schema);
      case 'boolean':
        return fc.boolean();
      default:
        throw new Error(`no values for the schema type ${def.type}`);
    }
  };
  return inner().filter((value) => schema.safeParse(value).success);
}

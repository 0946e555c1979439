/** Records as comma-separated text: one row each, nested values in columns with dotted names, lists as JSON. */
import Papa from 'papaparse';
import { z } from 'zod';

type Row = Map<string, string | number | boolean | null>;

function flatten(value: unknown, path: string, row: Row): void {
  if (typeof value === 'object' && value !== null && !Array.isArray(value)) {
    for (const [key, inner] of Object.entries(value)) flatten(inner, path === '' ? key : `${path}.${key}`, row);
  } else if (Array.isArray(value)) row.set(path, JSON.stringify(value));
  else if (typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean') row.set(path, value);
  else row.set(path, null);
}

/** What a spreadsheet runs as a formula, over line breaks too, and what a guard already stands before. */
const FORMULA = /^(?:[=+\-@\t\r\n]|'+[=+\-@\t\r\n])[\s\S]*$/;

/** The text that was guarded; inverse of the guard that `toCsv` sets. */
export function withoutGuard(text: string): string {
  return text.startsWith("'") && FORMULA.test(text) ? text.slice(1) : text;
}

/** RFC 4180 text with a header. Columns in the order in which they first appear; a record without one leaves it empty.
 *  Text that a spreadsheet would run as a formula gets a leading apostrophe.
 *  @param header columns of a table without records. */
export function toCsv(records: readonly object[], header: readonly string[] = []): string {
  const rows = records.map((record) => {
    const row: Row = new Map();
    flatten(record, '', row);
    return row;
  });
  const columns = records.length === 0 ? [...header] : [...new Set(rows.flatMap((row) => [...row.keys()]))];
  const data = rows.map((row) => columns.map((c) => row.get(c) ?? ''));
  return `${Papa.unparse({ fields: columns, data }, { escapeFormulae: FORMULA })}\r\n`;
}

type JsonSchema = { properties?: Record<string, JsonSchema>; anyOf?: JsonSchema[]; oneOf?: JsonSchema[] };

function columnsIn(schema: JsonSchema, path: string): string[] {
  const kinds = [...(schema.anyOf ?? []), ...(schema.oneOf ?? [])];
  if (kinds.length > 0) {
    const inside = kinds.flatMap((one) => columnsIn(one, path));
    return inside.some((c) => c !== path) ? inside.filter((c) => c !== path) : inside;
  }
  if (!schema.properties) return [path];
  return Object.entries(schema.properties).flatMap(([key, inner]) =>
    columnsIn(inner, path === '' ? key : `${path}.${key}`),
  );
}

/** Every column that records of a schema can fill. */
export function columnsOf(schema: z.ZodType): string[] {
  return [...new Set(columnsIn(z.toJSONSchema(schema, { io: 'input' }) as JsonSchema, ''))];
}

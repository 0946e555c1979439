/** JSON with sorted keys: equal content gives equal text, whatever order the keys were written in. */

/** Undefined for what JSON has no word for. By hand, since a replacer would build every object anew: 200,000 readings are
 *  written at once. */
function textOf(value: unknown): string | undefined {
  if (typeof value !== 'object' || value === null || 'toJSON' in value) return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map((inner) => textOf(inner) ?? 'null').join(',')}]`;
  const fields = value as Record<string, unknown>;
  const written: string[] = [];
  for (const key of Object.keys(fields).sort()) {
    const text = textOf(fields[key]);
    if (text !== undefined) written.push(`${JSON.stringify(key)}:${text}`);
  }
  return `{${written.join(',')}}`;
}

export function canonicalJson(value: unknown): string {
  return textOf(value) ?? '';
}

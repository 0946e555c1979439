/** JSON with sorted keys: equal content gives equal text, whatever order the keys were written in. */

/** Names of fields as they are written; there are few, and each is met many times. */
const written = new Map<string, string>();
function nameOf(key: string): string {
  let text = written.get(key);
  if (text === undefined) {
    text = `${JSON.stringify(key)}:`;
    if (written.size < MOST_NAMES) written.set(key, text);
  }
  return text;
}
const MOST_NAMES = 2000;

function sortedKeys(fields: object): string[] {
  const keys = Object.keys(fields);
  for (let i = 1; i < keys.length; i += 1) if ((keys[i - 1] ?? '') > (keys[i] ?? '')) return keys.sort();
  return keys;
}

/** Undefined for what JSON has no word for. By hand, since a replacer would build every object anew: 200,000 readings are
 *  written at once. */
function textOf(value: unknown): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? String(value) : 'null';
  if (typeof value !== 'object' || value === null || 'toJSON' in value) return JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map((inner) => textOf(inner) ?? 'null').join(',')}]`;
  let all = '';
  for (const key of sortedKeys(value)) {
    const text = textOf((value as Record<string, unknown>)[key]);
    if (text !== undefined) all += `${all === '' ? '' : ','}${nameOf(key)}${text}`;
  }
  return `{${all}}`;
}

export function canonicalJson(value: unknown): string {
  return textOf(value) ?? '';
}

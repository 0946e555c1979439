/** Numbers as hands type them. */
import type { QuantityKind } from '../../core/units/quantities.ts';

/** With a point or a comma; null = nothing typed, not a number = no number. */
function parseNumber(text: string): number | null {
  const cleaned = text.trim().replace(',', '.').replace('−', '-');
  if (cleaned === '') return null;
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(cleaned) ? Number(cleaned) : Number.NaN;
}

/** What is printed as `6:54` may be typed so. */
function parseHours(text: string): number | null {
  const read = /^([+−-]?)(\d{1,2}):([0-5]\d)$/.exec(text.trim());
  if (!read) return parseNumber(text);
  const hours = Number(read[2]) + Number(read[3]) / 60;
  return read[1] === '−' || read[1] === '-' ? -hours : hours;
}

export const readTyped = (text: string, kind: QuantityKind): number | null =>
  kind === 'hours' ? parseHours(text) : parseNumber(text);

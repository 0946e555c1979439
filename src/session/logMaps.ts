/** How logs of one heading are read, as somebody once said: kept on this device by the heading. */
import { z } from 'zod';
import { logMappingSchema } from '../formats/logs/mappingSchema.ts';
import type { LogMapping } from '../formats/logs/readLog.ts';

const KEY = 'tidy-owl-log-maps';
const MOST_KEPT = 40;
const keptSchema = z.array(z.tuple([z.string(), logMappingSchema]));

/** What cannot be read was never said. */
function kept(): [heading: string, mapping: LogMapping][] {
  try {
    const found = keptSchema.safeParse(JSON.parse(localStorage.getItem(KEY) ?? '[]'));
    return found.success ? found.data : [];
  } catch {
    return [];
  }
}

/** Of a heading that was said before; null for others. */
export const keptMapping = (heading: string): LogMapping | null => kept().find(([h]) => h === heading)?.[1] ?? null;

export function keepMapping(heading: string, mapping: LogMapping): void {
  const others = kept().filter(([h]) => h !== heading);
  try {
    localStorage.setItem(KEY, JSON.stringify([[heading, mapping], ...others].slice(0, MOST_KEPT)));
  } catch {
    // A device that keeps nothing asks again the next time.
  }
}

/** How logs of one heading are read, as somebody once said: kept on this device by the heading. */
import type { LogMapping } from '../formats/logs/readLog.ts';

const KEY = 'tidy-owl-log-maps';
const MOST_KEPT = 40;

type Kept = [heading: string, mapping: LogMapping][];

function kept(): Kept {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(stored) ? (stored as Kept) : [];
  } catch {
    return [];
  }
}

/** Of a heading that was said before; null for others. Whoever reads with it checks that it fits. */
export function keptMapping(heading: string): LogMapping | null {
  const found = kept().find(([h]) => h === heading)?.[1];
  return Array.isArray(found?.roles) ? found : null;
}

export function keepMapping(heading: string, mapping: LogMapping): void {
  const others = kept().filter(([h]) => h !== heading);
  try {
    localStorage.setItem(KEY, JSON.stringify([[heading, mapping], ...others].slice(0, MOST_KEPT)));
  } catch {
    // A device that keeps nothing asks again the next time.
  }
}

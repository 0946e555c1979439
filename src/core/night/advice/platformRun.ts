/** The platform's run at the moment: how long it still follows. */
import { platformFollows, type PlatformFollows } from '../../rig/platform.ts';
import { fromUtcText, MS_PER_MINUTE } from '../../time/utc.ts';
import { lastReading } from '../../history/nightRecords.ts';
import type { NightStatic } from '../nightStatic.ts';

/** When it was last set back, and when that run ends; null = nobody said that it was. */
export type PlatformRun = PlatformFollows & { sinceMs: number | null; endsMs: number | null };

/** Null for mounts that follow all night, or not at all. */
export function platformRun({ numbers, records }: NightStatic): PlatformRun | null {
  const follows = platformFollows(numbers.mount);
  if (!follows) return null;
  const last = lastReading(records.readings, 'event', (r) => r.values.what === 'platformReset');
  const sinceMs = last ? fromUtcText(last.takenAtUtc) : null;
  const endsMs = sinceMs === null ? null : sinceMs + follows.runMin * MS_PER_MINUTE;
  return { ...follows, sinceMs, endsMs };
}

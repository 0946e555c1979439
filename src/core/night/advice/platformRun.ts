/** A tilting platform follows for some minutes and is then set back to its start. */
import { mountTraits } from '../../mount/mountKinds.ts';
import { fromUtcText, MS_PER_MINUTE } from '../../time/utc.ts';
import { ASSUMED } from '../../verdict/assumptions.ts';
import { lastReading } from '../../history/nightRecords.ts';
import type { NightStatic } from '../nightStatic.ts';

export type PlatformRun = {
  runMin: number;
  /** Nobody told how long this one follows. */
  assumed: boolean;
  /** When it was last set back, and when that run ends; null = nobody said that it was. */
  sinceMs: number | null;
  endsMs: number | null;
};

/** Null for mounts that follow all night, or not at all. */
export function platformRun({ numbers, records }: NightStatic): PlatformRun | null {
  const { mount } = numbers;
  if (!mount || !mountTraits(mount).runsOut) return null;
  const told = mount.runMinutes ?? null;
  const runMin = told ?? ASSUMED.platformRunMin;
  const last = lastReading(records.readings, 'event', (r) => r.values.what === 'platformReset');
  const sinceMs = last ? fromUtcText(last.takenAtUtc) : null;
  const endsMs = sinceMs === null ? null : sinceMs + runMin * MS_PER_MINUTE;
  return { runMin, assumed: told === null, sinceMs, endsMs };
}

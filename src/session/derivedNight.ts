/** A night as the pages show it: derived from all records, by this user's limits and schools. */
import { deriveNight, type DerivedNight } from '../core/night/deriveNight.ts';
import { settingOf } from '../core/records/setting.ts';
import type { Stored } from '../storage/useStored.ts';

export function derivedNight(stored: Stored, nightId: string, nowMs: number): DerivedNight {
  const [limits, schools] = [settingOf(stored.settings, 'limits'), settingOf(stored.settings, 'schools')];
  return deriveNight({ ...stored, limits, schools }, nightId, nowMs);
}

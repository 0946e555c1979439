/** Pole errors as they were measured: tonight one after the other, and on earlier nights at this site. */
import { totalErrorArcmin } from '../mount/polarDrift.ts';
import type { Reading, ReadingOf } from '../records/reading.ts';
import type { NightRecords } from './nightRecords.ts';

export type MeasuredError = { id: string; takenAtUtc: string; totalArcmin: number };
export type EarlierNight = {
  nightId: string;
  takenAtUtc: string;
  /** How it was found and how it was left. */
  firstArcmin: number;
  lastArcmin: number;
  measurements: number;
};

const isError = (r: Reading): r is ReadingOf<'polarError'> => r.kind === 'polarError';

export function errorsTonight({ readings, site }: NightRecords): MeasuredError[] {
  return readings
    .filter(isError)
    .map((r) => ({ id: r.id, takenAtUtc: r.takenAtUtc, totalArcmin: totalErrorArcmin(r.values, site.latDeg) }));
}

/** Nights before this one, the latest first. @param most nights that are listed. */
export function errorsBefore({ night, history, site, snapshots }: NightRecords, most = 8): EarlierNight[] {
  const byNight = new Map<string, number[]>();
  const when = new Map<string, string>();
  for (const r of history) {
    if (!isError(r) || r.nightId === null || snapshots.get(r.snapshotId)?.site.id !== site.id) continue;
    if (r.takenAtUtc.slice(0, 10) > night.eveningDate) continue;
    byNight.set(r.nightId, [...(byNight.get(r.nightId) ?? []), totalErrorArcmin(r.values, site.latDeg)]);
    when.set(r.nightId, r.takenAtUtc);
  }
  return [...byNight.entries()]
    .map(([nightId, totals]) => ({
      nightId,
      takenAtUtc: when.get(nightId) ?? '',
      firstArcmin: totals[0] ?? 0,
      lastArcmin: totals.at(-1) ?? 0,
      measurements: totals.length,
    }))
    .sort((a, b) => (a.takenAtUtc < b.takenAtUtc ? 1 : -1))
    .slice(0, most);
}

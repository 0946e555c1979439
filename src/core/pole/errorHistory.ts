/** Pole errors as they were measured: tonight one after the other, and on earlier nights at this site. */
import { eveningDate } from '../time/civil.ts';
import { fromUtcText } from '../time/utc.ts';
import { oncePer } from '../once.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { errorsMeasured, type MeasuredError } from './measuredErrors.ts';

export type EarlierNight = {
  nightId: string;
  takenAtUtc: string;
  /** How it was found and how it was left. */
  firstArcmin: number;
  lastArcmin: number;
  measurements: number;
};

/** The errors of a night one after the other, against the pole this user aims at. */
export const errorsTonight = oncePer((records: NightRecords): readonly MeasuredError[] =>
  errorsMeasured(records.readings, records.site.latDeg, records.schools.poleGoal),
);

function earlierNight(nightId: string, errors: readonly MeasuredError[]): EarlierNight | null {
  const [first, last] = [errors[0], errors.at(-1)];
  if (!first || !last) return null;
  const { takenAtUtc, totalArcmin: lastArcmin } = last;
  return { nightId, takenAtUtc, firstArcmin: first.totalArcmin, lastArcmin, measurements: errors.length };
}

/** Nights before this one at its site, the latest first. @param most nights that are listed. */
export function errorsBefore(records: NightRecords, most = 8): EarlierNight[] {
  const { night, site, earlier, snapshots, schools } = records;
  const looked = new Set<string>();
  const found: EarlierNight[] = [];
  const takenWith = (id: string): boolean => snapshots.get(id)?.siteId === site.id;
  for (const { nightId, snapshotId, takenAtUtc } of earlier.latest(['polarError', 'drift'], { takenWith })) {
    if (found.length === most) break;
    if (nightId === null || looked.has(nightId)) continue;
    if (eveningDate(fromUtcText(takenAtUtc), site.zoneIana) > night.eveningDate) continue;
    looked.add(nightId);
    const latDeg = snapshots.get(snapshotId)?.latDeg ?? site.latDeg;
    const one = earlierNight(nightId, errorsMeasured(records.ofNight(nightId), latDeg, schools.poleGoal));
    if (one) found.push(one);
  }
  return found.sort((a, b) => (a.takenAtUtc < b.takenAtUtc ? 1 : -1));
}

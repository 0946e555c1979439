/** Pole errors as they were measured: tonight one after the other, and on earlier nights at this site. */
import { oncePer } from '../../once.ts';
import type { Reading } from '../../records/reading.ts';
import type { NightRecords } from '../nightRecords.ts';
import { poleIn, poleOfItsNight, poleSteps, type PoleOfThat } from './poleOfNight.ts';
import type { Reference } from './poleReference.ts';
import { isMeasured, type PoleStep } from './poleWalk.ts';

export type MeasuredError = { id: string; takenAtUtc: string; totalArcmin: number };
export type EarlierNight = {
  nightId: string;
  takenAtUtc: string;
  /** How it was found and how it was left. */
  firstArcmin: number;
  lastArcmin: number;
  measurements: number;
};

const measures = ({ kind }: Reading): boolean => kind === 'polarError' || kind === 'drift';

/** The steps that left both parts measured. */
export function measuredPoleSteps(steps: readonly PoleStep[]): PoleStep[] {
  return steps.filter(({ reading, after }) => measures(reading) && isMeasured(after));
}

function errorsIn({ steps, latDeg }: Omit<PoleOfThat, 'readings'>, reference: Reference): MeasuredError[] {
  return measuredPoleSteps(steps).flatMap(({ reading: { id, takenAtUtc }, after }) => {
    const { totalArcmin } = poleIn(after, reference, latDeg);
    return totalArcmin === null ? [] : [{ id, takenAtUtc, totalArcmin }];
  });
}

/** The errors of a night one after the other, against the pole this user aims at. */
export const errorsTonight = oncePer((records: NightRecords): readonly MeasuredError[] =>
  errorsIn({ steps: poleSteps(records), latDeg: records.site.latDeg }, records.schools.poleGoal),
);

/** Nights before this one at its site, the latest first. @param most nights that are listed. */
export function errorsBefore(records: NightRecords, most = 8): EarlierNight[] {
  const { night, site, earlier, snapshots, schools } = records;
  const here = [...earlier.of('polarError'), ...earlier.of('drift')].filter(
    (r) => snapshots.get(r.snapshotId)?.site.id === site.id && r.takenAtUtc.slice(0, 10) <= night.eveningDate,
  );
  const byNight = new Map(here.map((r) => [r.nightId, r]));
  const found = [...byNight.values()].flatMap((reading): EarlierNight[] => {
    const there = poleOfItsNight(reading, records);
    const errors = there ? errorsIn(there, schools.poleGoal) : [];
    const [first, last] = [errors[0], errors.at(-1)];
    if (!first || !last || reading.nightId === null) return [];
    return [
      {
        nightId: reading.nightId,
        takenAtUtc: last.takenAtUtc,
        firstArcmin: first.totalArcmin,
        lastArcmin: last.totalArcmin,
        measurements: errors.length,
      },
    ];
  });
  return found.sort((a, b) => (a.takenAtUtc < b.takenAtUtc ? 1 : -1)).slice(0, most);
}

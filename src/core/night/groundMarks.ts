/** Marks on the ground: where the feet stood with this rig at this site, and how near the pole that put the axis. */
import { bearingErrorDeg } from '../sky/bearing.ts';
import type { Reading, ReadingOf } from '../records/reading.ts';
import { lastReading, type NightRecords } from './nightRecords.ts';

/** Before the marks have shown how good they are. */
const USUAL_WITHIN_DEG = 2;
const LEAST_WITHIN_DEG = 0.5;
/** How many nights with marks it takes to trust their own record, and how many count: one clumsy night long ago does
 *  not. */
const ENOUGH_NIGHTS = 2;
const LAST_NIGHTS = 6;

export type GroundMarks = {
  /** The first foot's true azimuth as marked. */
  firstFootAzimuthDeg: number;
  takenAtUtc: string;
  /** How far east of the pole's bearing the axis was found after the last setting down, + east; null = not measured. */
  lastErrorDeg: number | null;
  nights: number;
  /** Set on the marks, the axis is expected to be this near the pole's bearing. */
  expectWithinDeg: number;
};

/** What the first measurement of a night said about the bearing: the pole error found first, else the compass. */
function bearingFoundDeg(night: readonly Reading[], latDeg: number): number | null {
  const pole = night.find((r) => r.kind === 'polarError');
  if (pole?.kind === 'polarError') return pole.values.azErrorArcmin / 60;
  const seen = lastReading(night, 'shadow') ?? lastReading(night, 'compass');
  return seen ? bearingErrorDeg(seen.values.trueDeg, latDeg) : null;
}

/** What earlier nights of this rig at this site remember; null when the feet were never marked. */
export function groundMarks({ history, snapshots, rig, site }: NightRecords): GroundMarks | null {
  const here = history.filter((r) => {
    const snapshot = snapshots.get(r.snapshotId);
    return snapshot?.rig.id === rig.id && snapshot.site.id === site.id;
  });
  const feet = here.filter((r): r is ReadingOf<'feet'> => r.kind === 'feet');
  const last = feet.at(-1);
  if (!last) return null;
  const nightIds = [...new Set(feet.map((r) => r.nightId))];
  const errors = nightIds.map((id) =>
    bearingFoundDeg(
      here.filter((r) => r.nightId === id),
      site.latDeg,
    ),
  );
  const found = errors.slice(-LAST_NIGHTS).filter((e) => e !== null);
  const worst = Math.max(0, ...found.map(Math.abs));
  return {
    firstFootAzimuthDeg: last.values.azimuthDeg,
    takenAtUtc: last.takenAtUtc,
    lastErrorDeg: errors.at(-1) ?? null,
    nights: nightIds.length,
    expectWithinDeg:
      found.length >= ENOUGH_NIGHTS ? Math.max(LEAST_WITHIN_DEG, Math.ceil(worst * 2) / 2) : USUAL_WITHIN_DEG,
  };
}

/** Where the feet stand tonight: as read tonight, else on the marks, else as the tripod's record says. */
export function firstFootAzimuthDeg(records: NightRecords, recordDeg: number): number {
  const tonight = lastReading(records.readings, 'feet');
  return tonight?.values.azimuthDeg ?? groundMarks(records)?.firstFootAzimuthDeg ?? recordDeg;
}

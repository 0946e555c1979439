/** Marks on the ground: where the feet stood with this rig at this site, and how near the pole that put the axis. */
import { usualFirstFootDeg } from '../rig/feetOfRig.ts';
import type { RigNumbers } from '../rig/rigNumbers.ts';
import { oncePer } from '../once.ts';
import type { ReadingOf } from '../records/reading.ts';
import { bearingErrorDeg } from '../sky/bearing.ts';
import { bearingRead } from './bearing.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { measuredPoleSteps } from './measuredErrors.ts';
import { poleOfItsNight, type PoleOfThat } from './poleOfNight.ts';

/** Before the marks have shown how good they are. */
const USUAL_WITHIN_DEG = 2;
const LEAST_WITHIN_DEG = 0.5;
/** How many nights with marks it takes to trust their own record, and how many count: one clumsy night long ago does
 *  not. */
const ENOUGH_NIGHTS = 2;
export const LAST_NIGHTS = 6;

export type GroundMarks = {
  /** The first foot's true azimuth as marked. */
  firstFootAzimuthDeg: number;
  takenAtUtc: string;
  /** How far east of the pole's bearing the axis was found after the last setting down, + east; null = not measured. */
  lastErrorDeg: number | null;
  /** That were looked back on. */
  nights: number;
  /** Set on the marks, the axis is expected to be this near the pole's bearing. */
  expectWithinDeg: number;
};

/** What the first measurement of a night said about the bearing: the pole error found first, else the bearing read. */
function bearingFoundDeg(there: PoleOfThat | null): number | null {
  if (!there) return null;
  const first = measuredPoleSteps(there.steps)[0];
  if (first) return first.after.estimate.azArcmin / 60;
  const { trueDeg } = bearingRead(there.readings);
  return trueDeg === null ? null : bearingErrorDeg(trueDeg, there.latDeg);
}

/** What earlier nights of this rig at this site remember; null when the feet were never marked. */
export const groundMarks = oncePer((records: NightRecords): GroundMarks | null => {
  const { earlier, snapshots, rig, site } = records;
  const byNight = new Map<string | null, ReadingOf<'feet'>>();
  const takenWith = (id: string): boolean => {
    const snapshot = snapshots.get(id);
    return snapshot?.rigId === rig.id && snapshot.siteId === site.id;
  };
  for (const r of earlier.latest('feet', { takenWith })) {
    if (!byNight.has(r.nightId)) byNight.set(r.nightId, r);
    if (byNight.size === LAST_NIGHTS) break;
  }
  const lastNights = [...byNight.values()].reverse();
  const last = lastNights.at(-1);
  if (!last) return null;
  const errors = lastNights.map((r) => bearingFoundDeg(poleOfItsNight(r, records)));
  const found = errors.filter((e) => e !== null);
  const worst = Math.max(0, ...found.map(Math.abs));
  return {
    firstFootAzimuthDeg: last.values.azimuthDeg,
    takenAtUtc: last.takenAtUtc,
    lastErrorDeg: errors.at(-1) ?? null,
    nights: byNight.size,
    expectWithinDeg:
      found.length >= ENOUGH_NIGHTS ? Math.max(LEAST_WITHIN_DEG, Math.ceil(worst * 2) / 2) : USUAL_WITHIN_DEG,
  };
});

/** Where the feet stand tonight: as read tonight, else on the marks, else as this mount wants its tripod. */
export function firstFootAzimuthDeg(records: NightRecords, numbers: RigNumbers): number {
  const read = records.tonight.last('feet')?.values.azimuthDeg ?? groundMarks(records)?.firstFootAzimuthDeg;
  return read ?? usualFirstFootDeg(numbers, records.site.latDeg);
}

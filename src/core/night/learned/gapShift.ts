/** What measured gaps say of the clearance's model. */
import { firstOf } from '../../firstOf.ts';
import { median } from '../../math/statistics.ts';
import { clearanceOf } from '../../mount/clearance.ts';
import type { ReadingOf } from '../../records/reading.ts';
import { clearanceOfRig } from '../../rig/clearanceOfRig.ts';
import { rigNumbers } from '../../rig/rigNumbers.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import type { StoredSnapshot } from '../../history/storedSnapshot.ts';

const KEPT_GAPS = 8;

export type GapShift = { shiftM: number; count: number; atUtc: string };

/** Measured less reckoned, each with the rig as it stood then: a tube that was changed since changes the model, not what
 *  the axes' measures were off by. Null where the rig of then cannot be reckoned with. */
function shiftOf({ values }: ReadingOf<'gap'>, taken: StoredSnapshot | undefined): number | null {
  if (!taken) return null;
  const { rig, parts, site } = taken.whole();
  const found = clearanceOfRig(rigNumbers(rig, parts), site.latDeg);
  if (!found) return null;
  const { haH, decDeg, state, gapM, atLeast } = values;
  const byM = gapM - clearanceOf(found.geometry, site.latDeg)({ haH, decDeg, state }).clearanceM;
  // What went through proves no less room than the drawing has; it does not prove that there is no more.
  return atLeast === true ? Math.max(0, byM) : byM;
}

/** The middle of the last gaps that were measured on this rig; null before the first. */
export function gapShift({ known, rig, snapshots }: NightRecords): GapShift | null {
  const readings = firstOf(known.latest('gap', { subjectId: rig.id }), KEPT_GAPS);
  const shifts = readings.flatMap((r) => shiftOf(r, snapshots.get(r.snapshotId)) ?? []);
  const shiftM = median(shifts);
  return shiftM === null ? null : { shiftM, count: shifts.length, atUtc: readings[0]?.takenAtUtc ?? '' };
}

/** What measured gaps say of the clearance's model: how far it is off, and what they leave of the doubt of its lengths. */
import { firstOf } from '../../firstOf.ts';
import { median } from '../../math/statistics.ts';
import type { MeasuredGap } from '../../mount/clearanceDoubt.ts';
import { slopedClearances, TUBE_LENGTHS, type TubeLength } from '../../mount/clearanceSlopes.ts';
import type { ReadingOf } from '../../records/reading.ts';
import { clearanceOfRig, type RigClearance } from '../../rig/clearanceOfRig.ts';
import { rigNumbers } from '../../rig/rigNumbers.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { rigOfThen } from './rigOfThen.ts';

const KEPT_GAPS = 8;
/** A ruler between the two. */
const RULER_SIGMA_M = 0.005;
/** Lengths nearer than this are the same piece. */
const SAME_M = 0.001;

export type GapShift = { shiftM: number; count: number; atUtc: string; gaps: readonly MeasuredGap[] };

/** Lengths that the rig of then and the present one share. */
function sharedLengths(then: RigClearance, now: RigClearance | null): ReadonlySet<TubeLength> {
  const isSame = (name: TubeLength): boolean =>
    now !== null && Math.abs(then.geometry[name] - now.geometry[name]) <= SAME_M;
  return new Set(TUBE_LENGTHS.filter(isSame));
}

type Told = { shiftM: number; gap: MeasuredGap };

/** Measured less reckoned, each with the rig as it stood then: a tube that was changed since changes the model, not what
 *  the axes' measures were off by. Null where the rig of then cannot be reckoned with. */
function toldBy(reading: ReadingOf<'gap'>, records: NightRecords, now: RigClearance | null): Told | null {
  const then = rigOfThen(reading, records);
  if (!then) return null;
  const { latDeg } = then.snapshot.site;
  const found = clearanceOfRig(then.numbers, latDeg);
  if (!found) return null;
  const { haH, decDeg, state, gapM, piece, obstacle } = reading.values;
  const pairs = slopedClearances(found.geometry, latDeg, Infinity)({ haH, decDeg, state });
  const asked = pairs.find(({ closest }) => closest.piece === piece && closest.obstacle === obstacle);
  const { clearanceM, slopes } = asked ?? pairs[0];
  const sigmaM = reading.sigma['gapM'] ?? RULER_SIGMA_M;
  return {
    shiftM: gapM - clearanceM,
    gap: { slopes, sigmaM, shared: sharedLengths(found, now), doubts: found.doubts },
  };
}

/** The middle of the last gaps that were measured on this rig; null before the first. What merely went through says that there
 *  is room for it, and not how much more: it teaches nothing. */
export function gapShift(records: NightRecords): GapShift | null {
  const { known, rig, parts, site } = records;
  const exact = function* (): Generator<ReadingOf<'gap'>> {
    for (const reading of known.latest('gap', { subjectId: rig.id }))
      if (reading.values.atLeast !== true) yield reading;
  };
  const readings = firstOf(exact(), KEPT_GAPS);
  if (readings.length === 0) return null;
  const now = clearanceOfRig(rigNumbers(rig, parts), site.latDeg);
  const told = readings.flatMap((r) => toldBy(r, records, now) ?? []);
  const shiftM = median(told.map((t) => t.shiftM));
  if (shiftM === null) return null;
  return { shiftM, count: told.length, atUtc: readings[0]?.takenAtUtc ?? '', gaps: told.map((t) => t.gap) };
}

/** Where the axis was read to point on a night: which of the compass readings counts, or the sun's shadow. */
import { wrap180 } from '../math/angles.ts';
import type { Reading, ReadingOf } from '../records/reading.ts';
import { IRON_DEG } from '../sky/bearing.ts';
import { lastReading } from '../history/nightRecords.ts';

/** Readings this far apart tell iron from none. */
const APART_M = 1;

/** Two readings at different distances compared; null difference = only one distance was read. */
export type IronCheck = { differenceDeg: number | null; iron: boolean };
type Compass = ReadingOf<'compass'>;

export type BearingRead = {
  check: IronCheck;
  counts: Compass | ReadingOf<'shadow'> | null;
  /** True azimuth of the axis; null = not read. */
  trueDeg: number | null;
  /** Only the needle beside the mount was read: iron would not have shown. */
  nearOnly: boolean;
};

/** The last two compass readings in a row that were taken at different distances: further back the head may have been
 *  turned in between. With iron the last reading from afar counts, else the last one. */
function ironCheck(readings: readonly Compass[]): { check: IronCheck; counts: Compass | undefined } {
  const apart = (r: Compass, i: number): boolean => {
    const previous = readings[i - 1];
    return previous !== undefined && Math.abs(r.values.distanceM - previous.values.distanceM) >= APART_M;
  };
  const at = readings.findLastIndex(apart);
  const [first, second] = [readings[at - 1], readings[at]];
  if (!first || !second) return { check: { differenceDeg: null, iron: false }, counts: readings.at(-1) };
  const differenceDeg = Math.abs(wrap180(second.values.readDeg - first.values.readDeg));
  const iron = differenceDeg > IRON_DEG;
  const farM = Math.max(first.values.distanceM, second.values.distanceM);
  const counts = iron ? readings.findLast((r) => farM - r.values.distanceM < APART_M) : readings.at(-1);
  return { check: { differenceDeg, iron }, counts };
}

/** What one night's readings, in order, say of the bearing. */
export function bearingRead(readings: readonly Reading[]): BearingRead {
  const { check, counts: compass } = ironCheck(readings.filter((r): r is Compass => r.kind === 'compass'));
  const shadow = lastReading(readings, 'shadow');
  const later = shadow && (!compass || readings.indexOf(shadow) > readings.indexOf(compass)) ? shadow : compass;
  const counts = later ?? null;
  return {
    check,
    counts,
    trueDeg: counts?.values.trueDeg ?? null,
    nearOnly: counts?.kind === 'compass' && check.differenceDeg === null && counts.values.distanceM < APART_M,
  };
}

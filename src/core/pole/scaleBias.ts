/** How much a mount's latitude scale reads too high, from what it read with the axis on the pole. */
import { oncePer } from '../once.ts';
import { median } from '../math/statistics.ts';
import { scaleForAltitudeDeg, type Tilt } from '../mount/tiltedBase.ts';
import type { Reading, ReadingOf } from '../records/reading.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { poleOfItsNight } from './poleOfNight.ts';
import { poleAltitudeDeg } from './poleReference.ts';
import { partIsMeasured, type PoleState } from './poleWalk.ts';

/** The scale changes when a mount is taken apart: older readings say nothing any more. */
const KEPT = 8;

export type ScaleBias = {
  /** + = it reads too high. */
  biasDeg: number;
  /** Middle distance of the readings from it; null for one. */
  spreadDeg: number | null;
  readings: number;
};

const LEVEL: Tilt = { tiltDeg: 0, uphillAzimuthDeg: 0 };

/** The axis' altitude by what is known of the pole; null when nobody looked at it. A star set on its mark by eye leads to
 *  the pole that the air shows. */
function axisAltDeg({ estimate, byEye }: PoleState, latDeg: number): number | null {
  if (partIsMeasured(estimate, 'altitude')) return Math.abs(latDeg) + estimate.altArcmin / 60;
  return byEye ? poleAltitudeDeg('refracted', latDeg) : null;
}

/** The level read last before a reading of the same night; level where it was not read. */
function tiltBefore(readings: readonly Reading[], at: number): Tilt {
  const level = readings.slice(0, at + 1).findLast((r) => r.kind === 'level');
  return level?.kind === 'level' ? level.values : LEVEL;
}

/** What one reading says of the bias: the lean of the base on its night taken off; null when the axis' altitude is not
 *  known. */
function biasBy(reading: ReadingOf<'scaleReading'>, records: NightRecords): number | null {
  const { values } = reading;
  const there = poleOfItsNight(reading, records);
  if (!there) return null;
  const { readings, steps, latDeg } = there;
  const at = readings.findIndex((r) => r.id === reading.id);
  const state = steps[at]?.before;
  const altDeg = values.trueAltDeg ?? (state ? axisAltDeg(state, latDeg) : null);
  if (altDeg === null) return null;
  return values.scaleDeg - scaleForAltitudeDeg({ latDeg, ...tiltBefore(readings, at) }, altDeg);
}

/** The middle of the mount's last readings; null before the first that tells. */
export const scaleBias = oncePer((records: NightRecords): ScaleBias | null => {
  const kept: number[] = [];
  for (const reading of records.known.latest('scaleReading', { subjectId: records.rig.mountId })) {
    if (kept.length === KEPT) break;
    const bias = biasBy(reading, records);
    if (bias !== null) kept.push(bias);
  }
  const biasDeg = median(kept);
  if (biasDeg === null) return null;
  const spreadDeg = kept.length > 1 ? median(kept.map((b) => Math.abs(b - biasDeg))) : null;
  return { biasDeg, spreadDeg, readings: kept.length };
});

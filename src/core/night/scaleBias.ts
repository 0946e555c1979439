/** How much a mount's latitude scale reads too high, from what it read with the axis on the pole. */
import { median } from '../math/statistics.ts';
import { scaleForAltitudeDeg, type Tilt } from '../mount/tiltedBase.ts';
import type { Reading } from '../records/reading.ts';
import type { NightRecords } from './nightRecords.ts';

/** The scale changes when a mount is taken apart: older readings say nothing any more. */
const KEPT = 8;

export type ScaleBias = {
  /** + = it reads too high. */
  biasDeg: number;
  /** Middle distance of the readings from it; null for one. */
  spreadDeg: number | null;
  readings: number;
};

/** The level read last before a moment of the same night; null = not read, so taken as level. */
function tiltBefore(all: readonly Reading[], reading: Reading): Tilt | null {
  const level = all.findLast(
    (r) => r.kind === 'level' && r.nightId === reading.nightId && r.takenAtUtc <= reading.takenAtUtc,
  );
  return level?.kind === 'level' ? level.values : null;
}

/** The middle of the mount's last readings, the lean of the base on each night taken off; null before the first. */
export function scaleBias(records: NightRecords): ScaleBias | null {
  const { history, readings, rig, snapshots, site } = records;
  const all = [...history, ...readings];
  const biases = all.flatMap((r) => {
    if (r.kind !== 'scaleReading' || r.subject.id !== rig.mountId) return [];
    const latDeg = snapshots.get(r.snapshotId)?.site.latDeg ?? site.latDeg;
    const base = { latDeg, ...(tiltBefore(all, r) ?? { tiltDeg: 0, uphillAzimuthDeg: 0 }) };
    return [r.values.scaleDeg - scaleForAltitudeDeg(base, r.values.trueAltDeg)];
  });
  const kept = biases.slice(-KEPT);
  const biasDeg = median(kept);
  if (biasDeg === null) return null;
  const spreadDeg = kept.length > 1 ? median(kept.map((b) => Math.abs(b - biasDeg))) : null;
  return { biasDeg, spreadDeg, readings: kept.length };
}

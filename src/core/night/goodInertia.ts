/** The largest inertia about the declination axis that this mount has carried with good stars. */
import { decInertiaKgM2 } from '../mount/load.ts';
import type { Reading } from '../records/reading.ts';
import type { Snapshot } from '../records/snapshot.ts';
import { rigMasses } from '../rig/rigMasses.ts';

/** A night counts as good from this many subs and this share of usable ones on. */
const FEWEST_SUBS = 5;
const GOOD_SHARE = 0.8;

function isGood(reading: Reading): boolean {
  if (reading.kind !== 'subs') return false;
  const { count, usable } = reading.values;
  return count >= FEWEST_SUBS && usable / count >= GOOD_SHARE;
}

/** From the rigs as they stood on the good nights; null before the first one. */
export function goodInertiaKgM2(
  readings: readonly Reading[],
  snapshots: ReadonlyMap<string, Snapshot>,
  mountId: string,
): number | null {
  const ids = new Set(readings.filter(isGood).map((r) => r.snapshotId));
  const carried = [...ids]
    .flatMap((id) => snapshots.get(id) ?? [])
    .filter((s) => s.rig.mountId === mountId)
    .map((s) => decInertiaKgM2(rigMasses(s.rig, new Map(s.parts.map((p) => [p.id, p]))).tubeSide))
    // A rig whose lengths were never entered says nothing.
    .filter((kgM2) => kgM2 > 0);
  return carried.length > 0 ? Math.max(...carried) : null;
}

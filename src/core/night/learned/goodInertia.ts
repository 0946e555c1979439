/** The largest inertia about the declination axis that this mount has carried with good stars. */
import type { SnapshotsById } from '../../history/storedSnapshot.ts';

/** From the rigs as they stood on the good nights; null before the first one.
 *  @param snapshotIds with which most stars were good. */
export function goodInertiaKgM2(
  snapshotIds: ReadonlySet<string>,
  snapshots: SnapshotsById,
  mountId: string,
): number | null {
  const carried = [...snapshotIds]
    .flatMap((id) => snapshots.get(id) ?? [])
    // A rig whose lengths were never entered says nothing.
    .filter((s) => s.mountId === mountId && s.decInertiaKgM2 > 0)
    .map((s) => s.decInertiaKgM2);
  return carried.length > 0 ? Math.max(...carried) : null;
}

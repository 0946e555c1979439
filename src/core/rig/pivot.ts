/** Where a mount's axes cross: as it was measured, else as usual for its kind. */
import { mountTraits } from '../mount/mountKinds.ts';
import type { MountPart, PartOf } from '../records/part.ts';

const USUAL_PIVOT_M = 1.2;

/** From the mount's geometry, else above the hub of its tripod or pier, else a usual height; m. */
export function pivotHeightM(mount: MountPart | null, support: PartOf<'support'> | null): number {
  if (mount?.geometry) return mount.geometry.pivotHeightM;
  return support ? support.hubHeightM + mountTraits(mount).usualAxes.aboveHubM : USUAL_PIVOT_M;
}

/** How high above the ground a mount's axes cross. */
import type { MountPart, PartOf } from '../records/part.ts';

/** Assumed where the mount's geometry is not known. */
export const PIVOT_ABOVE_HUB_M = 0.25;
const USUAL_PIVOT_M = 1.2;

/** From the mount's geometry, else above the hub of its tripod or pier, else a usual height; m. */
export function pivotHeightM(mount: MountPart | null, support: PartOf<'support'> | null): number {
  if (mount?.geometry) return mount.geometry.pivotHeightM;
  return support ? support.hubHeightM + PIVOT_ABOVE_HUB_M : USUAL_PIVOT_M;
}

/** Where a mount's axes cross: as it was measured, else as usual for its kind. */
import type { MountKind, MountPart, PartOf } from '../records/part.ts';

export type UsualAxes = {
  /** Of their crossing above the hub of the tripod, before the column's middle, and above the column's end. */
  aboveHubM: number;
  axisForwardM: number;
  columnTopDropM: number;
};

/** A German mount's axes cross over its column; those of a tracker with a bracket a hand's breadth before its wedge. */
export function usualAxes(mountKind: MountKind): UsualAxes {
  return mountKind === 'trackerBracket'
    ? { aboveHubM: 0.18, axisForwardM: 0.1, columnTopDropM: 0.08 }
    : { aboveHubM: 0.25, axisForwardM: 0.06, columnTopDropM: 0.18 };
}

const USUAL_PIVOT_M = 1.2;

/** From the mount's geometry, else above the hub of its tripod or pier, else a usual height; m. */
export function pivotHeightM(mount: MountPart | null, support: PartOf<'support'> | null): number {
  if (mount?.geometry) return mount.geometry.pivotHeightM;
  return support ? support.hubHeightM + usualAxes(mount?.mountKind ?? 'germanEquatorial').aboveHubM : USUAL_PIVOT_M;
}

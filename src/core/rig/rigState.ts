/** What counts as one state of a rig: the rig, its parts and the site, the night's targets and what judges it, as a snapshot
 *  keeps them. */
import type { MountPart, Part } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';
import type { Snapshot } from '../records/snapshot.ts';

type Naming = Pick<Rig, 'mountId' | 'supportId' | 'imagingTubeId' | 'cameraId' | 'train' | 'placed' | 'supplies'>;

/** Ids of all parts that a rig names. */
export function partIdsOfRig(rig: Naming): string[] {
  return [
    rig.mountId,
    rig.supportId,
    rig.imagingTubeId,
    rig.cameraId,
    ...rig.train,
    ...rig.placed.map((p) => p.partId),
    ...rig.supplies.flatMap((s) => [s.loadId, s.batteryId, ...s.cableIds]),
  ];
}

/** The rig's mount among the parts; null when it is gone. */
export function mountOf({ rig, parts }: { rig: Rig; parts: readonly Part[] }): MountPart | null {
  const found = parts.find((p) => p.id === rig.mountId && p.deletedAtUtc === null);
  return found?.kind === 'mount' ? found : null;
}

/** The parts that belong to a rig's state: everything it names, and the user's box of weights. */
export function partsOfRig(rig: Rig, parts: readonly Part[]): Part[] {
  const named = new Set(partIdsOfRig(rig));
  return parts
    .filter((p) => named.has(p.id) || (p.kind === 'weight' && p.deletedAtUtc === null && !p.archived))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** What a snapshot keeps, without its own name and time. */
export type State = Omit<Snapshot, 'id' | 'takenAtUtc'>;

/** True when both hold exactly the same records. */
export function sameState(a: State, b: State): boolean {
  const listed = ({ rig, parts, site, targets, limits, schools }: State): string =>
    JSON.stringify([rig, parts, site, targets, limits, schools]);
  return listed(a) === listed(b);
}

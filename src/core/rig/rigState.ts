/** What counts as one state of a rig: the rig, its parts and the site, as a snapshot keeps them. */
import type { MountPart, Part } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';
import type { Site } from '../records/site.ts';
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

/** True when the snapshot holds exactly these records. */
export function sameState(snapshot: Snapshot, rig: Rig, parts: readonly Part[], site: Site): boolean {
  return JSON.stringify([snapshot.rig, snapshot.parts, snapshot.site]) === JSON.stringify([rig, parts, site]);
}

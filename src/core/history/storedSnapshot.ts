/** A snapshot as it is at hand: what other nights ask of it, and the whole of it, put away small and taken out when it is
 *  first asked for. */
import { fingerprint } from '../fingerprint.ts';
import { decInertiaKgM2 } from '../mount/load.ts';
import type { Part } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';
import type { Site } from '../records/site.ts';
import type { Snapshot } from '../records/snapshot.ts';
import { rigMasses } from '../rig/rigMasses.ts';

export type SnapshotHead = {
  readonly id: string;
  readonly takenAtUtc: string;
  readonly rigId: string;
  readonly mountId: string;
  readonly siteId: string;
  readonly latDeg: number;
  /** Of the tube's side about the declination axis; 0 = no lengths were entered. */
  readonly decInertiaKgM2: number;
  /** Two snapshots with the same print hold the same rig, parts and site. */
  readonly print: string;
};

export type StoredSnapshot = SnapshotHead & { readonly whole: () => Snapshot };
export type SnapshotDigest = SnapshotHead & { text: string };

/** What is noted on a part and changes nothing that was measured with it. */
const withoutNotes = (part: Part): Part => {
  if (part.kind !== 'mount') return part;
  return Object.fromEntries(Object.entries(part).filter(([key]) => key !== 'homeMarks')) as Part;
};

/** Of a state as a snapshot keeps it. @param parts as `partsOfRig` lists them. */
export function statePrint(rig: Rig, parts: readonly Part[], site: Site): string {
  return fingerprint(JSON.stringify([rig, parts.map(withoutNotes), site]));
}

function headOf({ id, takenAtUtc, rig, parts, site }: Snapshot): SnapshotHead {
  let inertiaKgM2: number | null = null;
  let print: string | null = null;
  return {
    id,
    takenAtUtc,
    rigId: rig.id,
    mountId: rig.mountId,
    siteId: site.id,
    latDeg: site.latDeg,
    // Reckoned when it is asked for: what cannot be reckoned with must not stand in the way of reading it.
    get decInertiaKgM2() {
      return (inertiaKgM2 ??= decInertiaKgM2(rigMasses(rig, new Map(parts.map((p) => [p.id, p]))).tubeSide));
    },
    get print() {
      return (print ??= statePrint(rig, parts, site));
    },
  };
}

export function wholeSnapshot(snapshot: Snapshot): StoredSnapshot {
  return Object.assign(headOf(snapshot), { whole: () => snapshot });
}

export function digestOfSnapshot(snapshot: Snapshot): SnapshotDigest {
  return { ...headOf(snapshot), text: JSON.stringify(snapshot) };
}

export function snapshotOfDigest(digest: SnapshotDigest): StoredSnapshot {
  const { text, id, takenAtUtc, rigId, mountId, siteId, latDeg, decInertiaKgM2, print } = digest;
  const head = { id, takenAtUtc, rigId, mountId, siteId, latDeg, decInertiaKgM2, print };
  let taken: Snapshot | null = null;
  return { ...head, whole: () => (taken ??= JSON.parse(text) as Snapshot) };
}

export type SnapshotsById = ReadonlyMap<string, StoredSnapshot>;

export const snapshotsById = (snapshots: readonly Snapshot[]): SnapshotsById =>
  new Map(snapshots.map((s) => [s.id, wholeSnapshot(s)]));

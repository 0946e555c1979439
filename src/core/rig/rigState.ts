/** What counts as one state of a rig: the rig, its parts and the site, the night's targets and what judges it, as a snapshot
 *  keeps them. */
import type { MountPart, Part } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';
import type { Target } from '../records/site.ts';
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

const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

const targetIn = (targets: State['targets'], target: Target): boolean =>
  targets?.some((one) => one.id === target.id && isSame(one, target)) === true;

/** True when a snapshot holds exactly these records, and these targets among its own. */
export function holdsState(snapshot: State, { targets = [], ...state }: State): boolean {
  const listed = ({ rig, parts, site, limits, schools }: Omit<State, 'targets'>): unknown[] => [
    rig,
    parts,
    site,
    limits,
    schools,
  ];
  return isSame(listed(snapshot), listed(state)) && targets.every((target) => targetIn(snapshot.targets, target));
}

/** Targets that are taken in turn stay beside each other: who goes back to one needs no new snapshot. */
const MOST_TARGETS = 40;

/** Tonight's, and those of the snapshot before that are as they were. @param all as they stand. */
export function targetsToKeep(tonight: readonly Target[], before: State['targets'], all: readonly Target[]): Target[] {
  const chosen = new Set(tonight.map(({ id }) => id));
  const others = (before ?? []).filter((target) => !chosen.has(target.id) && targetIn([...all], target));
  return [...tonight, ...others].slice(0, Math.max(tonight.length, MOST_TARGETS));
}

/** A rig as it stood when something was measured with it. */
import { oncePer } from '../../once.ts';
import { rigNumbers, type RigNumbers } from '../../rig/rigNumbers.ts';
import type { Snapshot } from '../../records/snapshot.ts';
import type { NightRecords } from '../../history/nightRecords.ts';

export type RigOfThen = { snapshot: Snapshot; numbers: RigNumbers };

const ofSnapshot = oncePer((snapshot: Snapshot): RigOfThen => ({
  snapshot,
  numbers: rigNumbers(snapshot.rig, snapshot.parts),
}));

/** Null where its copy is gone. */
export function rigOfThen(
  { snapshotId }: { snapshotId: string },
  { snapshots }: Pick<NightRecords, 'snapshots'>,
): RigOfThen | null {
  const taken = snapshots.get(snapshotId);
  return taken ? ofSnapshot(taken.whole()) : null;
}

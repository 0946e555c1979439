/** One turn of a mount's own drive: the one answer to how long it takes. */
import type { MountPart } from '../records/part.ts';
import { wormPeriodS } from '../tracking/periodicError.ts';

export type OwnTurn = { periodS: number; drive: 'worm' | 'drive' };
type Driven = Pick<MountPart, 'drive' | 'wormTeeth' | 'drivePeriodS'>;

/** As told in seconds, else by the teeth of a worm's wheel; null = nobody knows it. */
export function turnOfDrive(mount: Driven | null): OwnTurn | null {
  if (!mount) return null;
  const drive = mount.drive === 'worm' ? 'worm' : 'drive';
  if (mount.drivePeriodS !== null) return { periodS: mount.drivePeriodS, drive };
  // Only a worm's wheel has teeth that tell a period.
  return drive === 'worm' && mount.wormTeeth !== null ? { periodS: wormPeriodS(mount.wormTeeth), drive } : null;
}

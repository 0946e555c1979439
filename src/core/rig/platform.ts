/** A tilting platform follows for some minutes and is then set back to its start. */
import type { MountPart } from '../records/part.ts';
import { ASSUMED } from '../verdict/assumptions.ts';
import { mountTraits } from '../mount/mountKinds.ts';

/** `assumed`: nobody told how long this one follows. */
export type PlatformFollows = { runMin: number; assumed: boolean };

/** Null for mounts that follow all night, or not at all. */
export function platformFollows(mount: MountPart | null): PlatformFollows | null {
  if (!mount || !mountTraits(mount).runsOut) return null;
  const told = mount.runMinutes ?? null;
  return { runMin: told ?? ASSUMED.platformRunMin, assumed: told === null };
}

/** How often it is set back, and how long that takes. */
export function resetOf(mount: MountPart | null): { everyMin: number; minutes: number } | null {
  const follows = platformFollows(mount);
  return follows && { everyMin: follows.runMin, minutes: ASSUMED.platformResetMinutes };
}

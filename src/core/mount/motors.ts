/** Which axes of a mount a motor turns. */
import { mountTraits } from './mountKinds.ts';
import type { MountPart } from '../records/part.ts';

/** `both`: it slews by itself and has a controller; `raOnly`: it follows the stars, and the hand points it; `none`: the hand
 *  does both. */
export type Motors = 'both' | 'raOnly' | 'none';

type Driven = Pick<MountPart, 'mountKind' | 'drive'>;

/** Without a mount, as on one with everything. A star tracker and a platform have one motor whatever their gear. */
export function motorsOf(mount: Driven | null): Motors {
  if (mount === null) return 'both';
  const { motors } = mountTraits(mount);
  if (mount.drive === 'byHand' || motors === 'none') return 'none';
  return motors ?? (mount.drive === 'raMotor' ? 'raOnly' : 'both');
}

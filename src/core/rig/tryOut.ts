/** Ten minutes with a mount before it is bought or kept: what hands and eye can try without a night. */
import { mountTraits } from '../mount/mountKinds.ts';
import { wantedSettleS } from '../mount/steadiness.ts';
import { USE_WANTS, type ChoiceQuestion, type MountChoice } from './mountChoice.ts';

/** `hinge`: does the head fall back when its altitude is loosened under load; `push`: does it tip; `tap`: until it stands
 *  still; `frames`: three of the wanted length, one after the other. */
export type TryStep =
  | { code: 'hinge' }
  | { code: 'push'; hasBar: boolean }
  | { code: 'tap'; wantedS: number; focalMm: number }
  | { code: 'frames'; exposureS: number };

/** Steps in order for the class that is enough; none where no class is. */
export function tryOut(choice: MountChoice, { use, exposureS }: Pick<ChoiceQuestion, 'use' | 'exposureS'>): TryStep[] {
  if (!choice.lightest) return [];
  const { focalMm } = choice.optics;
  const hasPolarAxis = mountTraits(choice.lightest).hasPolarAxis;
  return [
    ...(hasPolarAxis ? [{ code: 'hinge' } as const] : []),
    { code: 'push', hasBar: choice.lightest.hasBar },
    { code: 'tap', wantedS: wantedSettleS(focalMm), focalMm },
    ...(USE_WANTS[use].judgesStars ? [{ code: 'frames', exposureS } as const] : []),
  ];
}

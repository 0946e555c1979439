/** Where a tripod's feet stand when it is set down for a mount. */
import { wrap360 } from '../math/angles.ts';
import { poleBearingDeg } from '../sky/bearing.ts';
import type { RigNumbers } from './rigNumbers.ts';

/** True azimuth of the first foot, degrees: a leg toward the pole, or the gap between two legs, as this mount wants it; as
 *  the tripod's record says while that was not asked. 0 without a tripod. */
export function usualFirstFootDeg({ mount, support }: Pick<RigNumbers, 'mount' | 'support'>, latDeg: number): number {
  const poleDeg = poleBearingDeg(latDeg);
  if (mount?.towardPole === 'leg') return poleDeg;
  if (mount?.towardPole === 'gap') return wrap360(poleDeg + 180);
  return support?.firstFootAzimuthDeg ?? 0;
}

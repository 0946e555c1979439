/** When tonight the tube may stand on which side of its mount. */
import { MS_PER_HOUR, SOLAR_PER_SIDEREAL } from '../../time/utc.ts';
import type { SideWindow } from './plan.ts';
import type { MeridianLimit } from './meridianLimit.ts';
import { FARTHEST_H, HALF_TURN_H } from './tubeClearance.ts';

export const atHourAngle = (transitMs: number, haH: number): number =>
  transitMs + haH * MS_PER_HOUR * SOLAR_PER_SIDEREAL;

/** A night of 24 hours sees at most two upper transits; windows of the one before reach into it. */
const TURNS = [-1, 0, 1] as const;

/** In order of time: before and after the flip at each upper transit.
 *  @param transitMs an upper transit of the night.
 *  @param earliestFlipH from when on the mount agrees to go over, hours past a meridian. */
export function sideWindows(
  { limitH, secondLimitH, tube }: MeridianLimit,
  earliestFlipH: number,
  transitMs: number,
): SideWindow[] {
  // It goes over below the pole as it does above.
  const fromH = Math.max(tube?.before?.fromH ?? -HALF_TURN_H - FARTHEST_H, -HALF_TURN_H + earliestFlipH);
  const clearAfterH = tube && tube.after === null ? Infinity : (tube?.after?.fromH ?? -FARTHEST_H);
  return TURNS.flatMap((turn): SideWindow[] => {
    const upperMs = atHourAngle(transitMs, 2 * HALF_TURN_H * turn);
    const at = (haH: number): number => atHourAngle(upperMs, haH);
    return [
      { side: 'before', fromMs: at(fromH), toMs: at(limitH), crossingMs: upperMs },
      {
        side: 'after',
        fromMs: at(Math.max(clearAfterH, earliestFlipH)),
        toMs: at(secondLimitH),
        crossingMs: at(HALF_TURN_H),
      },
    ];
  }).filter(({ fromMs, toMs }) => fromMs < toMs);
}

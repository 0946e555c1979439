/** Where the hand that no motor sends there looks for the target. */
import { motorsOf } from '../../../mount/motors.ts';
import { nightAt, type NightAt } from '../../nightAt.ts';
import type { NightStatic } from '../../nightStatic.ts';

export type FindOfNight = {
  target: string;
  altDeg: number;
  azDeg: number;
  timeMs: number;
};

/** At the shown time, or where it is not dark or the target too low then, as soon as it can be had.
 *  @returns null without a target that can be had, and for a mount that finds it by itself. */
export function findOfNight(night: NightStatic, at: NightAt): FindOfNight | null {
  const { target, usable, numbers } = night;
  if (!target || !usable || motorsOf(numbers.mount) === 'both') return null;
  const timeMs = Math.min(Math.max(at.timeMs, usable.fromMs), usable.toMs);
  const stands = (timeMs === at.timeMs ? at : nightAt(night, timeMs)).target;
  return stands && { target: target.name, altDeg: stands.altDeg, azDeg: stands.azDeg, timeMs };
}

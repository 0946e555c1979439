/** Which star comes next in a drift alignment: azimuth near the meridian, altitude far from it, azimuth again. */
import type { DriftStep } from '../../../mount/driftStars.ts';
import { movedMostBy } from '../../../pole/poleWalk.ts';
import type { NightStatic } from '../../nightStatic.ts';
import type { AdjusterTonight, TurnsTonight } from './turnsTonight.ts';

export type DriftTask =
  | { code: 'star'; step: DriftStep; again: boolean }
  /** Measured and beyond the goal: turn it before the next star. */
  | { code: 'turn'; step: DriftStep }
  | { code: 'done' };

/** True for a part that has to be measured: never was, or was turned since. */
const open = (a: AdjusterTonight): boolean => !a.measured || a.turnedSince;

export function driftTask({ records }: NightStatic, { altitude, azimuth }: TurnsTonight): DriftTask {
  const stars = records.readings.flatMap((r) =>
    r.kind === 'drift' ? [movedMostBy(r.values, records.site.latDeg)] : [],
  );
  if (open(azimuth)) return { code: 'star', step: 'azimuth', again: stars.includes('azimuth') };
  if (!azimuth.within) return { code: 'turn', step: 'azimuth' };
  if (open(altitude)) return { code: 'star', step: 'altitude', again: stars.includes('altitude') };
  if (!altitude.within) return { code: 'turn', step: 'altitude' };
  // An altitude that was wrong while the azimuth star ran has left its share in it.
  if (stars.at(-1) === 'altitude') return { code: 'star', step: 'azimuth', again: true };
  return { code: 'done' };
}

/** A part is known well enough once the doubt of this star's own timing is small against the goal or the error, or against
 *  the doubt that other parts leave: more time would not help then. */
const SHARE_OF_GOAL = 1 / 3;
const SHARE_OF_ERROR = 1 / 8;
const SHARE_OF_DOUBT = 1 / 3;

export function isKnownWell(
  { errorArcmin, sigmaArcmin }: { errorArcmin: number; sigmaArcmin: number },
  timingSigmaArcmin: number,
  goalArcmin: number,
): boolean {
  const small = Math.max(goalArcmin * SHARE_OF_GOAL, Math.abs(errorArcmin) * SHARE_OF_ERROR);
  return timingSigmaArcmin <= Math.max(small, sigmaArcmin * SHARE_OF_DOUBT);
}

/** Turns of a mount's own altitude bolt and azimuth knobs. */
import { DEG_PER_RAD } from '../math/angles.ts';
import { requirePositive } from '../result.ts';

/** What one turn of a screw does, arcmin: atan(pitch / lever). 1 mm on 60 mm: 57.3'. */
export function arcminPerTurn(pitchMm: number, leverMm: number): number {
  requirePositive('pitchMm', pitchMm);
  requirePositive('leverMm', leverMm);
  return Math.atan(pitchMm / leverMm) * DEG_PER_RAD * 60;
}

export type KnobTurn = { turns: number; clockwise: boolean };

/** How far to turn to take an error away. The error is signed like the axis error (altitude + too high, azimuth + too
 *  far east, as an angle in azimuth); `clockwiseMoves` says what a clockwise turn does. */
export function turnToMend(
  errorArcmin: number,
  gainArcminPerTurn: number,
  clockwiseMoves: 'up' | 'down' | 'east' | 'west',
): KnobTurn {
  const clockwiseGain = clockwiseMoves === 'up' || clockwiseMoves === 'east' ? gainArcminPerTurn : -gainArcminPerTurn;
  const turns = -errorArcmin / clockwiseGain;
  return { turns: Math.abs(turns), clockwise: turns >= 0 };
}

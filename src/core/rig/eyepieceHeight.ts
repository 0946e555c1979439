/** How high above the ground somebody looks into the eyepiece, and how it goes up and down over the sky. */
import { pose } from '../mount/pose.ts';
import { fromHorizontal } from '../sky/horizontal.ts';
import { pivotHeightM } from './pivot.ts';
import { mountFlips, type RigNumbers } from './rigNumbers.ts';

/** Lower than this hardly anybody looks. */
const LOWEST_ALT_DEG = 20;
const HIGHEST_ALT_DEG = 88;
/** From a seat up to the eye of somebody sitting upright. */
export const EYE_ABOVE_SEAT_M = 0.75;

export type EyeHeights = { nowM: number | null; lowestM: number; highestM: number };

/** Height of the eyepiece, m. A tube on a German mount hangs beside its column: west of it before the meridian, east of it
 *  after. Forks and alt-azimuth mounts carry it over their middle. A diagonal is not counted.
 *  Null without an eyepiece on the tube. */
function heightM(numbers: RigNumbers, latDeg: number, haH: number, decDeg: number): number | null {
  const { mount, support, eyepiece, masses } = numbers;
  const placed = masses.tubeSide.find((p) => p.partId === eyepiece?.id);
  if (!placed) return null;
  const { tube, side } = pose(haH, decDeg, haH < 0 ? 'beforeFlip' : 'afterFlip', latDeg);
  const besideM = mountFlips(mount) ? placed.fromRaAxisM : 0;
  return pivotHeightM(mount, support) + besideM * side[2] + placed.alongTubeM * tube[2];
}

/** Now, and at its lowest and highest over the sky above 20 degrees. */
export function eyeHeights(
  numbers: RigNumbers,
  latDeg: number,
  target: { haH: number; decDeg: number } | null,
): EyeHeights | null {
  const all: number[] = [];
  for (let altDeg = LOWEST_ALT_DEG; altDeg <= HIGHEST_ALT_DEG; altDeg += 4)
    for (let azDeg = 0; azDeg < 360; azDeg += 10) {
      const { haH, decDeg } = fromHorizontal({ altDeg, azDeg }, latDeg);
      const found = heightM(numbers, latDeg, haH, decDeg);
      if (found !== null) all.push(found);
    }
  if (all.length === 0) return null;
  return {
    nowM: target && heightM(numbers, latDeg, target.haH, target.decDeg),
    lowestM: Math.min(...all),
    highestM: Math.max(...all),
  };
}

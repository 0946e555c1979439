/** Adapter of the clearance topic. */
import { clearanceOf, fastestM, type Closest, type ClearanceGeometry } from '../../src/core/mount/clearance.ts';
import { firstUsedUp } from '../../src/core/mount/clearanceSearch.ts';
import type { FlipState } from '../../src/core/mount/pose.ts';
import { isObject, num, numbers, oneOf, type Adapter, type JsonObject } from './types.ts';

const STATES: Record<'west' | 'east', FlipState> = { west: 'beforeFlip', east: 'afterFlip' };
const HOURS: Record<'west' | 'east', { key: string; usual: number[] }> = {
  west: { key: 'hoursWestH', usual: [-3, 0, 1, 2.5, 4, 6] },
  east: { key: 'hoursEastH', usual: [-4, -1, 0, 2, 5] },
};
const MOST_H = 6;

function geometryOf(input: JsonObject): ClearanceGeometry {
  return {
    pivotHeightM: num(input, 'pivotHeightM'),
    axisForwardM: num(input, 'axisForwardM'),
    columnTopDropM: num(input, 'columnTopDropM'),
    pier: input['pier'] === true,
    hubHeightM: num(input, 'hubHeightM', 0),
    columnRadiusM: num(input, 'columnRadiusM'),
    footRadiusM: num(input, 'footRadiusM', 0),
    legRadiusM: num(input, 'legRadiusM', 0),
    firstFootAzimuthDeg: num(input, 'firstFootAzimuthDeg', 0),
    tubeOffsetM: num(input, 'tubeOffsetM'),
    tubeFrontM: num(input, 'tubeFrontM'),
    tubeBackM: num(input, 'tubeBackM'),
    tubeRadiusM: num(input, 'tubeRadiusM'),
    cameraLengthM: num(input, 'cameraLengthM'),
    cameraRadiusM: num(input, 'cameraRadiusM'),
    barLengthM: num(input, 'barLengthM'),
    barRadiusM: num(input, 'barRadiusM'),
  };
}

const named = ({ piece, obstacle }: Closest): string => `${piece}-${obstacle}`;

/** What the measured gap has more than the model there; null without one. */
function shiftOf({ measured, ...input }: JsonObject, at: ReturnType<typeof clearanceOf>): number | null {
  if (!isObject(measured)) return null;
  const decDeg = num(input, 'declinationDeg');
  const state = STATES[oneOf(measured, 'side', ['west', 'east'])];
  return num(measured, 'gapM') - at({ haH: num(measured, 'hourAngleH'), decDeg, state }).clearanceM;
}

export const clearance: Adapter = (input) => {
  const geometry = geometryOf(input);
  const [latDeg, decDeg] = [num(input, 'latitudeDeg'), num(input, 'declinationDeg')];
  const at = clearanceOf(geometry, latDeg);
  const listOf = (side: 'west' | 'east'): JsonObject[] => {
    const { key, usual } = HOURS[side];
    return (input[key] === undefined ? usual : numbers(input, key)).map((haH) => {
      const found = at({ haH, decDeg, state: STATES[side] });
      return {
        hourAngleH: haH,
        clearanceM: found.clearanceM,
        closest: named(found.closest),
        barClearanceM: found.barClearanceM,
      };
    });
  };
  const shiftM = shiftOf(input, at);
  const marginM = num(input, 'marginM', 0.05);
  const limitH = firstUsedUp(
    (haH) => {
      const roomM = at({ haH, decDeg, state: 'beforeFlip' }).clearanceM + (shiftM ?? 0) - marginM;
      return { roomM, safeM: roomM };
    },
    fastestM(geometry),
    { fromH: 0, toH: MOST_H },
  );
  return {
    out: {
      west: listOf('west'),
      east: listOf('east'),
      limitH,
      ...(shiftM === null ? {} : { shiftM }),
      ...(limitH === null ? {} : { closestAtLimit: named(at({ haH: limitH, decDeg, state: 'beforeFlip' }).closest) }),
    },
  };
};

/** The clearance over the whole sky that a mount can reach, in one state: for a map of hour angle against declination. */
import { tubeGapsOf, type ClearanceGeometry } from './clearance.ts';
import { pose, type FlipState } from './pose.ts';

/** Hour angles from the east over the meridian to half a day beyond, every six minutes; all declinations. */
export const MAP_GRID = { columns: 181, rows: 121, haH: [-6, 12], decDeg: [-90, 90] } as const;

/** Row by row from the lowest declination, each from the earliest hour angle; m. */
export type ClearanceMap = { state: FlipState; gapM: Float32Array<ArrayBuffer> };

const step = ([from, to]: readonly [number, number], count: number): number => (to - from) / (count - 1);

/** Where a column or a row lies. */
export const haOfColumn = (column: number): number => MAP_GRID.haH[0] + column * step(MAP_GRID.haH, MAP_GRID.columns);
export const decOfRow = (row: number): number => MAP_GRID.decDeg[0] + row * step(MAP_GRID.decDeg, MAP_GRID.rows);

/** Of tube and camera, as the drawing has it. */
export function clearanceMap(g: ClearanceGeometry, latDeg: number, state: FlipState): ClearanceMap {
  const { columns, rows } = MAP_GRID;
  const gapsAt = tubeGapsOf(g, latDeg, 0);
  const gapM = new Float32Array(columns * rows);
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1)
      gapM[row * columns + column] = gapsAt(pose(haOfColumn(column), decOfRow(row), state, latDeg))[0].gapM;
  return { state, gapM };
}

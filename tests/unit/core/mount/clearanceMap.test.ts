import { expect } from 'chai';
import { clearanceOf, type ClearanceGeometry } from '../../../../src/core/mount/clearance.ts';
import { clearanceMap, decOfRow, haOfColumn, MAP_GRID } from '../../../../src/core/mount/clearanceMap.ts';
import { clearanceOfRig } from '../../../../src/core/rig/clearanceOfRig.ts';
import { rigNumbers } from '../../../../src/core/rig/rigNumbers.ts';
import { parts, rigs } from '../../../support/records.ts';

const LAT = 40.33;
const geometry: ClearanceGeometry = clearanceOfRig(rigNumbers(rigs[0]!, parts), LAT)!.geometry;

describe('the map of the clearance', () => {
  it('spans from six hours before the meridian to twelve after, over all declinations', () => {
    const { columns, rows } = MAP_GRID;
    expect([haOfColumn(0), haOfColumn(columns - 1), haOfColumn(60)]).to.deep.equal([-6, 12, 0]);
    expect([decOfRow(0), decOfRow(rows - 1), decOfRow(60)]).to.deep.equal([-90, 90, 0]);
  });

  it('holds at each place what the clearance is there, in both states', () => {
    const at = clearanceOf(geometry, LAT);
    for (const state of ['beforeFlip', 'afterFlip'] as const) {
      const map = clearanceMap(geometry, LAT, state);
      expect(map.state).to.equal(state);
      for (const [column, row] of [
        [0, 0],
        [60, 98],
        [63, 98],
        [180, 120],
        [90, 40],
      ] as const) {
        const { clearanceM } = at({ haH: haOfColumn(column), decDeg: decOfRow(row), state });
        expect(map.gapM[row * MAP_GRID.columns + column], `${column} ${row}`).to.be.closeTo(clearanceM, 1e-6);
      }
    }
  });
});

/** A mount on its tripod with lengths by hand. */
import type { ClearanceGeometry } from '../../src/core/mount/clearance.ts';

export const GEOMETRY: ClearanceGeometry = {
  pivotHeightM: 1.25,
  axisForwardM: 0.06,
  columnTopDropM: 0.22,
  pier: false,
  hubHeightM: 0.85,
  columnRadiusM: 0.06,
  footRadiusM: 0.55,
  legRadiusM: 0.025,
  firstFootAzimuthDeg: 60,
  tubeOffsetM: 0.24,
  tubeFrontM: 0.75,
  tubeBackM: 0.8,
  tubeRadiusM: 0.075,
  cameraLengthM: 0.2,
  cameraRadiusM: 0.045,
  barLengthM: 0.5,
  barRadiusM: 0.06,
};

/** Adapter of the level topic: scale, altitude turns and azimuth turns on a tilted base. */
import {
  altitudeTurn,
  azimuthShiftByTiltDeg,
  azimuthTurn,
  scaleForAltitudeDeg,
  slopesOf,
  trueAltitudeDeg,
  type TiltedBase,
} from '../../src/core/mount/tiltedBase.ts';
import { num, oneOf, type Adapter } from './types.ts';

export const level: Adapter = (input) => {
  const kind = oneOf(input, 'kind', ['scale', 'altitudeTurn', 'azimuthTurn']);
  const base: TiltedBase = {
    latDeg: num(input, 'latitudeDeg'),
    tiltDeg: num(input, 'tiltDeg'),
    uphillAzimuthDeg: num(input, 'uphillAzimuthDeg'),
  };
  const scaleDeg = num(input, 'scaleDeg');
  const { poleSideUpDeg, eastSideUpDeg } = slopesOf(base);
  const altDeg = trueAltitudeDeg(base, scaleDeg);
  const shared = { tiltPoleSideUpDeg: poleSideUpDeg, tiltEastSideUpDeg: eastSideUpDeg, trueAltitudeDeg: altDeg };
  if (kind === 'scale') {
    return {
      out: {
        ...shared,
        altitudeMinusScaleArcmin: (altDeg - scaleDeg) * 60,
        azimuthShiftByTiltDeg: azimuthShiftByTiltDeg(base, scaleDeg),
        scaleToSetDeg: scaleForAltitudeDeg(base, Math.abs(base.latDeg)),
      },
    };
  }
  const turnDeg = num(input, 'turnDeg');
  const turned = kind === 'altitudeTurn' ? altitudeTurn : azimuthTurn;
  return { out: { ...shared, ...turned(base, scaleDeg, turnDeg) } };
};

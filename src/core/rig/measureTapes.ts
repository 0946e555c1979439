/** Where a tape is held for the clearance: from where to where, on the rig standing in its home position. */
import type { Vec3 } from '../math/vectors.ts';
import { standingCapsules, type ClearanceGeometry, type SkyPose } from '../mount/clearance.ts';
import { pose } from '../mount/pose.ts';
import type { RigClearance, Unmeasured } from './clearanceOfRig.ts';

export type TapeCode =
  | 'pivotHeight'
  | 'axisForward'
  | 'columnTopDrop'
  | 'hubHeight'
  | 'footRadius'
  | 'tubeOffset'
  | 'tubeFront'
  | 'tubeBack';

export type MeasureTape = {
  code: TapeCode;
  /** Told by it in the drawing. */
  letter: string;
  from: Vec3;
  to: Vec3;
  lengthM: number;
  /** Nobody has measured it. */
  guessed: boolean;
};

const OF: Record<TapeCode, Unmeasured> = {
  pivotHeight: 'axes',
  axisForward: 'axes',
  columnTopDrop: 'axes',
  hubHeight: 'tripod',
  footRadius: 'tripod',
  tubeOffset: 'place',
  tubeFront: 'tube',
  tubeBack: 'tube',
};

/** Weights down, tube to the elevated pole. */
export const homePose = (latDeg: number): SkyPose => ({ haH: -6, decDeg: latDeg < 0 ? -90 : 90, state: 'beforeFlip' });

const along = (from: Vec3, way: Vec3, byM: number): Vec3 => [
  from[0] + byM * way[0],
  from[1] + byM * way[1],
  from[2] + byM * way[2],
];

function placed(g: ClearanceGeometry, latDeg: number): Record<TapeCode, readonly [Vec3, Vec3] | null> {
  const { haH, decDeg, state } = homePose(latDeg);
  const { tube, side } = pose(haH, decDeg, state, latDeg);
  const crossing: Vec3 = [0, 0, g.pivotHeightM];
  const columnY = latDeg < 0 ? g.axisForwardM : -g.axisForwardM;
  const saddle = along(crossing, side, g.tubeOffsetM);
  const topM = g.pivotHeightM - g.columnTopDropM;
  const leg = standingCapsules(g, latDeg).find(({ obstacle }) => obstacle === 'leg0')?.capsule;
  return {
    pivotHeight: [[0, 0, 0], crossing],
    axisForward: [[0, columnY, g.pivotHeightM], crossing],
    columnTopDrop: [
      [0, columnY, g.pivotHeightM],
      [0, columnY, topM],
    ],
    hubHeight: g.pier
      ? null
      : [
          [0, columnY, 0],
          [0, columnY, g.hubHeightM],
        ],
    footRadius: leg ? [[0, columnY, 0], leg.to] : null,
    tubeOffset: [crossing, saddle],
    tubeFront: [saddle, along(saddle, tube, g.tubeFrontM)],
    tubeBack: [saddle, along(saddle, tube, -g.tubeBackM)],
  };
}

/** In the order in which one goes around with the tape. */
export function measureTapes({ geometry, unmeasured }: RigClearance, latDeg: number): MeasureTape[] {
  const codes = Object.keys(OF) as TapeCode[];
  const at = placed(geometry, latDeg);
  return codes
    .flatMap((code) => {
      const ends = at[code];
      if (!ends) return [];
      const [from, to] = ends;
      const lengthM = Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
      return [{ code, from, to, lengthM, guessed: unmeasured.includes(OF[code]) }];
    })
    .map((tape, i) => ({ ...tape, letter: String.fromCharCode(A + i) }));
}
const A = 'A'.charCodeAt(0);

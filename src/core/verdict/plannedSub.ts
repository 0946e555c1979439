/** What is known of the subs that will be taken: the one input of every judgement of stars. */
import type { ErrorCurve, Sinusoid } from '../tracking/periodicError.ts';

/** Where the axis is: both errors known, or only how far off it is, in an unknown direction. */
export type PolarError =
  | { known: 'size'; errorArcmin: number }
  | { known: 'components'; altErrorArcmin: number; azErrorArcmin: number; latDeg: number; haH: number };

/** What the drive does to the axis. */
export type Drive = { sinusoids: readonly Sinusoid[]; curve: ErrorCurve | null };
export const STEADY_DRIVE: Drive = { sinusoids: [], curve: null };

export type Tracking =
  | {
      guided: false;
      drive: Drive;
      /** + = the star moves east. */
      raRateAxisArcsecPerMin: number;
      /** Place of the target at mid-exposure; null when it is too low for the formula. */
      refraction: { latDeg: number; haH: number } | null;
    }
  | {
      guided: true;
      rmsRaArcsec: number;
      rmsDecArcsec: number;
      /** From the frame's centre, x east and y north. */
      guideStarArcsec: readonly [number, number];
      flexureArcsecPerMin: number;
      /** Direction in which the guide scope sags against the camera, from north through east; null = not known. */
      flexureDirectionDeg: number | null;
    };

export type PlannedSub = {
  scaleArcsecPerPx: number;
  widthPx: number;
  heightPx: number;
  cameraAngleDeg: number;
  apertureMm: number;
  declinationDeg: number;
  exposureS: number;
  /** At the target's altitude. */
  seeingFwhmArcsec: number;
  defocusDiscArcsec: number;
  /** One sigma for balance and wind together. */
  balanceWindArcsec: number;
  polar: PolarError;
  /** How fast the mount itself turns the field, as an alt-azimuth one does; 0 for a mount with a polar axis. */
  fieldTurnArcsecPerS: number;
  tracking: Tracking;
  /** Spread at the four corners, along the radius or across it; null = none. */
  spacing: { sigmaArcsec: readonly [number, number, number, number]; direction: 'radial' | 'tangential' } | null;
};

export type StretchItem =
  | 'fieldTurn'
  | 'periodicError'
  | 'raRate'
  | 'polar'
  | 'refraction'
  | 'flexure'
  | 'guiding'
  | 'spacing';
export type EvenItem = 'seeing' | 'defocus' | 'diffraction' | 'pixel' | 'balanceWind';
export type BudgetItemName = StretchItem | EvenItem;

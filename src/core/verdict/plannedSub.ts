/** What is known of the subs that will be taken: the one input of every judgement of stars. */
import type { ErrorCurve, Sinusoid } from '../tracking/periodicError.ts';

/** Where the axis is: both errors known, as well as their doubt says, or only how far off it is, in an unknown direction. */
export type PolarError =
  | { known: 'size'; errorArcmin: number }
  | {
      known: 'components';
      altErrorArcmin: number;
      azErrorArcmin: number;
      /** Null = exactly. */
      doubt: PoleDoubt | null;
      latDeg: number;
      haH: number;
    };

/** Variances and covariance of altitude and azimuth, the azimuth as an angle in azimuth, arcmin squared. */
export type PoleDoubt = { altVar: number; azVar: number; covariance: number };

/** What the drive does to the axis. */
export type Drive = { sinusoids: readonly Sinusoid[]; curve: ErrorCurve | null };
export const STEADY_DRIVE: Drive = { sinusoids: [], curve: null };

/** Place of the target at mid-exposure; null when it is too low for the formula. */
type SeenThroughAir = { latDeg: number; haH: number } | null;

export type UnguidedTracking = {
  guided: false;
  drive: Drive;
  /** + = the star moves east. */
  raRateAxisArcsecPerMin: number;
  refraction: SeenThroughAir;
};

export type GuidedTracking = {
  guided: true;
  /** `ra`: one motor holds the star in right ascension alone; in declination nothing is corrected. */
  axes: 'both' | 'ra';
  rmsRaArcsec: number;
  /** Counts only where both axes are held. */
  rmsDecArcsec: number;
  /** Its part in declination stays where only right ascension is held. */
  refraction: SeenThroughAir;
  /** From the frame's centre, x east and y north. */
  guideStarArcsec: readonly [number, number];
  flexureArcsecPerMin: number;
  /** Direction in which the guide scope sags against the camera, from north through east; null = not known. */
  flexureDirectionDeg: number | null;
  /** One sigma of what was measured, any way; 0 = exactly. */
  flexureSigmaArcsecPerMin: number;
};

export type Tracking = UnguidedTracking | GuidedTracking;

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
  /** The blur of lens or tube itself, far from the diffraction limit in most lenses. */
  opticsFwhmArcsec: number;
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
export type EvenItem = 'seeing' | 'optics' | 'defocus' | 'diffraction' | 'pixel' | 'balanceWind';
export type BudgetItemName = StretchItem | EvenItem;

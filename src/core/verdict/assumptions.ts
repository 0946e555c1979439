/** What is taken for granted until it is measured; every one is shown hatched with its number. */

export const ASSUMED = {
  /** At the zenith. */
  seeingFwhmArcsec: 2.5,
  /** What a bearing and the latitude scale leave of the axis before the pole was looked for, degrees in azimuth and in
   *  altitude; without them, by the look of the ground. */
  bearingDeg: 0.4,
  ironNotCheckedDeg: 1,
  scaleDeg: 0.5,
  noBearingDeg: 1.5,
  noScaleDeg: 1.5,
  /** Total polar error once a star was said to stand on its mark. */
  polarErrorByEyeArcmin: 8,
  /** Peak to peak at the axis. */
  periodicPeakToPeakArcsec: { smallTracker: 60, geared: 25, belt: 15, strainWave: 40 },
  wormTeeth: 144,
  /** Strain-wave drives have no worm wheel; their main period is short. */
  strainWavePeriodS: 430,
  raRateAxisArcsecPerMin: 0.5,
  guidingRmsArcsec: 0.8,
  flexureArcsecPerMin: 0.1,
  balanceWindArcsec: 0.3,
  flipMinutes: 8,
  /** From start to end of a tilting platform. */
  platformRunMin: 60,
  /** To set it back, push the tube to the target and look. */
  platformResetMinutes: 3,
  /** What making the pole better takes, until this user's own minutes are known. */
  alignMinutes: 8,
  /** The same for guiding: balance, calibration and exposure looked at; and for a stack taken apart and focused again. */
  mendGuidingMinutes: 10,
  restackMinutes: 20,
  /** The same for a focus by star widths at five places. */
  refocusMinutes: 3,
} as const;

/** Star's length over its even width up to which it counts as round, and up to which it is acceptable. */
export type StretchLimits = { round: number; acceptable: number };
export const DEFAULT_STRETCH_LIMITS: StretchLimits = { round: 1.1, acceptable: 1.25 };

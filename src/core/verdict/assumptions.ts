/** What is taken for granted until it is measured; every one is shown hatched with its number. */

export const ASSUMED = {
  seeingFwhmArcsec: 2.5,
  /** Total polar error before the pole was looked for, and after setting it by eye. */
  polarErrorUnsetArcmin: 30,
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
} as const;

/** Length over width under which a star counts as round, and up to which it is acceptable. */
export type RatioLimits = { round: number; acceptable: number };
export const DEFAULT_RATIO_LIMITS: RatioLimits = { round: 1.1, acceptable: 1.25 };

/** The distance from a corrector's rear flange to the sensor: what is wanted, what the pieces give, and where.
 *  Source: shift of a plane plate (Hecht, Optics, 2017, ch. 5); the tolerance is a rule of thumb. */
import { glassShiftMm } from './lightPath.ts';

/** `gapMm`: air before it, where a thread reaches the ground before its shoulder. */
export type SpacingPiece = { id: string; name: string; lengthMm: number; gapMm?: number; isGuessed?: boolean };
export type Plate = { id: string; name: string; thicknessMm: number; index: number };
export type PlacedPiece = SpacingPiece & { fromMm: number; toMm: number };

export type Spacing = {
  specifiedMm: number;
  /** What corners taught to add to it. */
  learnedMm: number;
  /** What filter glass adds to the distance that is needed. */
  glassMm: number;
  neededMm: number;
  presentMm: number;
  /** + = the sensor stands too far from the corrector. */
  errorMm: number;
  toleranceMm: number;
  withinTolerance: boolean;
  /** How far the error itself may be off, one sigma: a distance or a depth that nobody told. */
  doubtMm: number;
  /** Every piece from the corrector's flange (0) to the sensor, the camera's own depth last. */
  pieces: PlacedPiece[];
};

/** A rule of thumb until the corners were looked at: a tenth of a millimetre per unit of focal ratio, f/5: 0.5 mm,
 *  never under 0.2 nor over 1 mm. The blur of a spacing error shrinks with the focal ratio like a focus error's. */
export function spacingToleranceMm(focalRatio: number): number {
  return Math.min(1, Math.max(0.2, focalRatio / 10));
}

/** How much farther than its corrector specifies a sensor stands, filter glass allowed for. */
export const offsetOf = ({ presentMm, glassMm, specifiedMm }: Spacing): number => presentMm - glassMm - specifiedMm;

/** Needed = specified + learned + sum t (1 - 1/n) of all glass between corrector and sensor; present = pieces + camera's depth. */
export function spacingSum(input: {
  specifiedMm: number;
  learnedMm: number;
  pieces: readonly SpacingPiece[];
  glass: readonly Plate[];
  camera: SpacingPiece;
  toleranceMm: number;
  doubtMm: number;
}): Spacing {
  const glassMm = glassShiftMm(input.glass);
  const neededMm = input.specifiedMm + input.learnedMm + glassMm;
  let reachedMm = 0;
  const pieces = [...input.pieces, input.camera].map((piece): PlacedPiece => {
    const fromMm = reachedMm + (piece.gapMm ?? 0);
    reachedMm = fromMm + piece.lengthMm;
    return { ...piece, fromMm, toMm: reachedMm };
  });
  const errorMm = reachedMm - neededMm;
  return {
    specifiedMm: input.specifiedMm,
    learnedMm: input.learnedMm,
    glassMm,
    neededMm,
    presentMm: reachedMm,
    errorMm,
    toleranceMm: input.toleranceMm,
    doubtMm: input.doubtMm,
    withinTolerance: Math.abs(errorMm) <= input.toleranceMm,
    pieces,
  };
}

export type CircleFit = {
  /** Share of the sensor's diagonal that the circle covers; 1 and more = the corners are lit. */
  coverage: number;
  covers: boolean;
};

/** Does what is known of it say that the sensor stands right? */
export const isKnownRight = ({ withinTolerance, doubtMm, toleranceMm }: Spacing): boolean =>
  withinTolerance && doubtMm <= toleranceMm;

/** Is it wrong by more than what may be off about it? */
export const isKnownWrong = ({ withinTolerance, errorMm, doubtMm, toleranceMm }: Spacing): boolean =>
  !withinTolerance && (doubtMm <= toleranceMm || Math.abs(errorMm) > 2 * doubtMm);

/** The lit circle against the sensor's diagonal. */
export function circleFit(imageCircleMm: number, sensorDiagonalMm: number): CircleFit {
  const coverage = imageCircleMm / sensorDiagonalMm;
  return { coverage, covers: coverage >= 1 };
}

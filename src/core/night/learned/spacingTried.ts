/** The distances that were tried behind a corrector, what the corners said at each, and where the best one lies. */
import { firstOf } from '../../firstOf.ts';
import { bestSpacing, type BestSpacing } from '../../optics/corners/bestSpacing.ts';
import { judgeCorners, spacingLean, type CornersVerdict } from '../../optics/corners/judgeCorners.ts';
import { polarToleranceArcmin } from '../../optics/guiding.ts';
import { isDepthGuessed, specifiedBackFocus } from '../../rig/lightBasis.ts';
import { correctorOf } from '../../rig/lightPathOfRig.ts';
import { rigNumbers } from '../../rig/rigNumbers.ts';
import type { ReadingOf } from '../../records/reading.ts';
import type { NightRecords } from '../../history/nightRecords.ts';
import { poleOfNight } from '../../pole/poleOfNight.ts';

type Seen = ReadingOf<'cornersSeen'>;
type SeenCorners = Seen['values'];
export type TriedSpacing = {
  reading: Seen;
  verdict: CornersVerdict;
  /** Where the sensor stood by what is told now; null where nobody knows. */
  spacingMm: number | null;
  /** The camera whose guessed depth is still in it; null = none. */
  guessOf: string | null;
  /** From the distance that the corrector asks for with this glass; null without a corrector. */
  offsetMm: number | null;
};
export type SpacingTried = {
  /** Oldest first. */
  tried: readonly TriedSpacing[];
  /** Null before a look told anything of the distance. */
  best: BestSpacing | null;
  /** The looks agree on it well enough to count. */
  isLearned: boolean;
  /** By how much farther than specified the sensor must stand; null until the looks agree on it. */
  learnedMm: number | null;
  /** All looks hold the guessed depth of this camera: for it the guess cancels. Null = it does not. */
  guessOf: string | null;
};

const KEPT_LOOKS = 12;
/** As near as the best distance must be told before it counts: a few looks from both sides of it, never one alone. */
const LEARNED_SIGMA_MM = 0.3;
/** A turn of half a pixel at the corners begins to show. */
const SHOWING_PX = 0.5;

/** Within so many seconds no pole turns the corners visibly. */
const STILL_S = 10;

/** Does the pole, as it stood that night, turn the corners visibly within the exposure? An unknown pole does not count. */
function fieldTurnShows(records: NightRecords, exposureS: number): boolean {
  if (exposureS <= STILL_S) return false;
  const { train, camera } = rigNumbers(records.rig, records.parts);
  const { totalArcmin } = poleOfNight(records, 'true');
  if (!train || !camera || totalArcmin === null) return false;
  const most = polarToleranceArcmin({
    trailUm: SHOWING_PX * camera.pixelUm,
    // About a guide star near the pole it would be more: what is said here holds for the usual target.
    declinationDeg: 0,
    exposureMin: exposureS / 60,
    focalMm: train.focalEffectiveMm,
    fieldAngleDeg: train.fieldDiagonalDeg / 2,
  });
  return totalArcmin > most;
}

/** What a look says. @param then the night in which it was made. */
function verdictOfSeen(records: NightRecords, values: SeenCorners, then = records): CornersVerdict {
  const corrector = correctorOf(records.rig, records.parts);
  return judgeCorners({
    frame: values.places,
    centreFocused: values.centreFocused,
    pastFocus: values.pastFocus,
    hasCorrector: corrector !== null,
    ruleInverted: corrector?.cornerRuleInverted === true,
    fieldTurnShows: fieldTurnShows(then, values.exposureS),
  });
}

/** Whose corners are looked at: the corrector's, without one the camera's. */
export const cornersSubject = ({ rig, parts }: Pick<NightRecords, 'rig' | 'parts'>): string =>
  correctorOf(rig, parts)?.id ?? rig.cameraId;

type Stood = Pick<TriedSpacing, 'spacingMm' | 'guessOf'>;

/** A camera whose depth was a guess stood as much farther as it is deeper by what is told of it now. As long as nobody told it,
 *  the look speaks of that camera alone. */
function stoodAt({ rig, parts }: NightRecords, { spacingMm, guessedDepth }: SeenCorners): Stood {
  if (spacingMm === null || !guessedDepth) return { spacingMm, guessOf: null };
  const camera = parts.find((p) => p.id === guessedDepth.cameraId);
  if (camera?.kind !== 'camera') return { spacingMm: null, guessOf: null };
  const isGuess = isDepthGuessed(camera);
  if (isGuess && camera.id !== rig.cameraId) return { spacingMm: null, guessOf: null };
  return { spacingMm: spacingMm + camera.depthMm - guessedDepth.depthMm, guessOf: isGuess ? camera.id : null };
}

function triedOf(records: NightRecords, reading: Seen): TriedSpacing {
  const { glassMm } = reading.values;
  const { spacingMm, guessOf } = stoodAt(records, reading.values);
  const corrector = correctorOf(records.rig, records.parts);
  const { nightId } = reading;
  const then = nightId === null || nightId === records.night.id ? records : records.otherNight(nightId);
  const verdict = verdictOfSeen(records, reading.values, then ?? records);
  const offsetMm = corrector && spacingMm !== null ? spacingMm - glassMm - specifiedBackFocus(corrector).mm : null;
  return { reading, verdict, spacingMm, guessOf, offsetMm };
}

/** Distances nearer than this are the same stack. */
export const SAME_STACK_MM = 0.05;

/** Where the corners were told round, and no later look at the same distance said otherwise: nobody has to go on searching.
 *  Null where they never were. */
function toldRoundMm(tried: readonly TriedSpacing[]): number | null {
  const telling = tried.filter((t) => t.offsetMm !== null && spacingLean(t.verdict) !== null);
  const stands = ({ offsetMm }: TriedSpacing, at: number): boolean =>
    telling
      .slice(at + 1)
      .every((t) => Math.abs((t.offsetMm ?? 0) - (offsetMm ?? 0)) >= SAME_STACK_MM || t.verdict.code === 'good');
  return telling.findLast((t, i) => t.verdict.code === 'good' && stands(t, i))?.offsetMm ?? null;
}

/** Of the looks that tell of the distance. */
function guessOfAll(tried: readonly TriedSpacing[]): string | null {
  const telling = tried.filter((t) => t.offsetMm !== null && spacingLean(t.verdict) !== null);
  const first = telling[0]?.guessOf ?? null;
  return telling.every((t) => t.guessOf === first) ? first : null;
}

export function spacingTried(records: NightRecords): SpacingTried {
  const readings = firstOf(records.known.latest('cornersSeen', { subjectId: cornersSubject(records) }), KEPT_LOOKS);
  const tried = readings.reverse().map((r) => triedOf(records, r));
  const looks = tried.flatMap(({ offsetMm, verdict }) => {
    const lean = spacingLean(verdict);
    return offsetMm === null || lean === null ? [] : [{ offsetMm, lean }];
  });
  const corrector = correctorOf(records.rig, records.parts);
  const reckoned = looks.length > 0 ? bestSpacing(looks, corrector?.backFocusMm === null ? 'assumed' : 'told') : null;
  const roundMm = toldRoundMm(tried);
  // Told round it is wanted there; how well the distance is known is what all looks leave.
  const best = reckoned && (roundMm === null ? reckoned : { ...reckoned, bestMm: roundMm });
  const agree = best !== null && best.sigmaMm <= LEARNED_SIGMA_MM;
  const isLearned = roundMm !== null || agree;
  return { tried, best, isLearned, learnedMm: isLearned && best ? best.bestMm : null, guessOf: guessOfAll(tried) };
}

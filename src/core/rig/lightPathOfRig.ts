/** The light path of a rig from its records: the spacing behind the corrector, joints that do not fit, the lit circle. */
import { reducerChangePerMm } from '../optics/lightPath.ts';
import {
  offsetOf,
  spacingSum,
  spacingToleranceMm,
  type Plate,
  type Spacing,
  type SpacingPiece,
} from '../optics/spacing.ts';
import type { Part, PartOf } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';
import { depthDoubtMm, isDepthGuessed, isThreadGuessed, specifiedBackFocus } from './lightBasis.ts';
import { bottomedIn, misfitsOf, standingOf, type Bottomed, type Misfit } from './trainJoints.ts';

/** The corrector's distance, the camera's depth, or its thread. */
export type Assumed = 'backFocus' | 'depth' | 'thread';

export type LightPath = {
  corrector: PartOf<'corrector'> | null;
  /** Null without a corrector or camera: then nothing asks for a distance. */
  spacing: Spacing | null;
  plates: Plate[];
  misfits: Misfit[];
  /** What of it nobody told yet, in the order in which it matters. */
  assumed: Assumed[];
  /** Threads that reach the ground before their shoulder: each adds its gap to the distance. */
  bottomed: Bottomed[];
  /** Which piece of `spacing` an index in the chain of joints is. */
  pieceAt: (chainIndex: number) => number;
  /** Diameter lit at the sensor; null = not known. */
  imageCircleMm: number | null;
};

/** Length along the light and the two ends; null for what has no length of its own there (filters). */
function pieceOf(part: Part): SpacingPiece | null {
  switch (part.kind) {
    case 'spacer':
    case 'wheel':
    case 'guider':
    case 'rotator':
    case 'tiltPlate':
      return { id: part.id, name: part.name, lengthMm: part.lengthMm };
    case 'shim':
      return { id: part.id, name: part.name, lengthMm: part.thicknessMm };
    default:
      return null;
  }
}

/** Farther off than this not every piece of the stack was named: nobody could focus it. */
const MOST_BEYOND_MM = 5;

/** What a corrector does at the distance that the sensor really has, glass allowed for: 0.2 mm too short behind a reducer of
 *  240 mm make 0.8 to 0.8008. Its own number where its focal length or the distance is not known. */
export function achievedFactor({ factor, focalMm }: PartOf<'corrector'>, spacing: Spacing | null): number {
  if (!spacing || focalMm === null || focalMm === 0) return factor;
  const beyondMm = offsetOf(spacing);
  // What is not known of the distance changes nothing.
  const isVague = spacing.doubtMm > spacing.toleranceMm;
  return isVague || Math.abs(beyondMm) > MOST_BEYOND_MM ? factor : factor + reducerChangePerMm(focalMm) * beyondMm;
}

/** The last corrector of a train, from which the distance to the sensor counts. */
export function correctorOf(rig: Rig, parts: readonly Part[]): PartOf<'corrector'> | null {
  const byId = new Map(parts.map((p) => [p.id, p]));
  return behindCorrector(rig.train.flatMap((id) => byId.get(id) ?? [])).corrector;
}

/** Pieces of the train behind its last corrector, in the order of the light, without the camera. */
function behindCorrector(train: readonly Part[]): { corrector: PartOf<'corrector'> | null; pieces: Part[] } {
  const at = train.findLastIndex((p) => p.kind === 'corrector');
  const corrector = train[at];
  const pieces = train.slice(at + 1).filter((p) => p.kind !== 'camera');
  return { corrector: corrector?.kind === 'corrector' ? corrector : null, pieces };
}

const toPlates = (pieces: readonly Part[]): Plate[] =>
  pieces.flatMap((p) =>
    p.kind === 'filter' ? [{ id: p.id, name: p.name, thicknessMm: p.thicknessMm, index: p.index }] : [],
  );

type Optics = { tube: PartOf<'tube'> | null; camera: PartOf<'camera'> | null; focalRatio: number | null };

/** @param isLearned corners told how far it must stand: its number is not asked for any more. */
const assumedOf = (corrector: PartOf<'corrector'>, camera: PartOf<'camera'>, isLearned: boolean): Assumed[] => [
  ...(corrector.backFocusMm === null && !isLearned ? (['backFocus'] as const) : []),
  ...(isDepthGuessed(camera) ? (['depth'] as const) : []),
  ...(isThreadGuessed(camera, camera.front) ? (['thread'] as const) : []),
];

/** By how much farther than specified the sensor must stand, as corners showed, and the camera whose guessed depth is in it. */
export type LearnedSpacing = { mm: number; guessOf: string | null };

/** What stands behind the corrector, its joints told apart from its lengths. */
type Behind = {
  corrector: PartOf<'corrector'>;
  pieces: readonly Part[];
  plates: readonly Plate[];
  camera: PartOf<'camera'>;
  bottomed: ReadonlyMap<number, Bottomed>;
};

function spacingOf(
  { corrector, pieces, plates, camera, bottomed }: Behind,
  focalRatio: number | null,
  learned: LearnedSpacing | null,
): Spacing {
  // The corrector stands first in the chain of joints.
  const gapMm = (at: number): number => bottomed.get(at + 1)?.gapMm ?? 0;
  const specified = specifiedBackFocus(corrector);
  const { id, name, depthMm } = camera;
  return spacingSum({
    specifiedMm: specified.mm,
    learnedMm: learned?.mm ?? 0,
    pieces: pieces.flatMap((p, i) => {
      const piece = pieceOf(p);
      return piece ? [{ ...piece, gapMm: gapMm(i) }] : [];
    }),
    glass: plates,
    camera: { id, name, lengthMm: depthMm, gapMm: gapMm(pieces.length), isGuessed: isDepthGuessed(camera) },
    toleranceMm: spacingToleranceMm(focalRatio ?? 5),
    // Corners tell the distance, and where a guessed depth is in it the guess cancels for that camera.
    doubtMm: Math.hypot(learned ? 0 : specified.doubtMm, learned?.guessOf === id ? 0 : depthDoubtMm(camera)),
  });
}

const NO_DISTANCE = { spacing: null, assumed: [], misfits: [], bottomed: [], pieceAt: () => 0 };

/** @param learned null = corners told nothing of the distance yet. */
export function lightPathOf(
  rig: Rig,
  parts: ReadonlyMap<string, Part>,
  { tube, camera, focalRatio }: Optics,
  learned: LearnedSpacing | null,
): LightPath {
  const train = rig.train.flatMap((id) => parts.get(id) ?? []);
  const { corrector, pieces } = behindCorrector(train);
  const plates = toPlates(pieces);
  const imageCircleMm = corrector ? corrector.imageCircleMm : (tube?.imageCircleMm ?? null);
  if (!corrector || !camera) return { ...NO_DISTANCE, corrector, plates, imageCircleMm };
  const turned = new Set(rig.turned);
  const chain = [corrector, ...pieces, camera].map((part) => standingOf(part, turned));
  const bottomed = bottomedIn(chain);
  return {
    corrector,
    spacing: spacingOf({ corrector, pieces, plates, camera, bottomed }, focalRatio, learned),
    plates,
    assumed: assumedOf(corrector, camera, learned !== null),
    misfits: misfitsOf(chain),
    bottomed: [...bottomed.values()],
    pieceAt: (chainIndex) => chain.slice(1, chainIndex).filter(({ part }) => pieceOf(part) !== null).length,
    imageCircleMm,
  };
}

/** The light path of a rig from its records: the spacing behind the corrector, joints that do not fit, the lit circle. */
import { spacingSum, spacingToleranceMm, type Plate, type Spacing, type SpacingPiece } from '../optics/spacing.ts';
import type { Part, PartOf } from '../records/part.ts';
import type { Rig } from '../records/rig.ts';

type Joint = NonNullable<PartOf<'tube'>['rear']>;
/** Two neighbours that do not screw together. */
export type Misfit = { beforeName: string; afterName: string; before: Joint; after: Joint };

export type LightPath = {
  corrector: PartOf<'corrector'> | null;
  /** Null without a corrector or camera: then nothing asks for a distance. */
  spacing: Spacing | null;
  plates: Plate[];
  misfits: Misfit[];
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

const joints = (part: Part): { front: Joint | null; rear: Joint | null } => ({
  front: 'front' in part ? part.front : null,
  rear: 'rear' in part ? part.rear : null,
});

/** Neighbours hold together when threads are equal and genders opposite; shims and filters lie loose between. */
function misfitsOf(chain: readonly Part[]): Misfit[] {
  const screwed = chain.filter((p) => p.kind !== 'shim' && p.kind !== 'filter');
  return screwed.slice(1).flatMap((part, i): Misfit[] => {
    const previous = screwed[i];
    if (!previous) return [];
    const [before, after] = [joints(previous).rear, joints(part).front];
    if (!before || !after || (before.thread === after.thread && before.gender !== after.gender)) return [];
    return [{ beforeName: previous.name, afterName: part.name, before, after }];
  });
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

export function lightPathOf(
  rig: Rig,
  parts: ReadonlyMap<string, Part>,
  tube: PartOf<'tube'> | null,
  camera: PartOf<'camera'> | null,
  focalRatio: number | null,
): LightPath {
  const train = rig.train.flatMap((id) => parts.get(id) ?? []);
  const { corrector, pieces } = behindCorrector(train);
  const plates = toPlates(pieces);
  const spacing =
    corrector && camera
      ? spacingSum({
          specifiedMm: corrector.backFocusMm,
          pieces: pieces.flatMap((p) => pieceOf(p) ?? []),
          glass: plates,
          camera: { id: camera.id, name: camera.name, lengthMm: camera.depthMm },
          toleranceMm: spacingToleranceMm(focalRatio ?? 5),
        })
      : null;
  return {
    corrector,
    spacing,
    plates,
    misfits: corrector && camera ? misfitsOf([corrector, ...pieces, camera]) : [],
    imageCircleMm: corrector ? corrector.imageCircleMm : (tube?.imageCircleMm ?? null),
  };
}

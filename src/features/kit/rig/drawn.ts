/** The pieces of a rig as its drawing wants them: where they are, how large, and whether that is a guess. */
import type { Part } from '../../../core/records/part.ts';
import type { Placed, Rig } from '../../../core/records/rig.ts';
import { weightRadiusM } from '../../../core/rig/clearanceOfRig.ts';
import { looksFromSide, tubeKindOf } from '../../../core/rig/lookerPlace.ts';
import { isGuess } from '../../../core/rig/rigMasses.ts';
import type { DrawnPiece, RigAxis } from '../../../ui/instruments/RigDrawing.tsx';

/** Half sizes of what has no size of its own, m. */
const SMALL_M = 0.025;
const RING_M = 0.07;
const SCOPE = { along: 0.09, across: 0.022 };
const PLATE = { along: 0.12, across: 0.01 };

type Half = DrawnPiece['halfM'];
const half = (fromAxis: number, along: number, sideways: number): Half => ({ fromAxis, along, sideways });

/** @param across the way in which a camera at the side of its tube looks; null = along it. */
function halfOf(part: Part, across: 'out' | 'aside' | null): Half {
  switch (part.kind) {
    case 'tube':
      return half(part.radiusM, (part.frontM + part.backM) / 2, part.radiusM);
    case 'camera':
      if (across === 'out') return half(part.lengthM / 2, part.radiusM, part.radiusM);
      return across === 'aside'
        ? half(part.radiusM, part.radiusM, part.lengthM / 2)
        : half(part.radiusM, part.lengthM / 2, part.radiusM);
    case 'weight': {
      const radiusM = weightRadiusM(part.massKg ?? 1);
      return half(part.thicknessM / 2, radiusM, radiusM);
    }
    case 'bar':
    case 'barExtension':
      return half(part.lengthM / 2, part.radiusM, part.radiusM);
    case 'guideScope':
      return half(SCOPE.across, SCOPE.along, SCOPE.across);
    case 'rings':
      return half(PLATE.across, RING_M, RING_M / 2);
    case 'plate':
      return half(PLATE.across, PLATE.along, PLATE.across * 2);
    default:
      return half(SMALL_M, SMALL_M, SMALL_M);
  }
}

/** A tube is longer on one side of its saddle, a bar begins at the axis. */
function middleOf(placed: Placed, part: Part): Pick<DrawnPiece, 'fromAxisM' | 'alongM'> {
  if (part.kind === 'tube')
    return { fromAxisM: placed.fromRaAxisM, alongM: placed.alongTubeM + (part.frontM - part.backM) / 2 };
  if (part.kind === 'bar') return { fromAxisM: -part.lengthM / 2, alongM: 0 };
  return { fromAxisM: placed.fromRaAxisM, alongM: placed.alongTubeM };
}

/** A bar stays where it is screwed in, what stands on it goes along it. */
function axesOf(placed: Placed, part: Part): readonly RigAxis[] {
  if (part.kind === 'bar' || part.kind === 'barExtension') return [];
  return placed.on === 'bar' ? ['fromRaAxisM'] : ['fromRaAxisM', 'alongTubeM', 'sidewaysM'];
}

const ROUND: ReadonlySet<Part['kind']> = new Set(['tube', 'camera', 'guideScope', 'eyepiece']);

/** Which way one looks into the rig's tube from a piece at its side; null for tubes that one looks into from behind. */
function acrossOf(rig: Rig, parts: readonly Part[]): (placed: Placed) => 'out' | 'aside' | null {
  const tube = parts.find((p) => p.id === rig.imagingTubeId);
  const line = rig.placed.find((p) => p.partId === rig.imagingTubeId);
  if (tube?.kind !== 'tube' || !line || !looksFromSide(tubeKindOf(tube))) return () => null;
  return ({ fromRaAxisM, sidewaysM }) =>
    Math.abs(sidewaysM - line.sidewaysM) > Math.abs(fromRaAxisM - line.fromRaAxisM) ? 'aside' : 'out';
}

/** Everything that hangs on the mount; what lies on the ground is not drawn. The largest first, so that small pieces can be
 *  touched. */
export function drawnPieces(rig: Rig, parts: readonly Part[]): DrawnPiece[] {
  const across = acrossOf(rig, parts);
  const size = ({ halfM }: DrawnPiece): number => halfM.along * halfM.fromAxis;
  return rig.placed
    .flatMap((placed): DrawnPiece[] => {
      const part = parts.find((p) => p.id === placed.partId);
      if (!part || placed.on === 'ground') return [];
      return [
        {
          id: placed.placedId,
          name: part.name,
          massKg: part.massKg,
          ...middleOf(placed, part),
          sidewaysM: placed.sidewaysM,
          halfM: halfOf(part, across(placed)),
          axes: axesOf(placed, part),
          // What looks across the tube is seen from its side.
          round: ROUND.has(part.kind) && (part.kind === 'tube' || across(placed) === null),
          heavy: part.kind === 'weight',
          guessed: isGuess({ massBasis: part.massBasis, placeBasis: placed.placeBasis }),
        },
      ];
    })
    .sort((a, b) => size(b) - size(a));
}

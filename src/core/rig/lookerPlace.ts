/** Where on a tube one looks, or hangs a camera: behind it, or, of a reflector, at its open end, at the side. */
import { guessTube } from '../optics/tubeClasses.ts';
import type { PartOf, TubeKind } from '../records/part.ts';
import type { RigNumbers } from './rigNumbers.ts';

type Tube = Pick<PartOf<'tube'>, 'apertureMm' | 'focalMm' | 'frontM' | 'backM' | 'radiusM' | 'tubeKind'>;

/** As its owner says, else by aperture and focal length. */
export const tubeKindOf = (tube: Pick<Tube, 'apertureMm' | 'focalMm' | 'tubeKind'>): TubeKind =>
  tube.tubeKind ?? guessTube(tube.apertureMm, tube.focalMm).kind;

export const looksFromSide = (kind: TubeKind): boolean => kind === 'newtonian';

/** From a reflector's open end back to its focuser, and how far that stands out of the tube. */
const FROM_OPEN_END_M = 0.12;
const FOCUSER_M = 0.06;

/** Middle of a camera or eyepiece: along the tube from its mark, + = front, and out from its middle line.
 *  @param lengthM of what looks, along its own line of sight. */
export function lookerPlace(
  kind: TubeKind,
  { frontM, backM, radiusM }: Pick<Tube, 'frontM' | 'backM' | 'radiusM'>,
  lengthM: number,
): { alongTubeM: number; outM: number } {
  if (!looksFromSide(kind)) return { alongTubeM: -(backM + lengthM / 2), outM: 0 };
  return { alongTubeM: frontM - FROM_OPEN_END_M, outM: radiusM + FOCUSER_M + lengthM / 2 };
}

/** What stands at the rear end of the tube: its mirror, or what looks through it. */
export type RearEnd = 'camera' | 'eyepiece' | 'mirror';

export function rearEndOf({ tube, eyepiece }: Pick<RigNumbers, 'tube' | 'eyepiece'>): RearEnd {
  if (tube && looksFromSide(tubeKindOf(tube))) return 'mirror';
  return eyepiece ? 'eyepiece' : 'camera';
}

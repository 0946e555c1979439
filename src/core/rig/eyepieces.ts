/** The eyepieces of the box in a rig's tube: what each shows, lowest power first. */
import { trueFieldDeg, visualView } from '../optics/lightPath.ts';
import type { Part, PartOf } from '../records/part.ts';

export type EyepieceView = {
  id: string;
  name: string;
  eyepieceMm: number;
  /** Name of the barlow before it; null = none. */
  barlow: string | null;
  magnification: number;
  fieldDeg: number;
  exitPupilMm: number;
  overUseful: boolean;
};

const isThere = (p: Part): boolean => p.deletedAtUtc === null && !p.archived;
/** Lengthens the focal length: a barlow. */
const LEAST_BARLOW = 1.2;

/** Each eyepiece alone and behind each barlow of the box; the first one is where to begin. */
export function eyepieceViews(tube: PartOf<'tube'>, parts: readonly Part[]): EyepieceView[] {
  const there = parts.filter(isThere);
  const eyepieces = there.filter((p): p is PartOf<'eyepiece'> => p.kind === 'eyepiece');
  const barlows = there.flatMap((p) => (p.kind === 'corrector' && p.factor >= LEAST_BARLOW ? [p] : []));
  return eyepieces
    .flatMap((eyepiece) =>
      [null, ...barlows].map((barlow): EyepieceView => {
        const factor = barlow?.factor ?? 1;
        const optics = { apertureMm: tube.apertureMm, focalMm: tube.focalMm, eyepieceMm: eyepiece.focalMm };
        const view = visualView({ ...optics, barlow: factor });
        return {
          id: eyepiece.id,
          name: eyepiece.name,
          eyepieceMm: eyepiece.focalMm,
          barlow: barlow?.name ?? null,
          magnification: view.magnification,
          fieldDeg: trueFieldDeg({ focalMm: tube.focalMm * factor, eyepieceMm: eyepiece.focalMm }),
          exitPupilMm: view.exitPupilMm,
          overUseful: view.overUseful,
        };
      }),
    )
    .sort((a, b) => a.magnification - b.magnification);
}

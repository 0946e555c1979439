import { engravedStars, rimMarks } from '../../core/mount/plateEngraving.ts';
import type { Dial } from '../../core/records/part.ts';
import type { Plate } from './PlateDrawing.tsx';

/** A finder's record as the drawing of its plate wants it. Star marks stand on plates without numbers only.
 *  @param latDeg whose hemisphere the star marks are for.
 *  @param ringText what is written beside a ring. */
export function plateOfDial(
  dial: Dial | null,
  latDeg: number,
  ringText: (ring: Dial['rings'][number]) => string = () => '',
): Plate {
  if (!dial) return { marks: [], twelveOnTop: false, rings: [], spots: [] };
  const { numbering, topMark, direction, tickEvery, numberEvery, rings, patternHips, patternYear } = dial;
  const isPattern = numbering === 'pattern';
  return {
    marks: isPattern ? [] : rimMarks({ numbering, topMark, direction }, tickEvery, numberEvery),
    twelveOnTop: numbering === '12h',
    rings: rings.map((ring) => ({ arcmin: ring.arcmin, text: ringText(ring) })),
    spots: isPattern && patternYear !== null ? engravedStars(patternHips, patternYear, latDeg) : [],
  };
}

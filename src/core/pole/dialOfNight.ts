/** Where the leading star belongs on this finder's plate, and what the dial reads there: the one reading that bench and
 *  card show, with the cross' offset and the plate's tilt taken into it. */
import { dialReading, viewAngleDeg, type Engraving } from '../mount/dial.ts';
import type { PlatePoint, PlatePolar } from '../mount/finderPlate.ts';
import { correctedPlace } from '../mount/halfTurn.ts';
import type { Dial } from '../records/part.ts';
import type { NightRecords } from '../history/nightRecords.ts';
import { mountOf } from '../rig/rigState.ts';
import { dialCorrection, plateOfFinder } from './plateOfFinder.ts';

export type DialPlace = {
  /** On the plate, seen from the cross. */
  belongs: PlatePolar;
  /** In the dial's own numbers; null for a pattern of stars and without a finder. */
  reading: number | null;
  /** What the reading was corrected by; null = nothing worth it. */
  crossOffset: PlatePoint | null;
};

/** The numbers of a finder's dial; null where it has none. */
export function engravingOf(finder: Dial | null): Engraving | null {
  if (!finder || finder.numbering === 'pattern') return null;
  return { numbering: finder.numbering, topMark: finder.topMark, direction: finder.direction, view: finder.view };
}

/** @param star hour angle and distance from the pole as they are at the moment. */
export function dialPlace(records: NightRecords, star: { haH: number; polarDistanceArcmin: number }): DialPlace {
  const { latDeg } = records.site;
  const finder = mountOf(records)?.finder ?? null;
  const angleDeg = viewAngleDeg(star.haH, latDeg, finder?.view ?? 'upright');
  const place = { angleDeg, distanceArcmin: star.polarDistanceArcmin };
  if (!finder) return { belongs: place, reading: null, crossOffset: null };
  const crossOffset = dialCorrection(plateOfFinder(records));
  const belongs = crossOffset ? correctedPlace(place, crossOffset) : place;
  const engraving = engravingOf(finder);
  // The place on the plate carries the cross' offset; read back as an hour angle it goes through the same engraving.
  const shiftDeg = belongs.angleDeg - angleDeg;
  const reading = engraving && dialReading(star.haH, latDeg, engraving, finder.plateTurnDeg - shiftDeg).reading;
  return { belongs, reading, crossOffset };
}

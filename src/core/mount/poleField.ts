/** The stars that a polar finder really shows around the pole.
 *  Source: directions of date about the pole, plane within a finder's field. */
import { wrap12 } from '../math/angles.ts';
import { viewAngleDeg } from './dial.ts';
import { toPlate, type PlatePoint } from './finderPlate.ts';
import { apparentPlaces, type Equatorial } from '../sky/ephemeris.ts';
import { polarDistanceArcmin } from '../sky/poleStars.ts';
import type { TableStar } from '../sky/starTable.ts';

export type CapStar = { ofDate: Equatorial; magnitude: number };
export type FieldStar = PlatePoint & { magnitude: number };

/** Stars of the cap on the site's side of the equator, of date. */
export function capOfDate(stars: readonly TableStar[], utcMs: number, latDeg: number): CapStar[] {
  const own = stars.filter((s) => s.decJ2000Deg < 0 === latDeg < 0);
  const places = apparentPlaces(own, utcMs);
  return own.flatMap(({ magnitude }, i) => {
    const ofDate = places[i];
    return ofDate ? [{ ofDate, magnitude }] : [];
  });
}

/** Where they stand in the finder's view about the pole, arcmin. */
export function poleField(
  cap: readonly CapStar[],
  { siderealH, latDeg, view }: { siderealH: number; latDeg: number; view: 'upright' | 'inverted' },
  { radiusArcmin, faintestMag }: { radiusArcmin: number; faintestMag: number },
): FieldStar[] {
  return cap.flatMap(({ ofDate, magnitude }) => {
    const distanceArcmin = polarDistanceArcmin(ofDate);
    if (magnitude > faintestMag || distanceArcmin > radiusArcmin) return [];
    const angleDeg = viewAngleDeg(wrap12(siderealH - ofDate.raDeg / 15), latDeg, view);
    return [{ ...toPlate({ angleDeg, distanceArcmin }), magnitude }];
  });
}

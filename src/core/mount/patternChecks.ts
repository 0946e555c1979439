/** What tells the stars around a pole from other groups of the same shape: the sides of the figure, and each star's
 *  brightest neighbour.
 *  Source: angles between directions. */
import { plus, times, toPlate, toPolar, type PlatePoint } from './finderPlate.ts';
import type { FieldStar } from './poleField.ts';

type Named = { name: string; viewAngleDeg: number; distanceArcmin: number };
export type Side = { from: string; to: string; lengthDeg: number };
export type Neighbour = { of: string; magnitude: number; distanceArcmin: number; viewAngleDeg: number };

const place = (s: Named): PlatePoint => toPlate({ angleDeg: s.viewAngleDeg, distanceArcmin: s.distanceArcmin });

/** The figure's sides in the order of the stars, closed. Flat: true to a percent within 5 degrees of the pole. */
export function sidesOf(stars: readonly Named[]): Side[] {
  return stars.map((star, i) => {
    const next = stars[(i + 1) % stars.length] ?? star;
    const { distanceArcmin } = toPolar(plus(place(next), times(place(star), -1)));
    return { from: star.name, to: next.name, lengthDeg: distanceArcmin / 60 };
  });
}

/** A neighbour nearer than this is the star itself; farther ones are no neighbours. */
const NEAREST_ARCMIN = 3;
const FARTHEST_ARCMIN = 75;

/** The brightest star beside each one that is not of the figure itself. */
export function neighboursOf(stars: readonly Named[], field: readonly FieldStar[]): Neighbour[] {
  const own = stars.map(place);
  const others = field.filter((f) => own.every((p) => toPolar(plus(f, times(p, -1))).distanceArcmin > NEAREST_ARCMIN));
  return stars.flatMap((star): Neighbour[] => {
    const near = others
      .map((f) => ({ ...toPolar(plus(f, times(place(star), -1))), magnitude: f.magnitude }))
      .filter((f) => f.distanceArcmin <= FARTHEST_ARCMIN)
      .sort((a, b) => a.magnitude - b.magnitude)[0];
    if (!near) return [];
    const { magnitude, distanceArcmin, angleDeg } = near;
    return [{ of: star.name, magnitude, distanceArcmin, viewAngleDeg: angleDeg }];
  });
}

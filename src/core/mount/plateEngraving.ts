/** A polar finder's engraving as a drawing wants it: marks about the rim, rings, and the places of engraved stars. */
import { DEG_PER_RAD, RAD_PER_DEG, wrap360 } from '../math/angles.ts';
import { apparentPlace } from '../sky/ephemeris.ts';
import { NORTH_PATTERN, polarDistanceArcmin, SOUTH_PATTERN, type PoleStar } from '../sky/poleStars.ts';
import { FULL_TURN, viewAngleOf, type Engraving } from './dial.ts';

export type RimMark = { angleDeg: number; number: number | null };

const SMALLEST_SHARE = 1 / 720;

/** Marks clockwise from the top of the view with the plate upright; numbered ones carry their number.
 *  @param tickEvery @param numberEvery in the dial's units; null = none. */
export function rimMarks(
  engraving: Pick<Engraving, 'numbering' | 'topMark' | 'direction'>,
  tickEvery: number | null,
  numberEvery: number | null,
): RimMark[] {
  const full = FULL_TURN[engraving.numbering];
  const marks = new Map<number, RimMark>();
  for (const [every, isNumbered] of [
    [tickEvery, false],
    [numberEvery, true],
  ] as const) {
    if (every === null || every < full * SMALLEST_SHARE) continue;
    for (let i = 0; i * every < full - 1e-9; i += 1) {
      const number = Number((i * every).toFixed(6));
      marks.set(number, { angleDeg: viewAngleOf(number, engraving), number: isNumbered ? number : null });
    }
  }
  return [...marks.values()];
}

export type EngravedStar = { hip: number; name: string; angleDeg: number; distanceArcmin: number };

/** Where engraved stars stand on the plate, against the first of them at the top: angles clockwise in an upright view.
 *  Stars turn the other way about the southern pole.
 *  @param year for whose middle the plate was made. */
export function engravedStars(hips: readonly number[], year: number, latDeg: number): EngravedStar[] {
  const pattern = latDeg < 0 ? SOUTH_PATTERN : NORTH_PATTERN;
  const marked = pattern.filter((s) => hips.includes(s.hip));
  const utcMs = Date.UTC(year, 6, 1);
  const first = marked[0];
  if (!first) return [];
  const firstRa = apparentPlace(first, utcMs).raDeg;
  return marked.map((star: PoleStar) => {
    const ofDate = apparentPlace(star, utcMs);
    // Facing the northern pole a later star follows counter-clockwise turning stars, so it stands clockwise of them.
    const sense = latDeg < 0 ? -1 : 1;
    return {
      hip: star.hip,
      name: star.name,
      angleDeg: wrap360(sense * (ofDate.raDeg - firstRa)),
      distanceArcmin: polarDistanceArcmin(ofDate),
    };
  });
}

/** How far a plate is turned so that its engraved stars lie as the sky does now: the turn that leaves the least distance
 *  in all. Near the pole precession turns a star's direction fast, so that the outer stars count more.
 *  @param viewAngleOfStar where each engraved star stands now, by name; null = not in the view. */
export function patternTurnDeg(
  spots: readonly EngravedStar[],
  viewAngleOfStar: (name: string) => number | null,
): number {
  let [x, y] = [0, 0];
  for (const spot of spots) {
    const now = viewAngleOfStar(spot.name);
    if (now === null) continue;
    const turn = (now - spot.angleDeg) * RAD_PER_DEG;
    x += spot.distanceArcmin ** 2 * Math.cos(turn);
    y += spot.distanceArcmin ** 2 * Math.sin(turn);
  }
  return wrap360(Math.atan2(y, x) * DEG_PER_RAD);
}

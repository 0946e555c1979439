/** Pointing without a computer: from a bright star to the target by the mount's two circles. */
import { RAD_PER_DEG, wrap12 } from '../../../math/angles.ts';
import { BRIGHT_STARS, type BrightStar } from '../../../sky/brightStars.ts';
import { apparentPlaces, type Equatorial } from '../../../sky/ephemeris.ts';
import { altAzAt, hourAngleH, separationDeg } from '../../../sky/horizontal.ts';
import type { NightStatic } from '../../nightStatic.ts';

/** Stars that nobody mistakes. */
const FAINTEST_MAG = 3;
const FARTHEST_DEG = 30;
const LOWEST_ALT_DEG = 15;
/** What most circles are divided into: minutes of right ascension, degrees of declination. */
export const CIRCLE_DIVISIONS = { raMin: 5, decDeg: 2 } as const;
const DEG_PER_HOUR = 15;

export type CircleHop = {
  star: BrightStar;
  starOfDate: Equatorial;
  targetOfDate: Equatorial;
  apartDeg: number;
  /** + = westward, the way the sky turns; in hours of right ascension. */
  turnWestH: number;
  /** + = north. */
  turnNorthDeg: number;
  /** Half a division of each circle, together; the polar error comes on top. */
  missDeg: number;
};

/** Half a division in right ascension shrinks on the sky with the declination. */
function missOf(decDeg: number): number {
  const raDeg = ((CIRCLE_DIVISIONS.raMin / 60) * DEG_PER_HOUR * Math.cos(decDeg * RAD_PER_DEG)) / 2;
  return Math.hypot(raDeg, CIRCLE_DIVISIONS.decDeg / 2);
}

/** The nearest bright star that stands up, within 30 degrees and on the target's own side of the meridian: crossing it would
 *  turn the tube over. Null without a target, or where there is none. */
export function circleHop({ records: { site }, targetSky }: NightStatic, timeMs: number): CircleHop | null {
  if (!targetSky) return null;
  const { ofDate: target } = targetSky;
  const targetHaH = hourAngleH(timeMs, site.lonDeg, target.raDeg);
  const bright = BRIGHT_STARS.filter((star) => star.magnitude <= FAINTEST_MAG);
  const places = apparentPlaces(bright, timeMs);
  const near = bright.flatMap((star, i): CircleHop[] => {
    const starOfDate = places[i];
    if (!starOfDate) return [];
    const apartDeg = separationDeg(starOfDate, target);
    const sameSide = Math.sign(hourAngleH(timeMs, site.lonDeg, starOfDate.raDeg)) === Math.sign(targetHaH);
    const up = altAzAt(timeMs, site, starOfDate).altDeg >= LOWEST_ALT_DEG;
    if (!sameSide || !up || apartDeg > FARTHEST_DEG) return [];
    return [
      {
        star,
        starOfDate,
        targetOfDate: target,
        apartDeg,
        turnWestH: wrap12((starOfDate.raDeg - target.raDeg) / DEG_PER_HOUR),
        turnNorthDeg: target.decDeg - starOfDate.decDeg,
        missDeg: missOf(target.decDeg),
      },
    ];
  });
  return near.sort((a, b) => a.apartDeg - b.apartDeg)[0] ?? null;
}

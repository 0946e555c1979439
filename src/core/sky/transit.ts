/** Upper transit, rise and set of a fixed target.
 *  Source: hour angle = sidereal time - right ascension (Meeus, Astronomical Algorithms, 1998, ch. 15). */
import { wrap12, wrap24 } from '../math/angles.ts';
import { MS_PER_HOUR, SOLAR_PER_SIDEREAL } from '../time/utc.ts';
import { apparentPlace, localSiderealHours, type CatalogueStar, type Equatorial } from './ephemeris.ts';
import { toHorizontal } from './horizontal.ts';

export type Transit = {
  transitMs: number;
  ofDate: Equatorial;
  altDeg: number;
  /** Which way the tube points at the meridian: north or south of the zenith. */
  side: 'N' | 'S';
  neverRises: boolean;
  circumpolar: boolean;
};

/** The instant of hour angle 0 nearest to a guess. */
function refineTransit(guessMs: number, lonDeg: number, star: CatalogueStar): number {
  let timeMs = guessMs;
  for (let step = 0; step < 3; step += 1) {
    const ha = wrap12(localSiderealHours(timeMs, lonDeg) - apparentPlace(star, timeMs).raDeg / 15);
    timeMs -= ha * SOLAR_PER_SIDEREAL * MS_PER_HOUR;
  }
  return timeMs;
}

/** First upper transit at or after an instant. "Never rises" and "circumpolar" by unrefracted altitude at the
 *  meridian, above and below the pole. */
export function nextTransit(afterMs: number, place: { latDeg: number; lonDeg: number }, star: CatalogueStar): Transit {
  const haAtStart = localSiderealHours(afterMs, place.lonDeg) - apparentPlace(star, afterMs).raDeg / 15;
  const aheadH = wrap24(-haAtStart);
  let transitMs = refineTransit(afterMs + aheadH * SOLAR_PER_SIDEREAL * MS_PER_HOUR, place.lonDeg, star);
  if (transitMs < afterMs - 50)
    transitMs = refineTransit(transitMs + 24 * SOLAR_PER_SIDEREAL * MS_PER_HOUR, place.lonDeg, star);
  const ofDate = apparentPlace(star, transitMs);
  const altDeg = toHorizontal(0, ofDate.decDeg, place.latDeg).altDeg;
  return {
    transitMs,
    ofDate,
    altDeg,
    side: ofDate.decDeg > place.latDeg ? 'N' : 'S',
    neverRises: altDeg < 0,
    circumpolar: toHorizontal(12, ofDate.decDeg, place.latDeg).altDeg > 0,
  };
}

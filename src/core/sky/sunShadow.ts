/** True bearings from the shadow of a plumb line. Nobody looks at the sun for it.
 *  Source: the sun's azimuth (Meeus, Astronomical Algorithms, 1998, ch. 13); the shadow lies opposite. */
import { wrap12, wrap180, wrap360 } from '../math/angles.ts';
import { MS_PER_DAY, MS_PER_HOUR } from '../time/utc.ts';
import { poleBearingDeg } from './bearing.ts';
import { localSiderealHours, sunOfDate, type Place } from './ephemeris.ts';
import { altAzAt } from './horizontal.ts';

/** Lower than this the shadow is too long and too pale. */
const LOWEST_DEG = 3;
/** Higher than this a finger's width of the short shadow is degrees. */
const HIGHEST_DEG = 70;

export type SunShadow = {
  sunAltDeg: number;
  sunAzDeg: number;
  /** Where the shadow points, true. */
  shadowAzDeg: number;
  /** From the shadow's direction to the pole's bearing, + = clockwise, to the right. */
  toPoleDeg: number;
  /** `none`: the sun is down or too low. `short`: it stands too high for a good line. */
  use: 'good' | 'short' | 'none';
};

/** The shadow at an instant, without refraction (it does not change azimuths). A degree of azimuth passes in 4 minutes or
 *  less, so it must be read by the minute. */
export function sunShadow(utcMs: number, place: Place): SunShadow {
  const { altDeg, azDeg } = altAzAt(utcMs, place, sunOfDate(utcMs, place));
  const shadowAzDeg = wrap360(azDeg + 180);
  return {
    sunAltDeg: altDeg,
    sunAzDeg: azDeg,
    shadowAzDeg,
    toPoleDeg: wrap180(poleBearingDeg(place.latDeg) - shadowAzDeg),
    use: altDeg < LOWEST_DEG ? 'none' : altDeg > HIGHEST_DEG ? 'short' : 'good',
  };
}

/** The next instant at which the sun crosses the upper meridian: the shadow then points along the meridian. */
export function sunOnMeridianMs(afterMs: number, place: Place): number {
  const haH = (timeMs: number): number =>
    wrap12(localSiderealHours(timeMs, place.lonDeg) - sunOfDate(timeMs, place).raDeg / 15);
  // The sun's hour angle grows by one hour an hour, to a minute a day.
  const settled = (guessMs: number): number => {
    let timeMs = guessMs;
    for (let i = 0; i < 4; i += 1) timeMs -= haH(timeMs) * MS_PER_HOUR;
    return timeMs;
  };
  const found = settled(afterMs);
  return found >= afterMs ? found : settled(found + MS_PER_DAY);
}

/** True bearing of the axis when it lies an angle clockwise of the shadow. */
export function bearingFromShadowDeg(shadowAzDeg: number, clockwiseDeg: number): number {
  return wrap360(shadowAzDeg + clockwiseDeg);
}

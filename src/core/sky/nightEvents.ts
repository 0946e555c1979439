/** Sun and moon over the 24 hours of one night: dusk, dawn, rise, set. Altitudes are of the disc's centre, without
 *  refraction; sunset and rise stand at -50 arcmin.
 *  Source: limits of the Astronomical Almanac (-6, -12, -18 degrees); places by the ephemeris library. */
import { findCrossings, type Crossing } from '../math/crossings.ts';
import { MS_PER_DAY } from '../time/utc.ts';
import { moonIlluminatedFraction, moonOfDate, sunOfDate, type Place } from './ephemeris.ts';
import { altAzAt } from './horizontal.ts';

export type TwilightName = 'sunset' | 'civil' | 'nautical' | 'astronomical';
export const SUN_LIMIT_DEG: Record<TwilightName, number> = {
  sunset: -0.8333,
  civil: -6,
  nautical: -12,
  astronomical: -18,
};
const MOON_LIMIT_DEG = -0.8333;

/** Dusk and dawn of one kind; null when the sun does not pass the limit within the 24 hours. */
export type Twilight = { duskMs: number | null; dawnMs: number | null };

export type NightEvents = {
  startMs: number;
  endMs: number;
  twilight: Record<TwilightName, Twilight>;
  moonRiseMs: number | null;
  moonSetMs: number | null;
  moonIlluminatedFraction: number;
  /** Lowest and highest sun of the 24 hours, degrees: tells polar day from polar night. */
  sunLowestDeg: number;
  sunHighestDeg: number;
};

export function sunAltDeg(utcMs: number, place: Place): number {
  return altAzAt(utcMs, place, sunOfDate(utcMs, place)).altDeg;
}

export function moonAltDeg(utcMs: number, place: Place): number {
  return altAzAt(utcMs, place, moonOfDate(utcMs, place)).altDeg;
}

/** First dusk in the window, and the first dawn after it (or the first dawn when there is no dusk). */
function duskAndDawn(crossings: readonly Crossing[]): Twilight {
  const dusk = crossings.find((c) => c.direction === 'down') ?? null;
  const dawn = crossings.find((c) => c.direction === 'up' && (dusk === null || c.timeMs > dusk.timeMs)) ?? null;
  return { duskMs: dusk?.timeMs ?? null, dawnMs: dawn?.timeMs ?? null };
}

function first(crossings: readonly Crossing[], direction: 'up' | 'down'): number | null {
  return crossings.find((c) => c.direction === direction)?.timeMs ?? null;
}

/** Remembers the values of an expensive curve, because every twilight limit samples the same instants. */
function memoised(curve: (timeMs: number) => number): (timeMs: number) => number {
  const known = new Map<number, number>();
  return (timeMs) => {
    const found = known.get(timeMs);
    if (found !== undefined) return found;
    const value = curve(timeMs);
    known.set(timeMs, value);
    return value;
  };
}

/** Events in [startMs, startMs + 24 h); start at local noon of the evening. */
export function nightEvents(startMs: number, place: Place): NightEvents {
  const endMs = startMs + MS_PER_DAY;
  const stepMs = 1_200_000;
  const sun = memoised((timeMs) => sunAltDeg(timeMs, place));
  const moon = memoised((timeMs) => moonAltDeg(timeMs, place));
  const sunCrossings = (limit: number) => duskAndDawn(findCrossings(sun, startMs, endMs, limit, stepMs));
  const moonCrossings = findCrossings(moon, startMs, endMs, MOON_LIMIT_DEG, stepMs);
  const samples = Array.from({ length: MS_PER_DAY / stepMs + 1 }, (_, i) => sun(startMs + i * stepMs));
  return {
    startMs,
    endMs,
    twilight: {
      sunset: sunCrossings(SUN_LIMIT_DEG.sunset),
      civil: sunCrossings(SUN_LIMIT_DEG.civil),
      nautical: sunCrossings(SUN_LIMIT_DEG.nautical),
      astronomical: sunCrossings(SUN_LIMIT_DEG.astronomical),
    },
    moonRiseMs: first(moonCrossings, 'up'),
    moonSetMs: first(moonCrossings, 'down'),
    moonIlluminatedFraction: moonIlluminatedFraction(startMs + MS_PER_DAY / 2),
    sunLowestDeg: Math.min(...samples),
    sunHighestDeg: Math.max(...samples),
  };
}

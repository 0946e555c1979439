/** The only module that talks to the ephemeris library (sun, moon, sidereal time, precession, nutation).
 *  Frames: J2000 = the catalogue's frame (taken as ICRS; the frame bias of 0.02 arcsec is left out); "of date" = true
 *  equator and equinox of the instant. UT1 = UTC is taken; TT - UTC = 69.184 s, constant since 2017. */
import {
  BaryState,
  Body,
  Equator,
  Illumination,
  Observer,
  Rotation_EQJ_EQD,
  SetDeltaTFunction,
  SiderealTime,
} from 'astronomy-engine';
import { DEG_PER_RAD, RAD_PER_DEG, wrap24, wrap360 } from '../math/angles.ts';
import { add, fromSpherical, normalize, scale, toSpherical, type Vec3 } from '../math/vectors.ts';
import { MS_PER_DAY } from '../time/utc.ts';

const TT_MINUS_UTC_S = 69.184;
SetDeltaTFunction(() => TT_MINUS_UTC_S);

const LIGHT_AU_PER_DAY = 173.1446326846693;
const J2000_MS = Date.UTC(2000, 0, 1, 12);
const DAYS_PER_JULIAN_YEAR = 365.25;
const MAS_PER_DEG = 3_600_000;

export type Place = { latDeg: number; lonDeg: number; elevationM: number };
export type Equatorial = { raDeg: number; decDeg: number };
export type CatalogueStar = {
  raJ2000Deg: number;
  decJ2000Deg: number;
  pmRaCosDecMasPerYr?: number;
  pmDecMasPerYr?: number;
};

/** Local apparent sidereal time, hours in [0, 24); longitude east-positive. */
export function localSiderealHours(utcMs: number, lonDeg: number): number {
  return wrap24(SiderealTime(new Date(utcMs)) + lonDeg / 15);
}

/** J2000 unit vector with proper motion carried to the date (straight-line motion on the tangent plane). */
function meanDirection(star: CatalogueStar, utcMs: number): Vec3 {
  const years = (utcMs - J2000_MS) / MS_PER_DAY / DAYS_PER_JULIAN_YEAR;
  const ra = star.raJ2000Deg * RAD_PER_DEG;
  const dec = star.decJ2000Deg * RAD_PER_DEG;
  const east: Vec3 = [-Math.sin(ra), Math.cos(ra), 0];
  const north: Vec3 = [-Math.sin(dec) * Math.cos(ra), -Math.sin(dec) * Math.sin(ra), Math.cos(dec)];
  const eastRad = ((star.pmRaCosDecMasPerYr ?? 0) / MAS_PER_DEG) * years * RAD_PER_DEG;
  const northRad = ((star.pmDecMasPerYr ?? 0) / MAS_PER_DEG) * years * RAD_PER_DEG;
  return normalize(add(fromSpherical(ra, dec), add(scale(east, eastRad), scale(north, northRad))));
}

/** Places of date at one instant: a function, because velocity and rotation are the same for all stars. */
function placeOfDate(utcMs: number): (star: CatalogueStar) => Equatorial {
  const date = new Date(utcMs);
  const earth = BaryState(Body.Earth, date);
  const velocity: Vec3 = [earth.vx, earth.vy, earth.vz];
  const { rot } = Rotation_EQJ_EQD(date);
  return (star) => {
    const seen = normalize(add(meanDirection(star, utcMs), scale(velocity, 1 / LIGHT_AU_PER_DAY)));
    const ofDate = [0, 1, 2].map((row) =>
      seen.reduce((sum, component, column) => sum + component * (rot[column]?.[row] ?? 0), 0),
    );
    const [ra, dec] = toSpherical([ofDate[0] ?? 0, ofDate[1] ?? 0, ofDate[2] ?? 0]);
    return { raDeg: wrap360(ra * DEG_PER_RAD), decDeg: dec * DEG_PER_RAD };
  };
}

/** Geocentric apparent place of date of a star: proper motion, annual aberration (first order in v/c), precession and
 *  nutation. Left out, each under 0.02 arcsec away from the sun: light deflection, parallax.
 *  Polaris, 2026-12-30: 89.38196 deg, 37.08 arcmin from the pole. */
export function apparentPlace(star: CatalogueStar, utcMs: number): Equatorial {
  return placeOfDate(utcMs)(star);
}

/** The same for a whole table. */
export function apparentPlaces(stars: readonly CatalogueStar[], utcMs: number): Equatorial[] {
  return stars.map(placeOfDate(utcMs));
}

function topocentric(body: Body, utcMs: number, place: Place): Equatorial {
  const observer = new Observer(place.latDeg, place.lonDeg, place.elevationM);
  const found = Equator(body, new Date(utcMs), observer, true, true);
  return { raDeg: found.ra * 15, decDeg: found.dec };
}

/** Sun's centre of date as seen from the place (parallax included), degrees. */
export function sunOfDate(utcMs: number, place: Place): Equatorial {
  return topocentric(Body.Sun, utcMs, place);
}

/** Moon's centre of date as seen from the place (parallax included), degrees. */
export function moonOfDate(utcMs: number, place: Place): Equatorial {
  return topocentric(Body.Moon, utcMs, place);
}

/** Lit share of the moon's disc, 0 to 1, seen from the centre of the Earth. */
export function moonIlluminatedFraction(utcMs: number): number {
  return Illumination(Body.Moon, new Date(utcMs)).phase_fraction;
}

/** Angle at the moon between sun and Earth: 0 at full moon, 180 at new moon, degrees. */
export function moonPhaseAngleDeg(utcMs: number): number {
  return Illumination(Body.Moon, new Date(utcMs)).phase_angle;
}

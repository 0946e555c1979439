/** Adapters of the sky topics. */
import { wrap24, wrap360 } from '../../src/core/math/angles.ts';
import { driftRates, polarDrift } from '../../src/core/mount/polarDrift.ts';
import { dialReading } from '../../src/core/mount/dial.ts';
import {
  apparentPlace,
  localSiderealHours,
  moonOfDate,
  type CatalogueStar,
  type Place,
} from '../../src/core/sky/ephemeris.ts';
import { fieldRotationDeg, fieldRotationRateArcsecPerS } from '../../src/core/sky/fieldRotation.ts';
import {
  altAzAt,
  hourAngleH,
  parallacticAngleDeg,
  separationDeg,
  toHorizontal,
} from '../../src/core/sky/horizontal.ts';
import { magneticField } from '../../src/core/sky/magnetic.ts';
import { moonAltDeg, nightEvents, sunAltDeg } from '../../src/core/sky/nightEvents.ts';
import { moonlight, USUAL_DARK_SKY_MAG, USUAL_EXTINCTION_MAG } from '../../src/core/sky/moonlight.ts';
import { polarDistanceArcmin } from '../../src/core/sky/poleStars.ts';
import { LOWEST_REFRACTED_ALT_DEG, apparentAltDeg } from '../../src/core/sky/refraction.ts';
import { nextTransit } from '../../src/core/sky/transit.ts';
import { toUtcText } from '../../src/core/time/utc.ts';
import { InputError, instant, num, text, type Adapter, type Json, type JsonObject } from './types.ts';

function place(input: JsonObject): Place {
  return { latDeg: num(input, 'lat'), lonDeg: num(input, 'lon'), elevationM: num(input, 'elevation_m', 0) };
}

function star(input: JsonObject): CatalogueStar {
  return {
    raJ2000Deg: num(input, 'ra_j2000_deg'),
    decJ2000Deg: num(input, 'dec_j2000_deg'),
    pmRaCosDecMasPerYr: num(input, 'pm_ra_cosdec_mas_yr', 0),
    pmDecMasPerYr: num(input, 'pm_dec_mas_yr', 0),
  };
}

function seenFrom(input: JsonObject) {
  const utcMs = instant(input, 'utc');
  const site = place(input);
  const ofDate = apparentPlace(star(input), utcMs);
  const lastH = localSiderealHours(utcMs, site.lonDeg);
  const { altDeg, azDeg } = altAzAt(utcMs, site, ofDate);
  return {
    site,
    ofDate,
    lastH,
    haH: wrap24(lastH - ofDate.raDeg / 15),
    altDeg,
    azDeg,
    refractedAltDeg: altDeg < LOWEST_REFRACTED_ALT_DEG ? null : apparentAltDeg(altDeg),
  };
}

export const poleStars: Adapter = (input) => {
  const seen = seenFrom(input);
  const dial = dialReading(seen.haH, seen.site.latDeg, {
    numbering: '12h',
    topMark: 0,
    direction: 'clockwise',
    view: 'inverted',
  });
  return {
    out: {
      ra_app_deg: seen.ofDate.raDeg,
      dec_app_deg: seen.ofDate.decDeg,
      polar_distance_arcmin: polarDistanceArcmin(seen.ofDate),
      last_hours: seen.lastH,
      hour_angle_hours: seen.haH,
      alt_deg: seen.altDeg,
      az_deg: seen.azDeg,
      refracted_alt_deg: seen.refractedAltDeg,
      cw_from_top_direct_deg: dial.uprightAngleDeg,
      cw_from_top_inverted_deg: dial.viewAngleDeg,
      dial12_inverted: dial.reading,
      dial24: seen.haH,
    },
  };
};

export const altaz: Adapter = (input) => {
  const seen = seenFrom(input);
  return {
    out: {
      alt_deg: seen.altDeg,
      az_deg: seen.azDeg,
      refracted_alt_deg: seen.refractedAltDeg,
      ra_app_deg: seen.ofDate.raDeg,
      dec_app_deg: seen.ofDate.decDeg,
      ha_hours: seen.haH,
    },
  };
};

export const transits: Adapter = (input) => {
  const site = place(input);
  const target = star(input);
  const transit = nextTransit(instant(input, 'utc_after'), site, target);
  const times = Array.isArray(input['times']) ? input['times'] : [];
  const at = times.map((time): Json => {
    const utcMs = typeof time === 'string' ? Date.parse(time) : Number.NaN;
    if (Number.isNaN(utcMs)) throw new InputError('times must hold ISO 8601 instants');
    const ofDate = apparentPlace(target, utcMs);
    const { altDeg, azDeg } = altAzAt(utcMs, site, ofDate);
    return { ha_hours: hourAngleH(utcMs, site.lonDeg, ofDate.raDeg), alt_deg: altDeg, az_deg: azDeg };
  });
  return {
    out: {
      transit_utc: toUtcText(transit.transitMs),
      transit_alt_deg: transit.altDeg,
      transit_side: transit.side,
      never_rises: transit.neverRises,
      circumpolar: transit.circumpolar,
      ra_app_deg: transit.ofDate.raDeg,
      dec_app_deg: transit.ofDate.decDeg,
      at,
    },
  };
};

const timeOrNull = (utcMs: number | null): string | null =>
  utcMs === null ? null : toUtcText(Math.round(utcMs / 1000) * 1000);

export const nights: Adapter = (input) => {
  const site = place(input);
  const events = nightEvents(instant(input, 'start_utc'), site);
  const midnightMs = instant(input, 'midnight_utc');
  const target = apparentPlace(star(input), midnightMs);
  const { sunset, civil, nautical, astronomical } = events.twilight;
  return {
    out: {
      sunset: timeOrNull(sunset.duskMs),
      sunrise: timeOrNull(sunset.dawnMs),
      civil_dusk: timeOrNull(civil.duskMs),
      civil_dawn: timeOrNull(civil.dawnMs),
      nautical_dusk: timeOrNull(nautical.duskMs),
      nautical_dawn: timeOrNull(nautical.dawnMs),
      astronomical_dusk: timeOrNull(astronomical.duskMs),
      astronomical_dawn: timeOrNull(astronomical.dawnMs),
      moonrise: timeOrNull(events.moonRiseMs),
      moonset: timeOrNull(events.moonSetMs),
      moon_illumination: events.moonIlluminatedFraction,
      moon_target_sep_deg: separationDeg(moonOfDate(midnightMs, site), target),
      moon_alt_deg: moonAltDeg(midnightMs, site),
      sun_alt_deg: sunAltDeg(midnightMs, site),
    },
  };
};

export const magnetic: Adapter = (input) => {
  const utcMs = Date.parse(`${text(input, 'date')}T00:00:00Z`);
  if (Number.isNaN(utcMs)) throw new InputError('date must be YYYY-MM-DD');
  const field = magneticField(utcMs, num(input, 'lat'), num(input, 'lon'), num(input, 'height_km', 0) * 1000);
  return {
    out: {
      declination_deg: field.declinationDeg,
      inclination_deg: field.inclinationDeg,
      h_nT: field.horizontalNt,
      f_nT: field.totalNt,
    },
  };
};

export const fieldRotation: Adapter = (input) => {
  const [latDeg, decDeg] = [num(input, 'lat'), num(input, 'dec_deg')];
  const [startH, endH] = [num(input, 'ha_start_hours'), num(input, 'ha_end_hours')];
  const places = [startH, (startH + endH) / 2, endH].map((haH) => toHorizontal(haH, decDeg, latDeg));
  const rates = places.map((p) => fieldRotationRateArcsecPerS(latDeg, p.altDeg, p.azDeg));
  return {
    out: {
      parallactic_start_deg: parallacticAngleDeg(startH, decDeg, latDeg),
      parallactic_end_deg: parallacticAngleDeg(endH, decDeg, latDeg),
      rotation_deg: fieldRotationDeg(latDeg, decDeg, startH, endH),
      rate_start_arcsec_per_s: rates[0] ?? null,
      rate_mid_arcsec_per_s: rates[1] ?? null,
      rate_end_arcsec_per_s: rates[2] ?? null,
      alt_deg: places.map((p) => p.altDeg),
      az_deg: places.map((p) => wrap360(p.azDeg)),
    },
  };
};

export const polarError: Adapter = (input) => {
  const error = { altErrorArcmin: num(input, 'alt_err_arcmin'), azErrorArcmin: num(input, 'az_err_arcmin') };
  const [latDeg, decDeg, haH] = [num(input, 'lat'), num(input, 'dec_deg'), num(input, 'ha_start_hours')];
  const drift = polarDrift(error, latDeg, decDeg, haH, num(input, 'exposure_min') * 60);
  return {
    out: {
      drift_dec_arcsec: drift.decArcsec,
      drift_ra_arcsec: drift.raArcsec,
      field_rotation_arcsec: drift.rotationArcsec,
      field_rotation_guided_arcsec: drift.rotationGuidedArcsec,
      dec_drift_rate_start_arcsec_per_min: driftRates(error, latDeg, decDeg, haH).decPerMin,
    },
  };
};

export const moonlightTopic: Adapter = (input) => {
  const found = moonlight({
    moonPhaseAngleDeg: num(input, 'moonPhaseAngleDeg'),
    moonAltDeg: 90 - num(input, 'moonZenithDeg'),
    targetAltDeg: 90 - num(input, 'targetZenithDeg'),
    separationDeg: num(input, 'separationDeg'),
    extinctionMagPerAirmass: num(input, 'extinctionMagPerAirmass', USUAL_EXTINCTION_MAG),
    darkSkyMagArcsec2: num(input, 'darkSkyMagArcsec2', USUAL_DARK_SKY_MAG),
  });
  return { out: { ...found } };
};

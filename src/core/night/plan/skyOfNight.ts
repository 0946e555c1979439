/** Everything about one night's sky that depends on place, date and target only; kept by record identity. */
import { oncePerKey } from '../../once.ts';
import type { Site, Target } from '../../records/site.ts';
import { apparentPlace, moonOfDate, type Equatorial } from '../../sky/ephemeris.ts';
import { altAzAt } from '../../sky/horizontal.ts';
import { nightEvents, type NightEvents } from '../../sky/nightEvents.ts';
import { polarDistanceArcmin, polePatternFor, poleStarFor, type PoleStar } from '../../sky/poleStars.ts';
import { nextTransit, type Transit } from '../../sky/transit.ts';
import { clockChange, localNoon } from '../../time/civil.ts';
import { MS_PER_DAY, MS_PER_HOUR } from '../../time/utc.ts';

export const TRACK_STEP_MS = 300_000;

/** Altitudes every five minutes from `fromMs` on. */
export type AltitudeTrack = { fromMs: number; stepMs: number; altDeg: readonly number[] };
export type PoleStarPlace = { star: PoleStar; ofDate: Equatorial; polarDistanceArcmin: number };

export type SiteNight = {
  events: NightEvents;
  /** What the ribbon shows: an hour before sunset to an hour after sunrise, or all 24 hours. */
  view: { fromMs: number; toMs: number };
  moonTrack: AltitudeTrack;
  clockChange: { utcMs: number; minutes: number } | null;
  poleStar: PoleStarPlace;
  polePattern: PoleStarPlace[];
  /** The Earth's field at the site, at the night's start. */
};

export type TargetNight = { ofDate: Equatorial; transit: Transit; track: AltitudeTrack };

function track(fromMs: number, toMs: number, altAt: (timeMs: number) => number): AltitudeTrack {
  const count = Math.floor((toMs - fromMs) / TRACK_STEP_MS) + 1;
  return {
    fromMs,
    stepMs: TRACK_STEP_MS,
    altDeg: Array.from({ length: count }, (_, i) => altAt(fromMs + i * TRACK_STEP_MS)),
  };
}

/** Altitude from a track, linear between its points. */
export function altFromTrack(t: AltitudeTrack, timeMs: number): number {
  const at = Math.min(t.altDeg.length - 1, Math.max(0, (timeMs - t.fromMs) / t.stepMs));
  const low = Math.floor(at);
  const [a = 0, b = a] = [t.altDeg[low], t.altDeg[low + 1]];
  return a + (at - low) * (b - a);
}

function placePoleStar(star: PoleStar, utcMs: number): PoleStarPlace {
  const ofDate = apparentPlace(star, utcMs);
  return { star, ofDate, polarDistanceArcmin: polarDistanceArcmin(ofDate) };
}

/** What the sky over a site depends on. */
export type SkyPlace = Pick<Site, 'latDeg' | 'lonDeg' | 'elevationM' | 'zoneIana'>;

function computeSiteNight(site: SkyPlace, date: string): SiteNight {
  const startMs = localNoon(date, site.zoneIana);
  const events = nightEvents(startMs, site);
  const { duskMs, dawnMs } = events.twilight.sunset;
  const view =
    duskMs === null || dawnMs === null
      ? { fromMs: startMs, toMs: startMs + MS_PER_DAY }
      : { fromMs: duskMs - MS_PER_HOUR, toMs: dawnMs + MS_PER_HOUR };
  const middleMs = startMs + MS_PER_DAY / 2;
  // The moon moves half a degree an hour: places half an hour apart, joined along the sky's turning, are ample here.
  const moonPlaces = Array.from({ length: 49 }, (_, i) => moonOfDate(startMs + i * 30 * 60_000, site));
  const moonAt = (timeMs: number): number =>
    altAzAt(
      timeMs,
      site,
      moonPlaces[Math.min(48, Math.max(0, Math.round((timeMs - startMs) / (30 * 60_000))))] ?? { raDeg: 0, decDeg: 0 },
    ).altDeg;
  return {
    events,
    view,
    moonTrack: track(view.fromMs, view.toMs, moonAt),
    clockChange: clockChange(startMs, events.endMs, site.zoneIana),
    poleStar: placePoleStar(poleStarFor(site.latDeg), middleMs),
    polePattern: polePatternFor(site.latDeg).map((star) => placePoleStar(star, middleMs)),
  };
}

export const siteNight = oncePerKey(computeSiteNight);

/** Transit and track of a target over the view of a night. */
export function targetNight(site: Site, target: Target, sky: SiteNight): TargetNight {
  const ofDate = apparentPlace(target, sky.events.startMs + MS_PER_DAY / 2);
  return {
    ofDate,
    transit: nextTransit(sky.events.startMs, site, target),
    track: track(sky.view.fromMs, sky.view.toMs, (timeMs) => altAzAt(timeMs, site, ofDate).altDeg),
  };
}

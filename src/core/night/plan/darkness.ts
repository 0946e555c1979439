/** When it is dark, when the target is up, and what to say when one of them never happens. */
import { findCrossings } from '../../math/crossings.ts';
import type { Site } from '../../records/site.ts';
import type { Equatorial } from '../../sky/ephemeris.ts';
import { altAzAt } from '../../sky/horizontal.ts';
import { SUN_LIMIT_DEG, type NightEvents, type TwilightName } from '../../sky/nightEvents.ts';
import type { Span } from '../../time/span.ts';

/** Without a horizon line of the site, targets count as up above this altitude. */
export const DEFAULT_HORIZON_ALT_DEG = 15;

/** The dark part of the night: the chosen kind of darkness. Never dark: null. Dark all 24 hours: the whole window. */
export function darkSpan(events: NightEvents, kind: TwilightName): Span | null {
  const { duskMs, dawnMs } = events.twilight[kind];
  if (duskMs === null && dawnMs === null) {
    return events.sunHighestDeg < SUN_LIMIT_DEG[kind] ? { fromMs: events.startMs, toMs: events.endMs } : null;
  }
  // The sun may already be below the limit at local noon (deep polar night), or still be below it at the end.
  return { fromMs: duskMs ?? events.startMs, toMs: dawnMs ?? events.endMs };
}

/** While the stars show by which the pole is found: the northern one from the end of civil dusk, the southern pattern, of
 *  the fifth magnitude, from that of nautical dusk. Null where it never gets so dark. */
export function poleStarsShow(events: NightEvents, latDeg: number): Span | null {
  return darkSpan(events, latDeg < 0 ? 'nautical' : 'civil');
}

/** Altitude of the site's horizon at an azimuth: linear between its points, around through north. */
export function horizonAltDeg(site: Pick<Site, 'horizon'>, azDeg: number): number {
  const points = [...site.horizon].sort((a, b) => a.azDeg - b.azDeg);
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return DEFAULT_HORIZON_ALT_DEG;
  const around = [{ ...last, azDeg: last.azDeg - 360 }, ...points, { ...first, azDeg: first.azDeg + 360 }];
  const next = around.findIndex((p) => p.azDeg >= azDeg);
  const [a, b] = [around[Math.max(0, next - 1)] ?? first, around[next] ?? last];
  const share = b.azDeg === a.azDeg ? 0 : (azDeg - a.azDeg) / (b.azDeg - a.azDeg);
  return a.altDeg + share * (b.altDeg - a.altDeg);
}

/** Until somebody chooses: below it air and haze cost more than the minutes bring. */
export const LOWEST_IMAGING_ALT_DEG = 25;

export const lowestImagingAltDeg = ({ lowestAltDeg }: Pick<Site, 'lowestAltDeg'>): number =>
  lowestAltDeg ?? LOWEST_IMAGING_ALT_DEG;

/** Spans of [fromMs, toMs] in which the target stands above the site's horizon line, and above a lowest altitude. */
export function upSpans(
  site: Pick<Site, 'latDeg' | 'lonDeg' | 'elevationM' | 'horizon'>,
  ofDate: Equatorial,
  fromMs: number,
  toMs: number,
  lowestDeg = -90,
): Span[] {
  const above = (timeMs: number): number => {
    const { altDeg, azDeg } = altAzAt(timeMs, site, ofDate);
    return altDeg - Math.max(lowestDeg, horizonAltDeg(site, azDeg));
  };
  const crossings = findCrossings(above, fromMs, toMs, 0);
  const edges = [fromMs, ...crossings.map((c) => c.timeMs), toMs];
  return edges.slice(1).flatMap((end, i): Span[] => {
    const start = edges[i] ?? fromMs;
    return end > start && above((start + end) / 2) > 0 ? [{ fromMs: start, toMs: end }] : [];
  });
}

export function intersect(spans: readonly Span[], with_: Span): Span[] {
  return spans
    .map((s) => ({ fromMs: Math.max(s.fromMs, with_.fromMs), toMs: Math.min(s.toMs, with_.toMs) }))
    .filter((s) => s.toMs > s.fromMs);
}

/** The longest span, or null. */
export function longest(spans: readonly Span[]): Span | null {
  return spans.reduce<Span | null>(
    (best, s) => (best === null || s.toMs - s.fromMs > best.toMs - best.fromMs ? s : best),
    null,
  );
}

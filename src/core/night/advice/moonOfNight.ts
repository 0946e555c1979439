/** The moon in the hours of a target: when it is up, and what its light costs. */
import { oncePer } from '../../once.ts';
import { moonOfDate, moonPhaseAngleDeg } from '../../sky/ephemeris.ts';
import { altAzAt, separationDeg } from '../../sky/horizontal.ts';
import { exposureFactor, moonlight, USUAL_DARK_SKY_MAG, USUAL_EXTINCTION_MAG } from '../../sky/moonlight.ts';
import type { Span } from '../../time/span.ts';
import { MS_PER_HOUR, MS_PER_MINUTE } from '../../time/utc.ts';
import type { NightStatic } from '../nightStatic.ts';
import { altFromTrack } from '../plan/skyOfNight.ts';

export type MoonOfNight = {
  litShare: number;
  /** In the target's hours it stands above the horizon in these. */
  up: Span[];
  darkH: number;
  /** The most it brightens the sky at the target in these hours; null while it stays down. */
  worst: { timeMs: number; brighteningMag: number; exposureFactor: number; separationDeg: number } | null;
};

const STEP_MS = 10 * MS_PER_MINUTE;

/** From the beginning to the end, both told. */
const steps = ({ fromMs, toMs }: Span): number[] =>
  Array.from({ length: Math.max(1, Math.ceil((toMs - fromMs) / STEP_MS)) + 1 }, (_, i) =>
    Math.min(toMs, fromMs + i * STEP_MS),
  );

/** Spans of the steps in which the moon is up. */
function upSpansOf({ sky }: NightStatic, span: Span): Span[] {
  const times = steps(span);
  const spans: Span[] = [];
  for (const [i, timeMs] of times.slice(1).entries()) {
    const fromMs = times[i] ?? span.fromMs;
    if (altFromTrack(sky.moonTrack, (fromMs + timeMs) / 2) <= 0) continue;
    const last = spans.at(-1);
    if (last && last.toMs === fromMs) last.toMs = timeMs;
    else spans.push({ fromMs, toMs: timeMs });
  }
  return spans;
}

/** Null while the target cannot be taken. */
export const moonOfNight = oncePer((night: NightStatic): MoonOfNight | null => {
  const { targetSky, usable, records, sky } = night;
  const span = night.slot ?? usable;
  if (!targetSky || !span) return null;
  const { site } = records;
  const darkSkyMagArcsec2 = site.skyMagArcsec2 ?? USUAL_DARK_SKY_MAG;
  const up = upSpansOf(night, span);
  const lit = up.flatMap(steps).map((timeMs) => {
    const moon = moonOfDate(timeMs, site);
    const apartDeg = separationDeg(moon, targetSky.ofDate);
    const { brighteningMag } = moonlight({
      moonPhaseAngleDeg: moonPhaseAngleDeg(timeMs),
      moonAltDeg: Math.max(0, altAzAt(timeMs, site, moon).altDeg),
      targetAltDeg: altAzAt(timeMs, site, targetSky.ofDate).altDeg,
      separationDeg: Math.max(0.1, apartDeg),
      extinctionMagPerAirmass: USUAL_EXTINCTION_MAG,
      darkSkyMagArcsec2,
    });
    return { timeMs, brighteningMag, exposureFactor: exposureFactor(brighteningMag), separationDeg: apartDeg };
  });
  const upMs = up.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0);
  return {
    litShare: sky.events.moonIlluminatedFraction,
    up,
    darkH: (span.toMs - span.fromMs - upMs) / MS_PER_HOUR,
    worst: lit.reduce<MoonOfNight['worst']>(
      (a, b) => (a === null || b.brighteningMag > a.brighteningMag ? b : a),
      null,
    ),
  };
});

/** What the sun leaves of a night at high latitude: no sunset, too light, or no sunrise. */
import type { Night } from '../../records/night.ts';
import type { Place } from '../../sky/ephemeris.ts';
import { SUN_LIMIT_DEG, sunAltDeg, type NightEvents, type TwilightName } from '../../sky/nightEvents.ts';
import type { Span } from '../../time/span.ts';
import { MS_PER_DAY } from '../../time/utc.ts';
import { darkSpan } from './darkness.ts';

export type SkyLight =
  | { code: 'dark' }
  /** All day below the horizon. */
  | { code: 'sunBelow'; dark: Span }
  /** Not as dark as this night asks for; how dark it gets, and when. `againMs`: the next night that does. */
  | { code: 'tooLight'; deepest: Exclude<TwilightName, 'astronomical'>; span: Span; againMs: number | null }
  | { code: 'sunUp'; againMs: number | null };

const DEEPEST_FIRST = ['nautical', 'civil', 'sunset'] as const;
const MOST_DAYS = 200;

/** The middle of the next night in which the sun sinks below a limit; null when none of the next 200 does.
 *  Its lowest stands within minutes of half a day after local noon: at the edge of the season a night may be off by one. */
export function nextDarkMs({ endMs }: NightEvents, place: Place, limitDeg: number): number | null {
  for (let day = 0; day < MOST_DAYS; day += 1) {
    const midnightMs = endMs + (day + 0.5) * MS_PER_DAY;
    if (sunAltDeg(midnightMs, place) < limitDeg) return midnightMs;
  }
  return null;
}

/** Of a night whose sun was reckoned. */
export function skyLightOf(events: NightEvents, wanted: Night['darkness'], place: Place): SkyLight {
  const dark = darkSpan(events, wanted);
  if (dark) return events.sunHighestDeg < SUN_LIMIT_DEG.sunset ? { code: 'sunBelow', dark } : { code: 'dark' };
  const againMs = nextDarkMs(events, place, SUN_LIMIT_DEG[wanted]);
  for (const deepest of DEEPEST_FIRST) {
    const span = darkSpan(events, deepest);
    if (span) return { code: 'tooLight', deepest, span, againMs };
  }
  return { code: 'sunUp', againMs };
}

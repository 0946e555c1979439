/** Nights that do not get dark, and days without a sun. */
import type { SkyLight } from '../core/night/plan/skyLight.ts';
import type { Format } from './format.ts';

type Odd = Exclude<SkyLight, { code: 'dark' }>;

const again = (againMs: number | null, f: Format): string =>
  againMs === null ? '' : ` Dark enough again about ${f.evening(againMs)}.`;

const DEEPEST = { sunset: 'twilight', civil: 'the end of civil dusk', nautical: 'the end of nautical dusk' } as const;

/** What can be done all the same. */
const POSSIBLE = {
  sunset: 'The moon and the brightest planets can be looked at.',
  civil: 'Moon, planets and bright double stars can be looked at, the pole can be set.',
  nautical: 'Bright clusters, moon and planets can be had: choose a lighter limit in the night’s settings.',
} as const;

export const SKY_LIGHT_NAME = 'Darkness';

/** `none`, `16:02 to 07:58`. */
export function skyLightValue(light: Odd, f: Format): string {
  switch (light.code) {
    case 'sunUp':
      return 'none';
    case 'tooLight':
      return `only twilight, ${f.clock(light.span.fromMs)} to ${f.clock(light.span.toMs)}`;
    case 'sunBelow':
      return `${f.clock(light.dark.fromMs)} to ${f.clock(light.dark.toMs)}`;
  }
}

export function skyLightRests(light: Odd, f: Format): string {
  switch (light.code) {
    case 'sunUp':
      return `The sun stays up and no star shows: put together, level and balance now.${again(light.againMs, f)}`;
    case 'tooLight':
      return `It gets no darker than ${DEEPEST[light.deepest]}. ${POSSIBLE[light.deepest]}${again(light.againMs, f)}`;
    case 'sunBelow':
      return 'The sun does not rise: what stands high at noon can be had as well.';
  }
}

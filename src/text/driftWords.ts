/** Words of the drift method: which star, how to read it, when it is enough. */
import type { Format } from './format.ts';
import { standsWords } from './findWords.ts';
import { sideWords } from './polarWords.ts';
import { starName } from './starWords.ts';
import type { Said } from './said.ts';

export type DriftSaying =
  | { code: 'takeStar'; step: 'azimuth' | 'altitude'; again: boolean; star: string; altDeg: number; azDeg: number }
  | { code: 'noStar'; step: 'azimuth' | 'altitude' }
  | { code: 'watch'; step: 'azimuth' | 'altitude'; star: string }
  | { code: 'enough'; step: 'azimuth' | 'altitude'; errorArcmin: number; sigmaArcmin: number; south: boolean }
  | { code: 'turn'; step: 'azimuth' | 'altitude'; errorArcmin: number; sigmaArcmin: number; south: boolean }
  | { code: 'done'; totalArcmin: number };

const PLACES = { azimuth: 'near the meridian', altitude: 'far from the meridian' } as const;

/** `12′ too high`, `20′ too far right (east)`. */
export function partWords(
  part: { step: 'azimuth' | 'altitude'; errorArcmin: number; south: boolean },
  f: Format,
): string {
  const size = f.quantity(Math.abs(part.errorArcmin), 'arcmin');
  if (part.step === 'altitude') return `${size} too ${part.errorArcmin >= 0 ? 'high' : 'low'}`;
  return `${size} too far ${sideWords(part.errorArcmin >= 0, part.south)}`;
}

export function driftSentence(saying: DriftSaying, f: Format): Said {
  switch (saying.code) {
    case 'takeStar':
      return `For the ${saying.step}${saying.again ? ' again' : ''}, centre **${starName(saying.star)}**: ${standsWords(saying, f)}.`;
    case 'noStar':
      return `No bright star ${PLACES[saying.step]} now: wait, or **move the time** along the ribbon.`;
    case 'watch':
      return `Watch **${starName(saying.star)}** and mark how far it has gone north or south.`;
    case 'enough':
      return `Good enough: the axis is **${partWords(saying, f)}**. Finish this star.`;
    case 'turn':
      return `The axis is **${partWords(saying, f)}**: turn the ${saying.step} as drawn, then take the next star.`;
    case 'done':
      return `Within the goal: **${f.quantity(saying.totalArcmin, 'arcmin')}** in all. Tighten everything and check one star more.`;
  }
}

export function driftReason(saying: DriftSaying, f: Format): string {
  switch (saying.code) {
    case 'takeStar':
      return saying.step === 'azimuth'
        ? 'Near the meridian and the equator only the azimuth error moves a star north or south.'
        : 'Far from the meridian the altitude error moves a star most; high enough, so that the air moves it little.';
    case 'noStar':
      return 'Taken are stars to magnitude 4, at least 25° up and above your horizon line.';
    case 'watch':
      return 'Ignore its wandering east and west: that is the drive. The longer, the surer.';
    case 'enough':
      return `Known to ${f.doubt(saying.sigmaArcmin, 'arcmin')}; more time would not change what to turn.`;
    case 'turn':
      return `Known to ${f.doubt(saying.sigmaArcmin, 'arcmin')}, the air’s part taken off.`;
    case 'done':
      return 'Both parts are measured after the last turn.';
  }
}

/** How north is told in an eyepiece or on a screen. */
export function northWords(south: boolean): string {
  return south
    ? 'Which way is north: nudge the tube toward the south pole; the star moves to the north side of the view.'
    : 'Which way is north: nudge the tube toward the pole; the star moves to the south side of the view.';
}

export function airWords(
  air: { arcsecPerMin: number; imitatedArcmin: number; step: 'azimuth' | 'altitude' },
  f: Format,
): string {
  const way = air.arcsecPerMin >= 0 ? 'north' : 'south';
  return `The air alone moves it ${f.quantity(Math.abs(air.arcsecPerMin), 'driftRate')} toward ${way}. That is taken off; it would have passed for ${f.quantity(Math.abs(air.imitatedArcmin), 'arcmin')} of ${air.step}.`;
}

export function markNowWords(sigmaArcmin: number, f: Format): string {
  return `A mark now would tell it to ${f.doubt(sigmaArcmin, 'arcmin')}.`;
}

export const UNIT_NAMES = {
  field: 'in percent of an eyepiece’s field',
  pixel: 'in pixels of the camera',
  arcsec: 'in arcseconds',
} as const;

export const NO_EYEPIECE_WORDS = 'Enter an eyepiece, tube and camera in Kit, or read in arcseconds.';

export const UNIT_LABELS = {
  field: 'Gone so far, % of the field',
  pixel: 'Gone so far, pixels',
  arcsec: 'Gone so far',
};

export function runWords(
  run: { marks: number; minutes: number; rateArcsecPerMin: number; sigmaArcsecPerMin: number },
  f: Format,
): string {
  const way = run.rateArcsecPerMin >= 0 ? 'north' : 'south';
  return `${f.quantity(Math.abs(run.rateArcsecPerMin), 'driftRate')} toward ${way}, ${f.doubt(run.sigmaArcsecPerMin, 'driftRate')}, from ${run.marks} marks over ${f.duration(run.minutes * 60)}.`;
}

/** The time of day was set while a star was timed: its marks tell no rate any more. */
export const clockSetWords = (byMs: number, f: Format): string =>
  `The clock moved ${f.duration(Math.abs(byMs) / 1000)} ${byMs < 0 ? 'back while this star was timed' : 'on while this star was timed, or the device slept'}: its marks no longer tell how fast it drifts. Give it up, then centre a star anew.`;

/** Sentences of level, bearing and latitude. */
import type { MagneticField } from '../core/sky/magnetic.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

const COMPASS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'] as const;
export type CompassPoint = (typeof COMPASS)[number];
export const COMPASS_POINTS: readonly { name: CompassPoint; azimuthDeg: number }[] = COMPASS.map((name, i) => ({
  name,
  azimuthDeg: i * 45,
}));

/** The nearest of the eight points. */
export function compassPoint(azimuthDeg: number): CompassPoint {
  return COMPASS[Math.round(azimuthDeg / 45) % 8] ?? 'north';
}

export type BearingSaying =
  | { code: 'noCompass' }
  | { code: 'set'; compassDeg: number; south: boolean; foot: CompassPoint | null }
  | { code: 'turn'; errorDeg: number; east: boolean; south: boolean }
  | { code: 'stands'; errorDeg: number }
  | { code: 'iron'; differenceDeg: number };

export function bearingSentence(s: BearingSaying, f: Format): Said {
  switch (s.code) {
    case 'noCompass':
      return 'A compass **cannot be trusted here**. Use the sun’s shadow or the stars.';
    case 'set': {
      const foot = s.foot === null ? '' : ` Put the **${s.foot} foot** out first.`;
      return `Point the polar axis where the compass reads **${f.quantity(s.compassDeg, 'angleDeg')}**: true ${s.south ? 'south' : 'north'}.${foot}`;
    }
    case 'turn':
      // East lies on the right when one faces north, on the left when one faces south.
      return `Turn the head **${f.quantity(s.errorDeg, 'angleDeg')} to the ${s.east === s.south ? 'right' : 'left'} (${s.east ? 'west' : 'east'})**.`;
    case 'stands':
      return `Leave it: the axis points **within ${f.quantity(Math.max(0.5, s.errorDeg), 'angleDeg')}** of the pole’s bearing.`;
    case 'iron':
      return 'Step back and read **two or three metres away**: metal bends the needle.';
  }
}

export function bearingReason(s: BearingSaying, field: MagneticField, f: Format): string {
  const { declinationDeg } = field;
  const size = f.quantity(Math.abs(declinationDeg), 'angleDeg');
  const side = declinationDeg < 0 ? 'west' : 'east';
  if (s.code === 'iron')
    return `The two readings differ by ${f.quantity(s.differenceDeg, 'angleDeg')}; more than 2° means iron nearby.`;
  if (s.code === 'noCompass') return 'So near a magnetic pole the needle hardly points anywhere.';
  const years = field.insideModelYears ? '' : ' The date lies outside the model’s years.';
  return `Here and tonight the needle points ${size} ${side} of true north; good to about 0.4°, before any iron.${years}`;
}

export type LevelSaying =
  | { code: 'notRead' }
  | { code: 'good'; tiltDeg: number }
  | { code: 'raise'; feet: { point: CompassPoint; liftM: number }[] }
  | { code: 'noFeet'; tiltDeg: number; low: CompassPoint };

export function levelSentence(s: LevelSaying, f: Format): Said {
  switch (s.code) {
    case 'notRead':
      return 'Put a level on the base and **record the tilt**.';
    case 'good':
      return `Leave the legs: **${f.quantity(s.tiltDeg, 'angleDeg')}** is level enough.`;
    case 'raise':
      return `Raise ${s.feet.map((foot) => `the **${foot.point} foot ${f.quantity(foot.liftM, 'barLength')}**`).join(' and ')}.`;
    case 'noFeet':
      return `Raise the **${s.low} side** by ${f.quantity(s.tiltDeg, 'angleDeg')}.`;
  }
}

export const LEVEL_REASON =
  'An aligned axis tracks the same on a slant. Level makes the latitude scale true and keeps the two adjusters apart.';

export type LatitudeSaying = { code: 'set'; scaleDeg: number } | { code: 'low'; scaleDeg: number };

export function latitudeSentence(s: LatitudeSaying, f: Format): Said {
  return s.code === 'low'
    ? 'The pole lies **near the horizon**: set the head as low as it goes.'
    : `Set the latitude scale to **${f.quantity(s.scaleDeg, 'angleDeg')}**.`;
}

/** `+ 0.4° of bias learned`, slope of the base. */
export function latitudeReason(
  parts: { latDeg: number; biasDeg: number | null; nights: number; poleSideUpDeg: number | null },
  f: Format,
): string {
  const bias =
    parts.biasDeg === null
      ? 'how far this scale is off is not known yet'
      : `your scale reads ${f.quantity(Math.abs(parts.biasDeg), 'angleDeg')} too ${parts.biasDeg > 0 ? 'high' : 'low'} (${parts.nights} ${parts.nights === 1 ? 'night' : 'nights'})`;
  const slope =
    parts.poleSideUpDeg === null || Math.abs(parts.poleSideUpDeg) < 0.05
      ? ''
      : `; the base leans ${f.quantity(Math.abs(parts.poleSideUpDeg), 'angleDeg')} ${parts.poleSideUpDeg > 0 ? 'up' : 'down'} toward the pole`;
  return `The pole stands ${f.quantity(Math.abs(parts.latDeg), 'angleDeg')} high; ${bias}${slope}.`;
}

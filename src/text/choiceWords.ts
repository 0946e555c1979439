/** Sentences for someone who is still choosing a mount. */
import type { MountClassId } from '../core/mount/mountClasses.ts';
import type { ChoiceUse } from '../core/rig/mountChoice.ts';
import type { TubeKind } from '../core/records/part.ts';
import type { TryStep } from '../core/rig/tryOut.ts';
import type { RoundnessVerdict } from '../core/verdict/budget.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export const CHOOSE = {
  title: 'Choose a mount',
  sensor: 'The sensor',
  latitude: 'Your latitude, north or south',
  link: 'Still choosing a mount?',
  use: 'What it is for',
  tube: 'The tube on it',
  byTarget: 'as the target asks',
  another: 'another one',
} as const;

/** Which sensor and which latitude an answer takes. */
export function givenWords(
  { camera, latDeg }: { camera: { pixelUm: number; widthPx: number; heightPx: number }; latDeg: number },
  f: Format,
): string {
  const side = (px: number): string => f.quantity((px * camera.pixelUm) / 1000, 'opticsMm', 1);
  const sensor = `${side(camera.widthPx)} × ${side(camera.heightPx)}, ${f.quantity(camera.pixelUm, 'pixelUm')} a pixel`;
  return `Taken: a sensor of ${sensor}, and latitude ${f.quantity(Math.abs(latDeg), 'angleDeg', 0)}.`;
}

export const USE_NAMES: Record<ChoiceUse, string> = {
  longExposures: 'long exposures',
  travelling: 'long exposures, on a journey',
  planets: 'planets, in short frames',
  looking: 'looking',
};

export const CLASS_NAMES: Record<MountClassId, string> = {
  altAzimuth: 'Alt-azimuth mount',
  smallTracker: 'Small tracker, ball head',
  bracketTracker: 'Tracker with bracket and bar',
  smallGeared: 'Small geared German mount',
  midBelt: 'Mid-size belt-driven German mount',
  largeBelt: 'Large belt-driven German mount',
  strainWave: 'Small strain-wave mount',
};

export const TUBE_NAMES: Record<TubeKind, string> = {
  lens: 'lens',
  refractor: 'refractor',
  newtonian: 'reflector',
  mirrorLens: 'mirror lens',
};

export const STAR_NAMES: Record<RoundnessVerdict, string> = {
  round: 'round',
  acceptable: 'acceptable',
  long: 'long',
  swollen: 'swollen',
};

export type ChoiceSaying =
  | { code: 'ask' }
  | {
      code: 'enough';
      use: ChoiceUse;
      id: MountClassId;
      focalMm: number;
      tube: TubeKind;
      totalKg: number;
      carriedKg: number;
    }
  /** What fails: nothing carries it, nothing that carries it keeps stars round, or what does is too heavy for a journey. */
  | { code: 'none'; fails: 'load' | 'stars' | 'carry'; guided: boolean; focalMm: number };

const lowerFirst = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

const article = (noun: string): string => (/^[aeiou]/i.test(noun) ? 'An' : 'A');

export function choiceSentence(s: ChoiceSaying, f: Format): Said {
  switch (s.code) {
    case 'ask':
      return 'Say **what it is for** and with which tube: the mount follows from it.';
    case 'enough':
      return `${article(CLASS_NAMES[s.id])} **${lowerFirst(CLASS_NAMES[s.id])}** is enough for a ${f.quantity(s.focalMm, 'opticsMm', 0)} ${TUBE_NAMES[s.tube]} of ${f.quantity(s.totalKg, 'mass', 1)}.`;
    case 'none':
      if (s.fails === 'carry')
        return 'What is enough weighs **too much for one load**: take a shorter lens along, or go by car.';
      if (s.fails === 'load') return 'No class carries this: choose a **smaller or shorter tube**.';
      return s.guided
        ? 'Nothing that carries this keeps stars round: **expose shorter**.'
        : 'Nothing that carries this keeps stars round unguided: **guide**, or expose shorter.';
  }
}

export function choiceReason(s: ChoiceSaying, f: Format): string {
  if (s.code === 'ask') return 'Size on the sensor gives the focal length, or the aperture the tube; that the mass.';
  if (s.code === 'none')
    return `It takes ${f.quantity(s.focalMm, 'opticsMm', 0)} of focal length. Each column below says what fails.`;
  const does = s.use === 'looking' || s.use === 'planets' ? 'carries it' : 'carries it and keeps stars round';
  return `The lightest that ${does}, with usual figures of its class; ${f.quantity(s.carriedKg, 'mass', 0)} to carry in all.`;
}

export const TRY_OUT = {
  title: 'Try it for ten minutes',
  hint: 'In a shop, at a friend’s, or in the time in which it may go back: with your own tube on it, by day or night.',
} as const;

/** What to do, and what it must show. */
export function tryWords(step: TryStep, f: Format): { do: string; shows: string } {
  switch (step.code) {
    case 'hinge':
      return {
        do: 'Hold the tube and loosen the altitude bolt a little',
        shows:
          'A head whose hinge sits low falls back under its load: it must stay in your hand, and go up by its bolt alone.',
      };
    case 'push':
      return {
        do: 'Push at the tube, over the gap between two legs',
        shows: `Two fingers must not lift the third foot${step.hasBar ? ', with the bar swung to either side' : ''}.`,
      };
    case 'tap':
      return {
        do: 'Tap the tube and watch the image enlarged',
        shows: `At ${f.quantity(step.focalMm, 'opticsMm', 0)} it must stand still within ${f.number(step.wantedS, 1)} s; twice as long is slow, more is too weak.`,
      };
    case 'frames':
      return {
        do: `Take three frames of ${f.exposure(step.exposureS)} one after the other`,
        shows: 'Long the same way in all three: the pole. Long in one or two: the drive. Round in all: take it.',
      };
  }
}

/** What an answer rests on. */
export function assumedWords({ isNew, judgesStars }: { isNew: boolean; judgesStars: boolean }): string {
  const all = [
    ...(isNew && judgesStars ? ['the target fills 70 % of the sensor’s shorter side'] : []),
    ...(isNew ? ['tube by rule of thumb'] : []),
    ...(judgesStars ? ['the pole set by eye', 'the drive’s swing usual for its class'] : []),
    'rings and weights usual for the tube',
  ];
  return `Assumed: ${all.join('; ')}.`;
}

export function altAzMapWords(cornerMm: number, f: Format): string {
  return `Alt-azimuth exposures before a corner of this sensor, ${f.quantity(cornerMm, 'opticsMm')} out, turns by one pixel: the shortest within each field. North is up, the zenith in the middle.`;
}

/** `4 s`, `2 min`, `1 h +`. */
export function exposureWords(exposureS: number, longestS: number): string {
  if (exposureS >= longestS) return '1 h +';
  if (exposureS < 100) return `${Math.floor(exposureS)} s`;
  return `${Math.floor(exposureS / 60)} min`;
}

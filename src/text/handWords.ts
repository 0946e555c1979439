/** Sentences where no motor follows: the knob, the time in view, the longest sub, the eye's height, the circles. */
import type { CircleHop } from '../core/night/circles.ts';
import type { HandOfNight } from '../core/night/handOfNight.ts';
import { EYE_ABOVE_SEAT_M, type EyeHeights } from '../core/rig/eyepieceHeight.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';
import { starName } from './starWords.ts';

/** What a shutter is set to: the next shorter of the usual steps. */
const SHUTTER = [1000, 500, 250, 125, 60, 30, 15, 8, 4, 2] as const;

/** `1/4 s`, `2.5 s`: never longer than what was found. */
export function shutterWords(exposureS: number, f: Format): string {
  if (exposureS >= 1) return f.quantity(Math.floor(exposureS * 10) / 10, 'seconds', exposureS < 10 ? 1 : 0);
  const part = SHUTTER.findLast((n) => 1 / n <= exposureS) ?? SHUTTER[0];
  return `1/${part} s`;
}

/** `9 min 58 s` */
export function minutesWords(minutes: number): string {
  const seconds = Math.round(minutes * 60);
  const [m, s] = [Math.floor(seconds / 60), seconds % 60];
  return s === 0 ? `${m} min` : m === 0 ? `${s} s` : `${m} min ${String(s).padStart(2, '0')} s`;
}

export function handSentence({ turnMin, view }: HandOfNight, f: Format): Said {
  if (turnMin !== null)
    return `Turn the **right-ascension knob** once in **${minutesWords(turnMin)}**, westward: ${f.number(360 / turnMin, 0)}° of the knob each minute.`;
  if (view) return `Look again every **${minutesWords(view.stayMin / 2)}**: then it stands at the edge.`;
  return 'Choose an **eyepiece or a camera** for this rig in Kit.';
}

/** What the knob's turn rests on. */
export const teethWords = ({ teeth, teethAssumed }: Pick<HandOfNight, 'teeth' | 'teethAssumed'>): string =>
  teethAssumed
    ? `A worm wheel of ${String(teeth)} teeth is assumed: count yours and enter it in Kit.`
    : `Its worm wheel has ${String(teeth)} teeth.`;

export function handReason(hand: HandOfNight, f: Format): string {
  const { turnMin, view, decDeg } = hand;
  const teeth = turnMin === null ? 'Nothing turns this mount by itself.' : teethWords(hand);
  if (!view) return teeth;
  const across = `Left alone, a star at declination ${f.quantity(decDeg, 'angleDeg', 0)} crosses ${view.by === 'eyepiece' ? 'the eyepiece’s view' : 'the frame'} in ${minutesWords(view.stayMin)}.`;
  return `${teeth} ${across}`;
}

export const HAND = {
  knob: 'The knob',
  eachMinute: 'each minute',
  westward: 'westward',
  stays: 'Stays in view',
  field: 'The view is',
  longest: 'Longest untracked sub',
  eyepieceNow: 'Eyepiece now at',
  seatNow: 'Seat for it',
  overSky: 'Eyepiece over the sky',
  seatOverSky: 'Seat over the sky',
  heights: 'Where the eye is',
  heightsWhy:
    'From the ground, above 20° of altitude; a diagonal is not counted. The seat is for somebody who sits upright: 75 cm below the eye.',
  noEyepiece: 'The eyepiece has no place on the tube yet: enter it in Kit.',
} as const;

export const BY_EYE = { name: 'By eye.' } as const;
export const byEyeWords = ({ view }: HandOfNight, f: Format): string =>
  view === null
    ? 'Enter tube and eyepiece in Kit.'
    : `It takes no subs, so none are judged. ${f.quantity(view.fieldDeg, 'angleDeg', 1)} of sky are seen; left alone they pass in ${minutesWords(view.stayMin)}.`;

type Figure = { name: string; value: string };

export function heightFigures({ nowM, lowestM, highestM }: EyeHeights, f: Format): Figure[] {
  const metres = (m: number): string => f.quantity(m, 'length', 2);
  const seat = (m: number): number => Math.max(0, m - EYE_ABOVE_SEAT_M);
  const range = (from: number, to: number): string => `${f.number(f.shown(from, 'length'), 2)} to ${metres(to)}`;
  return [
    ...(nowM === null
      ? []
      : [
          { name: HAND.eyepieceNow, value: metres(nowM) },
          { name: HAND.seatNow, value: nowM < EYE_ABOVE_SEAT_M ? 'kneel' : metres(seat(nowM)) },
        ]),
    { name: HAND.overSky, value: range(lowestM, highestM) },
    { name: HAND.seatOverSky, value: range(seat(lowestM), seat(highestM)) },
  ];
}

/** `1 h 52 min` of right ascension. */
function raWords(hours: number): string {
  const minutes = Math.round(Math.abs(hours) * 60);
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
}

export function circleSentence(hop: CircleHop | null, target: string | null, f: Format): Said {
  if (target === null) return 'Choose a **target** for this night.';
  if (hop === null)
    return 'No bright star stands near it on its side of the meridian. **Sweep from the nearest pattern**.';
  const ra = `${raWords(hop.turnWestH)} ${hop.turnWestH < 0 ? 'eastward' : 'westward'}`;
  const dec = `${f.quantity(Math.abs(hop.turnNorthDeg), 'angleDeg', 1)} ${hop.turnNorthDeg < 0 ? 'south' : 'north'}`;
  return `Centre **${starName(hop.star.name)}**, then turn right ascension **${ra}** and declination **${dec}**.`;
}

export function circleReason(hop: CircleHop | null, f: Format): string {
  if (hop === null) return 'Circles carry about 30°; a star across the meridian would turn the tube over.';
  const apart = f.quantity(hop.apartDeg, 'angleDeg', 0);
  const miss = f.quantity(hop.missDeg, 'angleDeg', 1);
  return `First right ascension, lock it, then declination, a hand on the clutch. ${apart} apart; circles divided into 5 min and 2° land within ${miss}: look with the lowest power.`;
}

/** What the two circles read at the star and at the target. */
export function circleFigures(hop: CircleHop): Figure[] {
  const ra = (deg: number): string => {
    const minutes = Math.round((deg / 15) * 60) % 1440;
    return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
  };
  const dec = (deg: number): string => `${deg < 0 ? '−' : '+'}${Math.abs(deg).toFixed(1)}°`;
  const { starOfDate, targetOfDate } = hop;
  const star = starName(hop.star.name);
  return [
    { name: `RA circle on ${star}`, value: ra(starOfDate.raDeg) },
    { name: `Declination on ${star}`, value: dec(starOfDate.decDeg) },
    { name: 'Turn until the RA circle reads', value: ra(targetOfDate.raDeg) },
    { name: 'Turn until declination reads', value: dec(targetOfDate.decDeg) },
  ];
}

export const CIRCLE_NAMES = { ra: 'RA, hours', dec: 'Declination' } as const;

/** A circle that stands still while the sky turns has to be set again. */
export const CIRCLE_STILL =
  'The right-ascension circle stands still while the sky turns: set it on the star just before you turn. Each minute that passes, the target reads a minute less.';

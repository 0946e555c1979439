/** Sentences where no motor follows: the knob, the time in view, the longest sub. */
import type { HandOfNight } from '../core/night/advice/hands/handOfNight.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

/** What a shutter is set to: the next shorter of the usual steps. */
const SHUTTER = [1000, 500, 250, 125, 60, 30, 15, 8, 4, 2] as const;

/** `1/4 s`, `2.5 s`: never longer than what was found. */
export function shutterWords(exposureS: number, f: Format): string {
  if (exposureS >= 1) return f.quantity(Math.floor(exposureS * 10) / 10, 'seconds', exposureS < 10 ? 1 : 0);
  const part = SHUTTER.findLast((n) => 1 / n <= exposureS) ?? SHUTTER[0];
  return `1/${part} s`;
}

const IN_HOURS_MIN = 120;

/** `9 min 58 s`, `3 h 21` */
export function minutesWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole >= IN_HOURS_MIN) return `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
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
} as const;

export function byEyeWords({ view, follows }: HandOfNight, f: Format): string {
  if (view === null) return 'Enter tube and eyepiece in Kit.';
  const seen = `${f.quantity(view.fieldDeg, 'angleDeg', 1)} of sky are seen`;
  return follows ? `${seen}; the mount follows.` : `${seen}; left alone they pass in ${minutesWords(view.stayMin)}.`;
}

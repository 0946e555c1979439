/** The flip, step by step, for the hand that does it. */
import type { FlipBy, FlipStep } from '../core/night/advice/flipWalk.ts';
import type { RigHas } from '../core/rig/rigHas.ts';
import type { Format } from './format.ts';

export const FLIP = {
  title: 'The flip, step by step',
  start: 'Start flip',
  done: 'Done',
  back: 'Not yet',
  finish: 'Flip done',
  missTitle: 'How far it missed',
  missHint: 'Where the target lay from the frame’s middle on the first sub after the flip. Empty = not looked at.',
  missEast: 'Too far east',
  missNorth: 'Too far north',
  minutes: 'Minutes it took',
  minutesMissing: 'Type how many minutes the flip took: the clock cannot tell.',
  automatic: 'If the mount or a program does it',
  recorded: 'Flip recorded. Its minutes count in the next plan.',
} as const;

/** The time of day was set while it went on. */
export const clockMovedWords = (byMs: number, f: Format): string =>
  `The clock moved ${f.duration(Math.abs(byMs) / 1000)} ${byMs < 0 ? 'back since it began' : 'on since it began, or the device slept'}: type the minutes.`;

/** Before the first flip of a rig. */
export const firstFlipWords = (by: FlipBy): string =>
  `No flip of this rig is on record. Watch it all the way, one hand ${by === 'motors' ? 'near the switch' : 'on the tube'}, a lamp on the gap.`;

type Words = { do: string; why: string };

/** South and north differ in sides only: after the flip the tube stands east of the column. */
const STEPS: Record<Exclude<FlipStep, 'biasWeight'>, Words> = {
  stopSubs: {
    do: 'Let the sub end, then stop subs and guiding.',
    why: 'A guider would chase the star while the tube goes over.',
  },
  cablesFree: {
    do: 'Free the cables: nothing hooked on knobs, legs or clamps.',
    why: 'They go the long way round, behind the column. Leave a hand’s slack at the saddle.',
  },
  sendOver: {
    do: 'Send the tube to the target again: the mount goes over by itself. Hand near the switch.',
    why: 'The tube passes high. Stop it when anything pulls or comes within a hand’s breadth.',
  },
  holdTube: {
    do: 'One hand flat on the tube’s middle, the other on the right-ascension clutch. Open it.',
    why: 'Whoever lets go drops the heavier side.',
  },
  raHalfTurn: {
    do: 'Turn right ascension half a turn: weights pass low, tube over the top. Clutch tight.',
    why: 'The bar ends level on the other side.',
  },
  decThroughPole: {
    do: 'Open declination and swing the tube through the pole’s side to the target. Clutch tight.',
    why: 'Never over the other way: cables would wind up, and you would lose the side.',
  },
  clutchesTight: {
    do: 'Tug gently at tube and bar: both clutches hold.',
    why: 'A slipping clutch looks like bad tracking.',
  },
  cablesAfter: {
    do: 'Follow every cable from the tube down: slack, and clear of the axes.',
    why: 'Now is when one catches.',
  },
  recentre: {
    do: 'Take a short frame and bring the target back to the middle.',
    why: 'The picture stands upside down now: up and down, left and right are swapped.',
  },
  lookAgain: {
    do: 'Find the target again through the finder, and turn the diagonal so that you can look in.',
    why: 'The view is turned by half a turn now.',
  },
  orientation: {
    do: 'Leave the camera as it is; turn a diagonal so that you can look in.',
    why: 'Stacking turns the frames by half a turn. A turned camera gives corners away.',
  },
  refocus: {
    do: 'Refocus: the mirror or the drawtube hangs the other way now.',
    why: 'Gravity pulls at the focuser from the other side.',
  },
  guider: {
    do: 'Guiding on: tell the guider that the side changed, or calibrate it again.',
    why: 'With the old one it pushes declination the wrong way, and the star runs off.',
  },
  goOn: {
    do: 'First sub: look at its stars, then let it run.',
    why: 'Round stars on one frame save the rest of the night.',
  },
};

const BY: Partial<Record<FlipBy, Partial<Record<FlipStep, Words>>>> = {
  bracket: {
    holdTube: {
      do: 'Hold what hangs on the bracket, and open the clutch of the tracker.',
      why: 'The bracket is small; what it carries is what hits.',
    },
    decThroughPole: {
      do: 'Open the bracket’s declination clamp and swing it through the pole’s side to the target. Clamp tight.',
      why: 'Look at the fitting below it: it must not meet the wedge.',
    },
  },
  knob: {
    holdTube: {
      do: 'One hand flat on the tube’s middle. Open right ascension.',
      why: 'Whoever lets go drops the heavier side.',
    },
    goOn: { do: 'Find the target again, and go on with the knob.', why: 'The knob turns the same way as before.' },
  },
};

const STOP_UNGUIDED: Words = {
  do: 'Let the sub end, then stop the subs.',
  why: 'A sub that runs on draws the whole way over.',
};

/** What the hand does at a step, and why. */
export function flipStepWords(
  step: FlipStep,
  { by, has, guided }: { by: FlipBy; has: RigHas; guided: boolean },
  biasStepM: number,
  f: Format,
): Words {
  if (step === 'biasWeight')
    return {
      do: `Tube held: slide the weight ${f.quantity(biasStepM, 'barLength')} inward.`,
      why: 'East heavy on this side too: the tube stands east now.',
    };
  if (step === 'stopSubs' && !guided) return STOP_UNGUIDED;
  if (step === 'decThroughPole' && !has.has('cables')) return { ...STEPS[step], why: 'The short way round.' };
  return BY[by]?.[step] ?? STEPS[step];
}

export const stepCount = (at: number, of: number): string => `Step ${at} of ${of}`;

/** What to set where the mount or a program flips by itself. */
export function automaticLines(
  about: { pastMin: number | null; waitS: number | null; pauseMin: number },
  f: Format,
  guided: boolean,
): string[] {
  const { pastMin, waitS, pauseMin } = about;
  return [
    pastMin === null
      ? 'Flip: not needed for this target tonight.'
      : pastMin < 0
        ? `Flip ${f.duration(-pastMin * 60)} before the meridian; never later.`
        : `Flip no later than ${f.duration(pastMin * 60)} past the meridian, at the end of a sub.`,
    `Pause the subs for ${f.duration(pauseMin * 60)}.`,
    waitS === null
      ? 'Settling after the slew: 10 s, until you measured yours.'
      : `Settling after the slew: ${f.quantity(waitS, 'seconds')}.`,
    'Re-centre by a solved frame, and do not turn the camera.',
    `Refocus after it${guided ? ', and let the guider know the side' : ''}.`,
    'A limit in the mount itself, a few minutes beyond: it stops the tube when everything else fails.',
  ];
}

/** @param untilMs null where its limit has passed. */
export const latestFlipWords = (untilMs: number | null, f: Format): string =>
  untilMs === null ? 'at once' : f.clock(untilMs);

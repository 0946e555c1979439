/** Words of corners seen by eye: what was seen, what it says, what the hand does. */
import type { CornersVerdict, Side } from '../core/optics/corners/judgeCorners.ts';
import type { Corner, Place, SeenStar, Stick } from '../core/optics/corners/seen.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

export const PLACE_NAMES: Record<Place, string> = {
  topLeft: 'top left',
  topRight: 'top right',
  bottomLeft: 'bottom left',
  bottomRight: 'bottom right',
  centre: 'centre',
};

const STICK_NAMES: Record<Stick, string> = {
  round: 'round',
  level: 'lying',
  upright: 'standing',
  rising: 'leaning right',
  falling: 'leaning left',
};

/** `round`, `slightly long, leaning right` */
export function seenStarWords({ stick, strong }: SeenStar): string {
  return stick === 'round' ? 'round' : `${strong ? 'clearly' : 'slightly'} long, ${STICK_NAMES[stick]}`;
}

export const CORNERS = {
  title: 'How do the stars look?',
  hint: 'Tap a place of the frame, then what its stars look like there at full size.',
  missing: 'Not looked at yet:',
  record: 'Record these corners',
  recorded: 'Corners recorded.',
  tried: 'Distances tried',
  distance: 'flange to sensor',
  across: 'across',
  round: 'round',
  along: 'along',
} as const;

export const PAST_FOCUS_NAMES = {
  notTried: 'not tried',
  same: 'the same way',
  turned: 'turned by a quarter',
} as const;

/** Toward which of the mount's axes stars are drawn out; null where the camera stands aslant. */
export type DrawnAlong = 'ra' | 'dec' | null;

export type CornersSaying =
  | { code: 'none'; hasCorrector: boolean }
  | {
      code: 'told';
      verdict: CornersVerdict;
      drawnAlong: DrawnAlong;
      /** By how much the next stack should be longer; null without a corrector or a distance. */
      stepMm: number | null;
      /** The field stood low, or nobody said how high. */
      low: boolean;
      /** Distance of that look. */
      spacingMm: number | null;
      /** Where the looks together put the best distance, and how many told of it. */
      best: { distanceMm: number; sigmaMm: number; looks: number } | null;
    };

type Told = Extract<CornersSaying, { code: 'told' }>;

const tiltPlace: Record<Side | Corner, string> = {
  left: 'the left side',
  right: 'the right side',
  top: 'the upper side',
  bottom: 'the lower side',
  topLeft: 'the corner top left',
  topRight: 'the corner top right',
  bottomLeft: 'the corner bottom left',
  bottomRight: 'the corner bottom right',
};

/** Steps that no eye tells apart are none. */
const LEAST_STEP_MM = 0.1;

function stepSentence(stepMm: number | null, f: Format): Said {
  if (stepMm === null) return 'Type in how far the sensor stands from the **corrector’s flange**.';
  if (Math.abs(stepMm) < LEAST_STEP_MM) return '**Look once more** with this stack: the looks so far disagree.';
  const amount = f.quantity(Math.abs(stepMm), 'opticsMm', 2);
  return stepMm > 0
    ? `Add **${amount}** between corrector and camera, then look again.`
    : `Take out **${amount}** between corrector and camera, then look again.`;
}

const CANNOT_TELL: Record<Extract<CornersVerdict, { code: 'cannotTell' }>['why'], [Said, string]> = {
  focusFirst: [
    'Focus on a star **in the middle** first, then look at the corners.',
    'Corners of a frame that is out of focus say nothing of the distance.',
  ],
  centreLong: [
    'Mend the **middle** first: its stars are long too.',
    'As long as the centre is not round, focus, tracking and distance cannot be told apart.',
  ],
  mixed: [
    'Take **another frame**: these corners do not agree with any one cause.',
    'The distance would show alike in all four, tilt on one side, the mount in one direction.',
  ],
  fieldTurn: [
    'Take a frame of **5 to 10 s**: the pole turns these corners.',
    'With tonight’s polar error and this exposure stars run around the centre as a wrong distance would draw them.',
  ],
};

export function cornersSentence(s: CornersSaying, f: Format): Said {
  if (s.code === 'none') return 'Take a frame of **5 to 10 s** high in the sky and look at its **four corners**.';
  const { verdict } = s;
  switch (verdict.code) {
    case 'good':
      return '**Leave the distance**: the corners are round.';
    case 'tooClose':
    case 'tooFar':
      return stepSentence(s.stepMm, f);
    case 'tilt':
      return 'Set the **camera square**: tighten the joints, then turn the tilt plate.';
    case 'tracking':
      return 'Look at the **mount**, not at the distance: all stars are drawn one way.';
    case 'focus':
      return '**Focus** again: the sticks turn with it.';
    case 'coma':
      return '**Nothing to set**: that is coma, not spacing.';
    case 'cannotTell':
      return CANNOT_TELL[verdict.why][0];
  }
}

const DRAWN_ALONG = {
  ra: 'They lie along right ascension: the drive, or guiding.',
  dec: 'They lie along declination: the pole, backlash, or a sagging guide scope.',
} as const;

/** What this look says of its own distance, and where all of them put the best one. */
function distanceReason(said: string, { spacingMm, best }: Told, f: Format): string {
  const at = spacingMm === null ? 'The corners say' : `At ${f.quantity(spacingMm, 'opticsMm', 2)} the corners say`;
  const all =
    best && best.looks > 1
      ? ` Together ${best.looks} looks put the best distance at ${f.quantity(best.distanceMm, 'opticsMm', 2)}, ${f.doubt(best.sigmaMm, 'opticsMm', 1)}.`
      : '';
  return `${at} that the sensor stands ${said} the corrector.${all}`;
}

export function cornersReason(s: CornersSaying, f: Format): string {
  if (s.code === 'none') {
    return s.hasCorrector
      ? 'Stars that point at the middle: the sensor stands too near. Stars that circle it: too far.'
      : 'This rig has no corrector: corners show tilt, the mount, or coma, and no distance mends that.';
  }
  const { verdict } = s;
  switch (verdict.code) {
    case 'good':
      return 'Nothing at any corner says that the sensor stands too near, too far or aslant.';
    case 'tooClose':
      return distanceReason('too near', s, f);
    case 'tooFar':
      return distanceReason('too far from', s, f);
    case 'tilt':
      return verdict.at === null
        ? 'Two corners point at the middle and the two others circle it: the sensor stands aslant.'
        : `Only ${tiltPlace[verdict.at]} is long: the sensor stands aslant there.`;
    case 'tracking':
      return `${s.drawnAlong === null ? 'The centre and the corners agree: no distance does that.' : DRAWN_ALONG[s.drawnAlong]}${s.low ? ' Low in the sky the air does it too: take a frame over 60° high to tell.' : ''}`;
    case 'focus':
      return 'A wrong distance keeps its direction on both sides of focus.';
    case 'coma':
      return 'A mirror or lens alone draws its corners out. A corrector, or a smaller opening, mends them.';
    case 'cannotTell':
      return CANNOT_TELL[verdict.why][1];
  }
}

const VERDICT_NAMES: Record<CornersVerdict['code'], string> = {
  good: 'round',
  tooClose: 'too near',
  tooFar: 'too far',
  tilt: 'tilt',
  tracking: 'the mount',
  focus: 'focus',
  coma: 'coma',
  cannotTell: 'cannot tell',
};
export const verdictName = ({ code }: CornersVerdict): string => VERDICT_NAMES[code];

/** `Best at 55.9 mm, ±0.2 mm, by 3 looks`; until it counts it says so. */
export function bestWords(
  best: { distanceMm: number; sigmaMm: number; looks: number; learned: boolean },
  f: Format,
): string {
  const at = `${f.quantity(best.distanceMm, 'opticsMm', 2)}, ${f.doubt(best.sigmaMm, 'opticsMm', 1)}`;
  return best.learned
    ? `Best distance ${at}: learned from ${best.looks} looks, and used everywhere.`
    : `Best distance so far ${at}. Not certain enough to count: look at another distance.`;
}

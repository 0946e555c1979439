/** Sentences of the balance bench. */
import type { BarEdge, TubeEdge } from '../core/mount/tape.ts';
import type { BalanceAxis } from '../core/rig/axisLevers.ts';
import type { OrderStep } from '../core/night/advice/hands/balanceOrder.ts';
import type { Drops } from '../core/night/learned/tipOfNight.ts';
import type { MountPart } from '../core/records/part.ts';
import type { OffBar } from '../core/mount/offBar.ts';
import type { Format } from './format.ts';
import { offBarReason, offBarSentence, type NameOf } from './offBarWords.ts';
import type { Said } from './said.ts';
import { ANY_ENDS, capital, type TubeEnds } from './tubeEnds.ts';

type Drive = MountPart['drive'];
/** Places are readings of the user's tape; movements are signed along the position. */
export type BalanceSaying =
  | { code: 'notNeeded'; drive: Drive }
  | { code: 'incomplete' }
  | { code: 'noWeight'; momentKgM: number }
  | { code: 'noMover'; axis: BalanceAxis }
  /** A camera at the tube's side: the tube is turned in its rings; null = what else hangs there outweighs it. */
  | { code: 'turnRings'; byDeg: number | null }
  | { code: 'ringsStay' }
  /** Masses or trials put the balance off the bar. */
  | { code: 'offBar'; off: OffBar }
  /** The tube would have to be slid farther than the saddle can hold it. */
  | { code: 'offSaddle'; toward: 'front' | 'rear' }
  | { code: 'move'; axis: BalanceAxis; name: string; moveM: number; toM: number; why: Why }
  | { code: 'try'; axis: BalanceAxis; atM: number; why: Why }
  | { code: 'again'; axis: BalanceAxis; atM: number }
  | { code: 'balanced'; axis: BalanceAxis; atM: number; next: OrderStep | null }
  /** Balanced, and this user wants the eastern side heavier. */
  | { code: 'bias'; moveM: number; toM: number; stepM: number; tubeSide: 'west' | 'east' };

/** Why the next place is where it is. */
export type Why =
  | { code: 'answers'; lastDrop: Drops; lowM: number; highM: number }
  | { code: 'lastTime'; atM: number; added: string[]; removed: string[]; moved: string[] }
  | { code: 'stated'; withinM: number };

const DROP_NAMES: Record<Exclude<Drops, 'front' | 'rear'>, string> = {
  tube: 'Tube side dropped',
  weight: 'Weight side dropped',
  upper: 'Swings to the upper side',
  lower: 'Swings to the lower side',
  none: 'Stays anywhere',
};
export const dropName = (drops: Drops, ends: TubeEnds = ANY_ENDS): string =>
  drops === 'front' || drops === 'rear' ? `${capital(ends[drops])} dropped` : DROP_NAMES[drops];

export const AXIS_TABS: Record<BalanceAxis, string> = {
  ra: 'Right ascension',
  dec: 'Declination',
  sideways: 'Sideways',
};

const toward = (axis: BalanceAxis, ends: TubeEnds): readonly [more: string, less: string] =>
  ({
    ra: ['outward', 'inward'] as const,
    dec: [`toward the ${ends.front}`, `toward the ${ends.rear}`] as const,
    sideways: ['to the upper side', 'to the lower side'] as const,
  })[axis];

/** How each axis is tried. */
const HOW_TO_TRY: Record<BalanceAxis, Said> = {
  ra: 'Bar level: hold the tube, open the **right-ascension clutch** and see which side drops.',
  dec: 'Bar level and its clutch tight, tube level: hold the tube, open the **declination clutch** and see which end drops.',
  sideways: 'Point the tube **straight up**, hold it, open the declination clutch and see whether it swings.',
};

const NEXT_WORDS: Record<OrderStep, string> = {
  roughPole: 'set the pole roughly, before the camera blocks the finder',
  dress: 'tick off the final dress',
  ra: 'right ascension',
  dec: 'declination, tube level',
  sideways: 'the tube straight up',
  raAgain: 'right ascension once more',
  roughBalance: 'balance roughly, one clutch at a time',
  cablesLast: 'swing both axes for the cables',
  home: 'home position, then power',
  clutchTight: 'tighten the clutch',
  poleCheck: 'look at the pole again: loading moved it',
};

const MOVED_PIECE: Record<BalanceAxis, (name: string) => string> = {
  ra: () => 'weight',
  dec: () => 'tube',
  sideways: (name) => name,
};

function moveSentence(s: Extract<BalanceSaying, { code: 'move' }>, f: Format, ends: TubeEnds): Said {
  const by = f.quantity(Math.abs(s.moveM), 'barLength');
  const way = toward(s.axis, ends)[s.moveM > 0 ? 0 : 1];
  return `Slide the **${MOVED_PIECE[s.axis](s.name)} ${by} ${way}**, to **${f.quantity(s.toM, 'barLength')}**. Hold the tube.`;
}

export const RINGS = {
  turned: 'The tube is turned',
  said: 'The rig’s record has the tube turned in its rings.',
} as const;

function ringsSentence(byDeg: number | null, f: Format): Said {
  if (byDeg === null)
    return 'Shift what hangs **beside the tube** nearer to it: turning the tube in its rings cannot outweigh it.';
  const way = byDeg > 0 ? 'upper' : 'lower';
  return `Hold the tube and **turn it in its rings by ${f.quantity(Math.abs(byDeg), 'angleDeg', 0)}**: what looks into it goes to the ${way} side.`;
}

/** The sentence for the hand. */
export function balanceSentence(s: BalanceSaying, f: Format, ends: TubeEnds, nameOf: NameOf): Said {
  switch (s.code) {
    case 'notNeeded':
      return s.drive === 'strainWave'
        ? 'Nothing to balance: this drive has no clutch to open. **Check what it has to hold.**'
        : 'Nothing to balance on a bar with this mount.';
    case 'incomplete':
      return 'Complete the rig in **Kit** first.';
    case 'noWeight':
      return 'Add a **movable weight** to the bar in Kit.';
    case 'noMover':
      return s.axis === 'sideways'
        ? 'Leave this out: **nothing hangs beside the tube** that could be shifted.'
        : 'Say in **Kit** what slides with the tube, and what it weighs.';
    case 'turnRings':
      return ringsSentence(s.byDeg, f);
    case 'ringsStay':
      return 'Leave the tube **as it lies in its rings**: nothing hangs to one side.';
    case 'offBar':
      return offBarSentence(s.off, nameOf, f);
    case 'offSaddle':
      return `The saddle does not reach: **move a piece toward the ${ends[s.toward]}** instead.`;
    case 'move':
      return moveSentence(s, f, ends);
    case 'try':
      return s.axis === 'sideways'
        ? HOW_TO_TRY.sideways
        : `Leave it at **${f.quantity(s.atM, 'barLength')}**. ${HOW_TO_TRY[s.axis]}`;
    case 'again':
      return `It stayed. **Nudge it once each way** and answer again, at ${f.quantity(s.atM, 'barLength')}.`;
    case 'balanced':
      return s.axis === 'sideways'
        ? `It stays straight up: **leave the piece at ${f.quantity(s.atM, 'barLength')}**.`
        : `Balanced at **${f.quantity(s.atM, 'barLength')}**. Tighten it and put a tape mark there.`;
    case 'bias':
      return `Slide the **weight ${f.quantity(Math.abs(s.moveM), 'barLength')} ${s.moveM > 0 ? 'outward' : 'inward'}**, to **${f.quantity(s.toM, 'barLength')}**: east a little heavy.`;
  }
}

const joined = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;

/** What changed on the rig since the last balance; empty when nothing did. */
function changeWords({
  added,
  removed,
  moved,
}: Pick<Extract<Why, { code: 'lastTime' }>, 'added' | 'removed' | 'moved'>) {
  return [
    added.length > 0 ? `${joined(added)} came on` : '',
    removed.length > 0 ? `${joined(removed)} went off` : '',
    moved.length > 0 ? `${joined(moved)} moved` : '',
  ].filter((words) => words !== '');
}

function whyWords(why: Why, f: Format, ends: TubeEnds): string {
  switch (why.code) {
    case 'answers':
      return `${dropName(why.lastDrop, ends)}. By your answers it balances between ${f.quantity(Math.min(why.lowM, why.highM), 'barLength')} and ${f.quantity(Math.max(why.lowM, why.highM), 'barLength')}.`;
    case 'lastTime': {
      const changes = changeWords(why);
      const since = changes.length === 0 ? 'Nothing changed since.' : `Since then ${changes.join('; ')}.`;
      return `Last time it stayed at ${f.quantity(why.atM, 'barLength')}. ${since}`;
    }
    case 'stated':
      return `By your masses and distances, good to ${f.quantity(why.withinM, 'barLength')} either way.`;
  }
}

/** The reason, one smaller line. */
export function balanceReason(s: BalanceSaying, f: Format, ends: TubeEnds): string {
  switch (s.code) {
    case 'notNeeded':
      return 'Clutch and counterweight steps are left out of this run.';
    case 'incomplete':
      return 'Without masses and distances there is no position to compute.';
    case 'noWeight':
      return `The tube’s side asks for ${f.quantity(s.momentKgM, 'moment')} on the bar.`;
    case 'noMover':
      return s.axis === 'sideways'
        ? 'With the tube straight up only what sits beside its middle line can swing it.'
        : 'Declination is balanced by sliding the tube in its rings.';
    case 'turnRings':
    case 'ringsStay':
      return 'What looks into a reflector from its side swings it round when the tube points straight up.';
    case 'offBar':
      return offBarReason(s.off, f);
    case 'offSaddle':
      return 'The tube would have to slide past the end that the saddle holds.';
    case 'move':
    case 'try':
      return whyWords(s.why, f, ends);
    case 'again':
      return 'A stiff clutch can hide a small weight; two answers rule that out.';
    case 'balanced':
      return s.next === null ? 'Everything of this bench is done.' : `Next: ${NEXT_WORDS[s.next]}.`;
    case 'bias':
      return `Dead balance is found; the tube hangs ${s.tubeSide}, so the gears are pressed one way. At the flip slide it ${f.quantity(s.stepM, 'barLength')} ${s.tubeSide === 'west' ? 'inward' : 'outward'}.`;
  }
}

export const BAR_EDGES: Record<BarEdge, { choice: string; caption: string }> = {
  axisToMiddle: { choice: 'Polar axis to the weight’s middle', caption: 'from the polar axis to the weight’s middle' },
  shoulderToNearEdge: { choice: 'Head to the weight’s near edge', caption: 'from the head to the weight’s near edge' },
  endStopToFarEdge: {
    choice: 'End stop to the weight’s far edge',
    caption: 'from the end stop to the weight’s far edge',
  },
};
export function tubeEdges(ends: TubeEnds): Record<TubeEdge, { choice: string; caption: string }> {
  const to = (end: string) => ({
    choice: `Saddle’s middle to the ${end}`,
    caption: `from the saddle’s middle to the ${end}`,
  });
  return { saddleToFront: to(ends.front), saddleToRear: to(ends.rear) };
}
export const ANSWER_WORDS = 'A button records the answer with this place';
/** What the place of each axis is called in its field. */
/** The pale number is reckoned, not read. */
export const TAPE_HINT = 'Read it first: the pale number is only what is expected.';

export const PLACE_LABELS: Record<BalanceAxis, string> = {
  ra: 'The tape reads',
  dec: 'The tape reads',
  sideways: 'From the tube’s middle line, upper side +',
};

/** What is named in the drawings. */
export const DRAWING_WORDS = {
  saddle: 'saddle',
  upright: { upper: 'upper side of the level tube', lower: 'lower side', axis: 'declination axis' },
};

/** A trial as it was recorded. */
export function trialSaid(drops: Drops, placeM: number, f: Format, ends: TubeEnds): string {
  return `${dropName(drops, ends)} at ${f.quantity(placeM, 'barLength')}: recorded.`;
}

/** Two explanations of one balance. */
export function impliedWords(
  implied: { name: string; statedKg: number; impliedKg: number; statedArmM: number; impliedArmM: number },
  f: Format,
): string {
  const { name, statedKg, impliedKg, statedArmM, impliedArmM } = implied;
  return `It balanced elsewhere than your masses say. If only the ${name} is off, it weighs ${f.quantity(impliedKg, 'mass')} instead of ${f.quantity(statedKg, 'mass')}, or its middle lies ${f.quantity(Math.abs(impliedArmM), 'barLength')} from the axis instead of ${f.quantity(Math.abs(statedArmM), 'barLength')}. The next prediction uses this balance either way.`;
}

export const BIAS_WORDS = {
  title: 'Dead balance or east heavy',
  dead: 'Dead balance: the default. The drive carries nothing but friction.',
  eastHeavy: 'East a little heavy: gears stay pressed one way. For a worm that wanders or bounces in the log.',
};

/** What a bias means with the tube on either side; readings of the tape. */
export function biasWords(westM: number, eastM: number, f: Format): string {
  const at = (readingM: number): string => f.quantity(readingM, 'barLength');
  return `Tube west of the column: ${at(westM)}. Tube east: ${at(eastM)}. At the flip that is ${at(Math.abs(westM - eastM))}.`;
}

export function impliedSaid(name: string): string {
  return `${name}: taken over from the balance.`;
}

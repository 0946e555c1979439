/** Words of the tube and what it comes near to. */
import { wrap360 } from '../core/math/angles.ts';
import type { ClearanceGeometry, Closest, Mover, Obstacle } from '../core/mount/clearance.ts';
import { barOfPose, type WorstPose } from '../core/night/advice/worstPose.ts';
import type { FlipState } from '../core/mount/pose.ts';
import type { GapShift } from '../core/night/learned/gapShift.ts';
import { CLEARANCE_MARGIN_M, type MeridianLimit } from '../core/night/plan/meridianLimit.ts';
import type { Unmeasured } from '../core/rig/clearanceOfRig.ts';
import type { MeasureTape, TapeCode } from '../core/rig/measureTapes.ts';
import { compassPoint } from './compassWords.ts';
import type { Format } from './format.ts';
import type { Said } from './said.ts';

const MOVERS: Record<Mover, string> = { tube: 'tube', camera: 'camera', bar: 'bar and weights' };
const LEGS: readonly Obstacle[] = ['leg0', 'leg1', 'leg2'];

/** A leg is told by where it stands: nobody numbers them. */
function obstacleWords(obstacle: Obstacle, firstFootAzimuthDeg: number): string {
  if (obstacle === 'column' || obstacle === 'ground') return `the ${obstacle}`;
  return `the leg in the ${compassPoint(wrap360(firstFootAzimuthDeg + 120 * LEGS.indexOf(obstacle)))}`;
}

type Feet = Pick<ClearanceGeometry, 'firstFootAzimuthDeg'>;

/** `camera to the leg in the south-west` */
export const pairWords = ({ piece, obstacle }: Closest, { firstFootAzimuthDeg }: Feet): string =>
  `${MOVERS[piece]} to ${obstacleWords(obstacle, firstFootAzimuthDeg)}`;

/** `Camera to the column: 84 mm`; an overlap is told as one. */
export function gapWords(closest: Closest, gapM: number, feet: Feet, f: Format): string {
  const pair = pairWords(closest, feet);
  const name = pair.charAt(0).toUpperCase() + pair.slice(1);
  return gapM > 0 ? `${name}: ${f.quantity(gapM, 'barLength')}` : `${name}: they touch`;
}

export const CLEAR = {
  views: { pole: 'From the pole’s side', east: 'From the east' },
  now: 'Nearest now',
  title: 'Try the worst pose by day',
  measured: 'Measured by day',
  gap: 'The gap there',
  gapHint: 'With a ruler between the two, at its narrowest.',
  record: 'Record this gap',
  hand: 'A hand’s breadth fits',
  handSaid: 'Gap recorded: a hand’s breadth at least.',
  measure: 'Where the tape goes',
  measureHint: 'The rig in its home position. Dashed = a guess.',
  map: 'Where the tube may be',
  mapMissing: 'The map could not be reckoned. Reload to try again.',
} as const;

/** What the map shows. */
export const mapWords = (state: FlipState): string =>
  `${state === 'beforeFlip' ? 'Before' : 'After'} the flip: amber = nearer than the margin, dark = it touches; the bar is tonight’s target.`;

/** A hand held flat, thumb beside it. */
export const HAND_BREADTH_M = 0.09;

/** How the pose is set by hand, power off. */
export function poseSentence(pose: WorstPose, feet: Feet, f: Format): Said {
  const { belowDeg, west } = barOfPose(pose);
  const bar =
    Math.abs(belowDeg) < 1
      ? 'the **bar level**'
      : `the bar so that the **tube’s end stands ${f.quantity(Math.abs(belowDeg), 'angleDeg', 0)} ${belowDeg > 0 ? 'below' : 'above'} the level**`;
  return `Power off, tube held: set ${bar}, tube on the ${west ? 'west' : 'east'} side, declination **${f.quantity(pose.decDeg, 'angleDeg', 0)}**. Measure the gap from the ${pairWords(pose.closest, feet)}.`;
}

export function poseReason(pose: WorstPose, shift: GapShift | null, feet: Feet, f: Format): string {
  const when = `So it comes nearest tonight, at ${f.clock(pose.timeMs)}: ${gapWords(pose.closest, pose.clearanceM, feet, f)}`;
  if (shift === null) return `${when} by the measures of your rig. Nobody has measured it yet.`;
  const said = shift.count === 1 ? 'your measured gap says' : `${shift.count} measured gaps say`;
  // Rounded to what a ruler tells.
  if (Math.abs(shift.shiftM) < 0.0005) return `${when}, as ${said} and the drawing has it.`;
  const amount = f.quantity(Math.abs(shift.shiftM), 'barLength');
  return `${when}, with what ${said}: ${amount} ${shift.shiftM < 0 ? 'less' : 'more'} than the drawing.`;
}

const TAPES: Record<TapeCode, string> = {
  pivotHeight: 'from the ground up to where the axes cross',
  axisForward: 'from the column’s middle level to where the axes cross',
  columnTopDrop: 'from that height down to where the column ends',
  hubHeight: 'from the ground up to where the legs meet',
  footRadius: 'from under the column’s middle to a foot',
  tubeOffset: 'from the polar axis to the tube’s middle line',
  tubeFront: 'from the saddle’s middle to the tube’s front, dew shield on',
  tubeBack: 'from the saddle’s middle to the tube’s back, focuser out',
};

/** `A, from the ground up to where the axes cross: 1.23 m, a guess` */
export const tapeWords = ({ letter, code, lengthM, guessed }: MeasureTape, f: Format): string =>
  `${letter}, ${TAPES[code]}: ${f.quantity(lengthM, 'length')}${guessed ? ', a guess' : ''}`;

/** Where the figure is written down. */
const KEPT_IN: Record<Unmeasured, string> = {
  axes: 'Where the axes cross: in Kit, with the mount.',
  tripod: 'Hub, column, legs and feet: in Kit, with the tripod.',
  tube: 'Front, back and radius: in Kit, with the tube.',
  place: 'Its place: in Kit, on the rig’s drawing.',
};
export const keptInWords = (what: Unmeasured): string => KEPT_IN[what];

type Decides = Pick<MeridianLimit, 'limitH' | 'source' | 'tube'>;

/** What decides how far it runs. */
export function limitWords({ limitH, source, tube }: Decides, f: Format): string {
  const amount = f.duration(Math.abs(limitH) * 3600);
  const side = limitH < 0 ? 'before' : 'past';
  switch (source) {
    case 'night':
      return `You set the limit at ${amount} ${side} it.`;
    case 'mount':
      return `The mount’s limit stands ${amount} ${side} it.`;
    case 'cable':
      return `The cables reach ${amount} ${side} it.`;
    case 'fitting':
      return `A fitting hits ${amount} ${side} it, as you marked.`;
    case 'clearance':
      return tube?.closest
        ? `From ${amount} past it on the margin of ${f.quantity(CLEARANCE_MARGIN_M, 'barLength')} is used up, ${pairWords(tube.closest, tube.geometry)}.`
        : '';
    case 'clear':
      return 'The tube stays clear all the way: nothing else limits it.';
    case 'unmeasured':
      return 'How far the tube may run is a guess, so the flip is placed at the meridian: measure the worst pose.';
  }
}

/** Where neither side is free for a while, the tube has to wait. */
export const waitWords = (fromMs: number, untilMs: number, isGuess: boolean, f: Format): string =>
  `From ${f.clock(fromMs)} to ${f.clock(untilMs)} the tube may stand on neither side: stop it, and send it over then.${isGuess ? ' That is reckoned with a guess: measure the worst pose.' : ''}`;

export const LIMITS = {
  save: 'Keep these limits',
  saved: 'Limits of this rig kept.',
  names: {
    pastMeridianLimitH: 'The mount stops or flips by itself',
    earliestFlipH: 'The mount agrees to go over from',
    cableLimitH: 'The cables reach to',
    fittingLimitH: 'A fitting hits at',
  },
  hints: {
    pastMeridianLimitH: 'Its own limit past the meridian.',
    earliestFlipH: 'Sent over earlier, it comes back to the same side. Empty = at the meridian.',
    cableLimitH: 'Turned on by hand with the power off, until the first one pulls.',
    fittingLimitH: 'A screw of the bracket or the ball head, as it is turned tonight.',
  },
} as const;

/** Of a mount that never flips: how far it turns about the meridian. */
export const travelWords = ([fromH, toH]: readonly [number, number], f: Format): string =>
  `It turns from ${f.hours(fromH)} to ${f.hours(toH)} hours about the meridian, and stops there.`;

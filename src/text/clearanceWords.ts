/** Words of the tube and what it comes near to. */
import { wrap360 } from '../core/math/angles.ts';
import type { ClearanceGeometry, Closest, Mover, Obstacle } from '../core/mount/clearance.ts';
import { barOfPose, type WorstPose } from '../core/night/advice/worstPose.ts';
import type { FlipState } from '../core/mount/pose.ts';
import type { GapShift } from '../core/night/learned/gapShift.ts';
import type { MeridianLimit } from '../core/night/plan/meridianLimit.ts';
import { CLEARANCE_MARGIN_M } from '../core/night/plan/tubeClearance.ts';
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

type Feet = Pick<ClearanceGeometry, 'firstFootAzimuthDeg' | 'looker'>;

/** `camera to the leg in the south-west` */
export const pairWords = ({ piece, obstacle }: Closest, { firstFootAzimuthDeg, looker }: Feet): string =>
  `${piece === 'camera' ? (looker ?? MOVERS.camera) : MOVERS[piece]} to ${obstacleWords(obstacle, firstFootAzimuthDeg)}`;

type Gap = {
  gapM: number;
  /** Its doubt; null = none is told. */
  sigmaM: number | null;
};

/** `Camera to the column: 84 mm ±12 mm`; an overlap is told as one. */
export function gapWords(closest: Closest, { gapM, sigmaM }: Gap, feet: Feet, f: Format): string {
  const pair = pairWords(closest, feet);
  const name = pair.charAt(0).toUpperCase() + pair.slice(1);
  if (gapM <= 0) return `${name}: they touch`;
  const doubt = sigmaM === null ? '' : ` ${f.doubt(sigmaM, 'barLength')}`;
  return `${name}: ${f.quantity(gapM, 'barLength')}${doubt}`;
}

export const CLEAR = {
  views: { pole: 'From the pole’s side', east: 'From the east' },
  now: 'Nearest now',
  title: 'Try the worst pose by day',
  measured: 'Measured by day',
  gap: 'The gap there',
  gapHint: 'With a ruler between the two, at its narrowest.',
  record: 'Record this gap',
  measure: 'Where the tape goes',
  measureHint: 'The tube to the pole, what balances it straight down. Dashed = a guess.',
  map: 'Where the tube may be',
  mapMissing: 'The map could not be reckoned. Reload to try again.',
} as const;

/** What the map shows. */
export const mapWords = (state: FlipState): string =>
  `${state === 'beforeFlip' ? 'Before' : 'After'} the flip: amber = nearer than the margin, dark = it touches; the line across is tonight’s target.`;

/** How the pose is set by hand, power off. */
export function poseSentence(pose: WorstPose, feet: Feet, f: Format, hasBar: boolean): Said {
  const across = hasBar ? 'bar' : 'declination axis';
  const { belowDeg, west } = barOfPose(pose);
  const bar =
    Math.abs(belowDeg) < 1
      ? `the **${across} level**`
      : `the ${across} so that the **tube’s end stands ${f.quantity(Math.abs(belowDeg), 'angleDeg', 0)} ${belowDeg > 0 ? 'below' : 'above'} the level**`;
  return `Power off, tube held: set ${bar}, tube on the ${west ? 'west' : 'east'} side, declination **${f.quantity(pose.decDeg, 'angleDeg', 0)}**. Measure the gap from the ${pairWords(pose.clearance.closest, feet)}.`;
}

export function poseReason(pose: WorstPose, shift: GapShift | null, feet: Feet, f: Format): string {
  const { value: gapM, doubt: sigmaM, drawnM } = pose.clearance;
  const when = `So it comes nearest tonight, at ${f.clock(pose.timeMs)}: ${gapWords(pose.clearance.closest, { gapM, sigmaM }, feet, f)}`;
  if (shift === null) return `${when} by the lengths in your rig’s record. Nobody has measured it yet.`;
  const said = shift.count === 1 ? 'your measured gap says' : `${shift.count} measured gaps say`;
  // Rounded to what a ruler tells.
  const moreM = gapM - drawnM;
  if (Math.abs(moreM) < 0.0005) return `${when}, as ${said} and the drawing has it.`;
  const amount = f.quantity(Math.abs(moreM), 'barLength');
  return `${when}, with what ${said}: ${amount} ${moreM < 0 ? 'less' : 'more'} than the drawing.`;
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
  camera: 'Its length and radius: in Kit, with the camera.',
  place: 'Its place: in Kit, on the rig’s drawing.',
};
export const keptInWords = (what: Unmeasured): string => KEPT_IN[what];

type Decides = Pick<MeridianLimit, 'limitH' | 'source' | 'tube'>;

/** `1 h 20 past it`, `20 min before it`. */
const besideMeridian = (limitH: number, f: Format): string =>
  `${f.duration(Math.abs(limitH) * 3600)} ${limitH < 0 ? 'before' : 'past'} it`;

/** What may come too near past the meridian, where nothing is known well enough. */
function doubtWords({ tube }: Pick<Decides, 'tube'>, f: Format): string {
  const ask = 'measure the worst pose by day';
  if (!tube?.mayTouch)
    return `How far the tube may run past it is not known well enough: flip at the meridian, or ${ask}.`;
  const { haH, closest } = tube.mayTouch;
  const pair = pairWords(closest, tube.geometry);
  const when = haH < NOW_H ? 'Soon past it' : `About ${besideMeridian(haH, f)}`;
  const margin = f.quantity(CLEARANCE_MARGIN_M, 'barLength');
  return `${when} less than ${margin} may be left, ${pair}: the lengths are not known well enough. Flip at the meridian, or ${ask}.`;
}
const NOW_H = 1 / 60;

/** What decides how far it runs. */
export function limitWords({ limitH, source, tube }: Decides, f: Format): string {
  const where = besideMeridian(limitH, f);
  switch (source) {
    case 'night':
      return `You set the limit at ${where}.`;
    case 'mount':
      return `The mount’s limit stands ${where}.`;
    case 'cable':
      return `The cables reach ${where}.`;
    case 'fitting':
      return `A fitting hits ${where}, as you marked.`;
    case 'clearance':
      return tube?.closest
        ? `From ${where} on the margin of ${f.quantity(CLEARANCE_MARGIN_M, 'barLength')} is used up, ${pairWords(tube.closest, tube.geometry)}.`
        : 'On this side of it the tube touches everywhere.';
    case 'clear':
      return 'The tube stays clear all the way: nothing else limits it.';
    case 'doubt':
      return doubtWords({ tube }, f);
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

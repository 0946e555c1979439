/** Words of the tube and what it comes near to. */
import { wrap360 } from '../core/math/angles.ts';
import type { ClearanceGeometry, Closest, Mover, Obstacle } from '../core/mount/clearance.ts';
import { barOfPose, type WorstPose } from '../core/night/meridian/worstPose.ts';
import type { FlipState } from '../core/mount/pose.ts';
import type { GapShift } from '../core/night/meridian/gapShift.ts';
import { CLEARANCE_MARGIN_M, type MeridianLimit } from '../core/night/meridian/meridianLimit.ts';
import type { Unmeasured } from '../core/rig/clearanceOfRig.ts';
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
  measure: 'What to measure',
  map: 'Where the tube may be',
  mapMissing: 'The map could not be reckoned. Reload to try again.',
} as const;

/** What the map shows. */
export const mapWords = (state: FlipState): string =>
  `${state === 'beforeFlip' ? 'Before' : 'After'} the flip: amber = nearer than the margin, dark = it touches; the bar is tonight’s target.`;

/** After the flip a target that never sets may bring the tube down again on the other side. */
export const secondLimitWords = (timeMs: number, f: Format): string =>
  `After the flip the tube stays clear until ${f.clock(timeMs)}: no sub is planned beyond.`;

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

const MEASURES: Record<Unmeasured, string> = {
  axes: 'From the ground up to where the axes cross; from there level to the column’s middle; and down to where the column ends. In Kit, with the mount.',
  tripod:
    'The hub’s height, the column’s and a leg’s thickness, a foot’s distance from the middle. In Kit, with the tripod.',
  tube: 'From the saddle’s middle to the front and to the back, focuser out; and across. In Kit, with the tube.',
  place: 'From the polar axis to the tube’s middle line. In Kit, on the rig’s drawing.',
};
export const measureWords = (what: Unmeasured): string => MEASURES[what];

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

/** Where the margin is used up on both sides of the meridian, the subs have to wait. */
export const waitWords = (untilMs: number, isGuess: boolean, f: Format): string =>
  `Flipped, the tube is clear only from ${f.clock(untilMs)} on: no sub is planned before.${isGuess ? ' That is reckoned with a guess: measure the worst pose.' : ''}`;

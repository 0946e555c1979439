/** Words of the half-turn test: what blocks the view, what to mark, which screws to turn. */
import type { Format } from './format.ts';
import { clockFaceWords, turnWords } from './polarWords.ts';
import type { Said } from './said.ts';

export type PlateSaying =
  | { code: 'noFinder' }
  | { code: 'fixedFinder' }
  | { code: 'markBefore' }
  | { code: 'markAfter'; turnsWithAxis: boolean }
  | { code: 'reading'; sizeArcmin: number }
  | { code: 'good'; sizeArcmin: number; limitArcmin: number }
  | { code: 'turnScrews'; sizeArcmin: number }
  | { code: 'noScrews'; sizeArcmin: number };

export function plateSentence(saying: PlateSaying, f: Format): Said {
  switch (saying.code) {
    case 'noFinder':
      return 'This mount has **no polar finder**: aim it down its open bore.';
    case 'fixedFinder':
      return 'Turn the finder **in its own holder** by half a turn, and mark the point before and after.';
    case 'markBefore':
      return 'Dial upright, a distant point near the cross: **mark where it stands**.';
    case 'markAfter':
      return `Now turn ${saying.turnsWithAxis ? 'right ascension' : 'the finder in its holder'} by **half a turn** and mark where the point stands.`;
    case 'reading':
      return `The cross stands **${f.quantity(saying.sizeArcmin, 'arcmin')} beside the axis**. Record the test.`;
    case 'good':
      return `The cross is true to **${f.quantity(saying.sizeArcmin, 'arcmin')}**: leave the screws alone.`;
    case 'turnScrews':
      return `The cross stands **${f.quantity(saying.sizeArcmin, 'arcmin')} beside the axis**: turn the screws as drawn, then test again.`;
    case 'noScrews':
      return `The cross stands **${f.quantity(saying.sizeArcmin, 'arcmin')} beside the axis**. Enter the angles of its screws in Kit to be told which to turn.`;
  }
}

export function plateReason(saying: PlateSaying, f: Format): string {
  switch (saying.code) {
    case 'noFinder':
      return 'What you see through the far opening is where the axis points.';
    case 'fixedFinder':
      return 'Its plate does not turn with the axis: the test makes the cross true to the holder, not to the axis. Check that once by drift.';
    case 'markBefore':
      return `By day, on a sharp point at least ${f.quantity(200, 'elevation')} away, never the sun. The test tells how far the cross is off the axis.`;
    case 'markAfter':
      return 'The point stays, the cross wanders round the axis: half the way between the marks is its error.';
    case 'reading':
      return 'Half the way between the two marks.';
    case 'good':
      return `Under ${f.quantity(saying.limitArcmin, 'arcmin', 0)} the eye tells no more; what is left is taken off the dial’s reading.`;
    case 'turnScrews':
      return 'Leave the axis as it stands now. A quarter turn at most, loosen before you tighten, all snug after each round, or the plate falls out. Watch the point: it must come into the small ring.';
    case 'noScrews':
      return 'Until then the dial’s reading allows for it.';
  }
}

/** What has to be out of the way first. */
export const BORE_STEPS: readonly string[] = [
  'On the tripod as it stands at night, everything tight: a head in the hand bends otherwise.',
  'Lower the altitude until the axis looks at a roof edge or a mast, {200 m} away or more; note the scale to come back to.',
  'Turn declination until the bore through the axis is open; some shafts have a hole on one side only.',
  'Take off the caps at both ends of the finder.',
  'Nothing on yet that hangs before the opening.',
  'Focus: first the finder’s own lens until the engraving is sharp, then, if the objective can be screwed, until the point is sharp too. The point must not move against the cross when you move your eye.',
];

/** Less is not felt by a hand. */
const LEAST_TURNS = 1 / 90;

/** Fractions of a turn as hands know them; in between the angle says it. */
const FRACTIONS: readonly (readonly [number, string])[] = [
  [1 / 4, 'a quarter turn'],
  [1 / 8, 'an eighth'],
  [1 / 16, 'a sixteenth'],
];

function fractionWords(turns: number, f: Format): string {
  const near = FRACTIONS.find(([fraction]) => Math.abs(turns - fraction) < 0.06 * fraction);
  return near ? near[1] : turnWords(turns, f);
}

/** `Loosen the screw at 3 o’clock by an eighth.` */
export function screwWords({ angleDeg, turns }: { angleDeg: number; turns: number }, f: Format): string {
  const place = clockFaceWords(angleDeg);
  if (Math.abs(turns) < LEAST_TURNS) return `Leave the screw at ${place}.`;
  return `${turns > 0 ? 'Tighten' : 'Loosen'} the screw at ${place} by ${fractionWords(Math.abs(turns), f)}.`;
}

/** Said above the turns, in their order. */
export function roundsWords(rounds: number): string {
  return rounds === 1
    ? 'In this order, then all snug:'
    : `${rounds} rounds of this, in this order, all snug after each:`;
}

export function parallaxWords(arcmin: number, distanceM: number, f: Format): string {
  return `At ${f.quantity(distanceM, 'elevation')} a lens that sits ${f.quantity(0.005, 'barLength')} beside the axis shifts the point by ${f.quantity(arcmin, 'arcmin', 2)}.`;
}

export function boreWords(accuracyDeg: number, f: Format): string {
  return `Centre the pole’s star in the far opening: good to about ${f.quantity(accuracyDeg, 'angleDeg')}. Then drift or the camera does the rest.`;
}

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
      return 'By day, on a sharp point at least 200 m away, never the sun. The test tells how far the cross is off the axis.';
    case 'markAfter':
      return 'The point stays, the cross wanders round the axis: half the way between the marks is its error.';
    case 'reading':
      return 'Half the way between the two marks.';
    case 'good':
      return `Under ${f.quantity(saying.limitArcmin, 'arcmin', 0)} the eye tells no more; what is left is taken off the dial’s reading.`;
    case 'turnScrews':
      return 'Leave the axis as it stands now. Loosen first, then tighten as much; never the last screw loose, or the plate falls out. Watch the point: it must come into the small ring.';
    case 'noScrews':
      return 'Until then the dial’s reading allows for it.';
  }
}

/** What has to be out of the way first. */
export const BORE_STEPS: readonly string[] = [
  'Turn declination until the bore through the axis is open; some shafts have a hole on one side only.',
  'Take off the caps at both ends of the finder.',
  'No camera on yet where it hangs before the opening.',
  'Focus: first the eyepiece until the engraving is sharp, then, if the objective can be screwed, until the point is sharp too. The point must not move against the cross when you move your eye.',
];

/** `at 3 o’clock: loosen 40°` */
export function screwWords({ angleDeg, turns }: { angleDeg: number; turns: number }, f: Format): string {
  const place = clockFaceWords(angleDeg);
  if (Math.abs(turns) < 1 / 90) return `Screw at ${place}: leave it.`;
  return `Screw at ${place}: ${turns > 0 ? 'tighten' : 'loosen'} ${turnWords(Math.abs(turns), f)}.`;
}

export function shareWords(share: number): string {
  const steps = Math.ceil(1 / share);
  return steps === 1 ? '' : `That is much at once: go in ${steps} equal steps, all screws snug after each.`;
}

export function parallaxWords(arcmin: number, distanceM: number, f: Format): string {
  return `At ${f.quantity(distanceM, 'length', 0)} a lens that sits 5 mm beside the axis shifts the point by ${f.quantity(arcmin, 'arcmin', 2)}.`;
}

export function boreWords(accuracyDeg: number, f: Format): string {
  return `Centre the pole’s star in the far opening: good to about ${f.quantity(accuracyDeg, 'angleDeg')}. Then drift or the camera does the rest.`;
}

/** What corners seen by eye add to the account: the spread that makes a star as long as it was seen. */
import { lieOf, strengthOf, type Corner, type SeenStar } from '../../optics/corners/seen.ts';
import type { PlannedSub } from '../../verdict/plannedSub.ts';
import { offsetOf, type Spacing } from '../../optics/spacing.ts';
import { SAME_STACK_MM, type SpacingTried, type TriedSpacing } from '../learned/spacingTried.ts';

/** Length over width of what one calls slight, and strong. */
const SEEN_RATIO = [1, 1.15, 1.4] as const;
/** In the order of the frame's points: +width +height first, then round. */
const IN_ORDER: readonly [Corner, Corner, Corner, Corner] = ['topRight', 'topLeft', 'bottomLeft', 'bottomRight'];

/** Verdicts that say what the distance or tilt does to the corners. */
const TELLING: ReadonlySet<string> = new Set(['good', 'tooClose', 'tooFar', 'tilt', 'coma']);

/** The last look that tells of a stack as it stands now, whatever was tried in between; null = nobody looked at this one. */
export function presentLook({ tried }: SpacingTried, spacing: Spacing | null): TriedSpacing | null {
  const presentMm = spacing ? offsetOf(spacing) : null;
  const isOfThis = ({ offsetMm }: TriedSpacing): boolean =>
    presentMm === null || offsetMm === null ? presentMm === offsetMm : Math.abs(offsetMm - presentMm) < SAME_STACK_MM;
  return tried.findLast((one) => TELLING.has(one.verdict.code) && isOfThis(one)) ?? null;
}

/** @param evenSigmaArcsec of the star that nothing lengthens. */
export function seenSpread({ reading }: TriedSpacing, evenSigmaArcsec: number): NonNullable<PlannedSub['spacing']> {
  const { places } = reading.values;
  const across = IN_ORDER.filter((c) => lieOf(c, places[c]) === 'across').length;
  const along = IN_ORDER.filter((c) => lieOf(c, places[c]) === 'along').length;
  const direction = across > along ? 'tangential' : 'radial';
  const of = (corner: Corner): number => spreadOf(places[corner]) * evenSigmaArcsec;
  const [a, b, c, d] = IN_ORDER;
  return { sigmaArcsec: [of(a), of(b), of(c), of(d)], direction };
}

/** Of the even width: what must be added along one way to make a star so much longer than wide. */
function spreadOf(star: SeenStar): number {
  const ratio = SEEN_RATIO[strengthOf(star)] ?? 1;
  return Math.sqrt(ratio ** 2 - 1);
}

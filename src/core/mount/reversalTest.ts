/** Play of the declination gears by hand: pushed one way until the star moves, then the other way; until it moves back the
 *  gears only take up their play.
 *  Source: dead time of a reversal times the rate at which the motor turns. */
import { median, SIGMA_PER_MEDIAN_DISTANCE } from '../math/statistics.ts';
import { requirePositive } from '../result.ts';

export type Way = 'north' | 'south';
/** Toward which way it was pressed, and how long nothing moved. */
export type Reversal = { way: Way; deadS: number };
export type ReversalTest = { reversals: readonly Reversal[] } &
  /** Nothing is pressed yet. */
  (
    | { at: 'ready' }
    /** The star moves one way: the gears lie against each other. */
    | { at: 'moving'; way: Way }
    /** Pressed the other way, and nothing moves yet. */
    | { at: 'waiting'; way: Way; sinceMs: number }
  );
export type ReversalStep = { does: 'press'; atMs: number } | { does: 'seen'; atMs: number } | { does: 'dropLast' };

export const REVERSAL_READY: ReversalTest = { at: 'ready', reversals: [] };
/** Nobody holds a button for longer. */
const LONGEST_S = 120;
export const otherWay = (way: Way): Way => (way === 'north' ? 'south' : 'north');

/** The test after one more step; a step that does not belong there changes nothing. */
export function afterStep(test: ReversalTest, step: ReversalStep): ReversalTest {
  const { reversals } = test;
  if (step.does === 'dropLast')
    return { at: 'ready', reversals: test.at === 'waiting' ? reversals : reversals.slice(0, -1) };
  if (test.at === 'ready') return step.does === 'press' ? { at: 'moving', way: 'north', reversals } : test;
  if (test.at === 'moving')
    return step.does === 'press' ? { at: 'waiting', way: otherWay(test.way), sinceMs: step.atMs, reversals } : test;
  if (step.does !== 'seen') return test;
  const deadS = (step.atMs - test.sinceMs) / 1000;
  if (deadS < 0 || deadS > LONGEST_S) return { at: 'ready', reversals };
  return { at: 'moving', way: test.way, reversals: [...reversals, { way: test.way, deadS }] };
}

/** Ways of which there is no reversal yet: a drift shortens the one and lengthens the other, so both are wanted. */
export const missingWays = (reversals: readonly Reversal[]): Way[] =>
  (['south', 'north'] as const).filter((way) => reversals.every((r) => r.way !== way));

/** An eye sees a star move that has gone so far. */
const SEEN_ARCSEC = 1.5;

export type PlayByHand = { arcsec: number; sigmaArcsec: number };

/** Halfway between the two ways: 1.2 s either way at half the star rate are 9.0 arcsec. Null before there is one each way.
 *  @param rateArcsecPerS at which the motor turns while the button is held, > 0. */
export function playByHand(reversals: readonly Reversal[], rateArcsecPerS: number): PlayByHand | null {
  requirePositive('rateArcsecPerS', rateArcsecPerS);
  const middleOf = (way: Way): number | null => median(reversals.filter((r) => r.way === way).map((r) => r.deadS));
  const [north, south] = [middleOf('north'), middleOf('south')];
  if (north === null || south === null) return null;
  const off = reversals.map(({ way, deadS }) => Math.abs(deadS - (way === 'north' ? north : south)));
  const spreadS = SIGMA_PER_MEDIAN_DISTANCE * (median(off) ?? 0);
  const sigmaArcsec = Math.hypot((spreadS * rateArcsecPerS) / Math.sqrt(reversals.length), SEEN_ARCSEC);
  return { arcsec: ((north + south) / 2) * rateArcsecPerS, sigmaArcsec };
}

export type PlayVerdict = 'small' | 'oneWay' | 'much';
/** Up to a seeing disc a guider copes; above several of them each reversal costs it seconds. */
export function verdictOfPlay(arcsec: number): PlayVerdict {
  if (arcsec <= SMALL_ARCSEC) return 'small';
  return arcsec <= MUCH_ARCSEC ? 'oneWay' : 'much';
}
const SMALL_ARCSEC = 4;
const MUCH_ARCSEC = 20;

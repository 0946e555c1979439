/** Play of the declination gears by hand: pushed one way until the star moves, then the other way; until it moves back the
 *  gears only take up their play.
 *  Source: dead time of a reversal times the rate at which the motor turns. */
import { median } from '../math/statistics.ts';
import { requirePositive } from '../result.ts';

export type Way = 'north' | 'south';
export type ReversalTest =
  /** Nothing is pressed yet. */
  | { at: 'ready'; deadS: readonly number[] }
  /** The star moves one way: the gears lie against each other. */
  | { at: 'moving'; way: Way; deadS: readonly number[] }
  /** Pressed the other way, and nothing moves yet. */
  | { at: 'waiting'; way: Way; sinceMs: number; deadS: readonly number[] };
export type ReversalStep = { does: 'press'; atMs: number } | { does: 'seen'; atMs: number } | { does: 'dropLast' };

export const REVERSAL_READY: ReversalTest = { at: 'ready', deadS: [] };
/** Nobody holds a button for longer. */
const LONGEST_S = 120;
const other = (way: Way): Way => (way === 'north' ? 'south' : 'north');

/** The test after one more step; a step that does not belong there changes nothing. */
export function afterStep(test: ReversalTest, step: ReversalStep): ReversalTest {
  const { deadS } = test;
  if (step.does === 'dropLast') return { at: 'ready', deadS: test.at === 'waiting' ? deadS : deadS.slice(0, -1) };
  if (test.at === 'ready') return step.does === 'press' ? { at: 'moving', way: 'north', deadS } : test;
  if (test.at === 'moving')
    return step.does === 'press' ? { at: 'waiting', way: other(test.way), sinceMs: step.atMs, deadS } : test;
  if (step.does !== 'seen') return test;
  const passedS = (step.atMs - test.sinceMs) / 1000;
  if (passedS < 0 || passedS > LONGEST_S) return { at: 'ready', deadS };
  return { at: 'moving', way: test.way, deadS: [...deadS, passedS] };
}

/** One each way at least: a drift shortens the one and lengthens the other. */
export const FEWEST_REVERSALS = 2;
/** An eye sees a star move that has gone so far. */
const SEEN_ARCSEC = 1.5;

export type PlayByHand = { arcsec: number; sigmaArcsec: number };

/** 1.2 s at half the star rate are 9.0 arcsec. Null before there is one reversal each way.
 *  @param rateArcsecPerS at which the motor turns while the button is held, > 0. */
export function playByHand(deadS: readonly number[], rateArcsecPerS: number): PlayByHand | null {
  requirePositive('rateArcsecPerS', rateArcsecPerS);
  const middleS = median(deadS);
  if (middleS === null || deadS.length < FEWEST_REVERSALS) return null;
  const spreadS = (median(deadS.map((s) => Math.abs(s - middleS))) ?? 0) * 1.4826;
  const sigmaArcsec = Math.hypot((spreadS * rateArcsecPerS) / Math.sqrt(deadS.length), SEEN_ARCSEC);
  return { arcsec: middleS * rateArcsecPerS, sigmaArcsec };
}

export type PlayVerdict = 'small' | 'oneWay' | 'much';
/** Up to a seeing disc a guider copes; above several of them each reversal costs it seconds. */
export function verdictOfPlay(arcsec: number): PlayVerdict {
  if (arcsec <= SMALL_ARCSEC) return 'small';
  return arcsec <= MUCH_ARCSEC ? 'oneWay' : 'much';
}
const SMALL_ARCSEC = 4;
const MUCH_ARCSEC = 20;

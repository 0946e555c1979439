/** Play of the declination gears, from a guider's own log: of every push the other way some is lost before the star moves.
 *  The play is the one with which the star's course, less what really moved, is a straight drift.
 *  Source: dead band of a gear train; least squares over the band. */
import { linearFit } from '../math/leastSquares.ts';
import type { TrackSeries } from './trackSeries.ts';

export type Play = {
  playArcsec: number;
  /** What moved the star until each row, summed. */
  movedDecArcsec: Float64Array;
};

const MOST_ARCSEC = 30;
const STEP_ARCSEC = 0.2;
const FINE_ARCSEC = 0.05;
/** Rows that tell it; more cost time. */
const MOST_ROWS = 4000;
const FEWEST_REVERSALS = 6;
/** Taking the play off must leave so much less of the course's spread: else there is none to speak of. */
const LEAST_GAIN = 1.5;

/** Pushes of a gear with play, summed. @param start where in the band it stands at first, 0 to 1. */
function movedBy(sent: Float64Array, playArcsec: number, start: number): Float64Array {
  const moved = new Float64Array(sent.length);
  let slack = start * playArcsec;
  for (let i = 1; i < sent.length; i += 1) {
    const before = slack + (sent[i] as number) - (sent[i - 1] as number);
    slack = Math.min(playArcsec, Math.max(0, before));
    moved[i] = (moved[i - 1] as number) + before - slack;
  }
  return moved;
}

function reversalsIn(sent: Float64Array): number {
  let [last, count] = [0, 0];
  for (let i = 1; i < sent.length; i += 1) {
    const way = Math.sign((sent[i] as number) - (sent[i - 1] as number));
    if (way !== 0 && last !== 0 && way !== last) count += 1;
    if (way !== 0) last = way;
  }
  return count;
}

type Tried = { playArcsec: number; start: number; spread: number };

/** Null without corrections in declination, with hardly a reversal, or without play that shows. */
export function playOf({ timeS, decArcsec, sentDecArcsec, aimDecArcsec }: TrackSeries): Play | null {
  if (!sentDecArcsec || reversalsIn(sentDecArcsec) < FEWEST_REVERSALS) return null;
  const rows = Math.min(MOST_ROWS, timeS.length);
  const [t, sent] = [timeS.subarray(0, rows), sentDecArcsec.subarray(0, rows)];
  const course = Float64Array.from(t, (_, i) => (decArcsec[i] as number) + (aimDecArcsec?.[i] ?? 0));
  const ones = new Float64Array(rows).fill(1);
  const spreadWith = (playArcsec: number, start: number): number => {
    const moved = movedBy(sent, playArcsec, start);
    const alone = course.map((dec, i) => dec - (moved[i] as number));
    return linearFit([ones, t], alone)?.rss ?? Infinity;
  };
  const best = (from: number, to: number, step: number): Tried => {
    let found: Tried = { playArcsec: 0, start: 0, spread: spreadWith(0, 0) };
    for (let playArcsec = Math.max(step, from); playArcsec <= to; playArcsec += step)
      for (const start of [0, 1]) {
        const spread = spreadWith(playArcsec, start);
        if (spread < found.spread) found = { playArcsec, start, spread };
      }
    return found;
  };
  const roughly = best(0, MOST_ARCSEC, STEP_ARCSEC);
  const { playArcsec, start, spread } = best(
    roughly.playArcsec - STEP_ARCSEC,
    roughly.playArcsec + STEP_ARCSEC,
    FINE_ARCSEC,
  );
  if (playArcsec === 0 || spreadWith(0, 0) < LEAST_GAIN * spread) return null;
  return { playArcsec: Math.round(100 * playArcsec) / 100, movedDecArcsec: movedBy(sentDecArcsec, playArcsec, start) };
}

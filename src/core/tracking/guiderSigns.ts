/** How a guider behaves, by its own log: what part of each error it takes back, and whether errors follow each other or bounce.
 *  Source: of a loop that takes back a part g of white errors, each error is tied to the next by -g/2 (autoregression of first
 *  order, solved for the error that is seen); a loop that hardly corrects leaves what drifts, tied by nearly +1. */
import { median, SIGMA_PER_MEDIAN_DISTANCE } from '../math/statistics.ts';
import { cadenceOf, type TrackSeries } from './trackSeries.ts';

export type AxisGuiding = {
  /** Part of each error that is taken back; 0 = never. */
  takesBack: number;
  /** How an error is tied to the next one, -1 to 1. */
  tie: number;
  verdict: 'tooMuch' | 'tooLittle' | 'fine';
};
export type GuiderSigns = { ra: AxisGuiding; dec: AxisGuiding };

/** Taken back whole, an error is tied to the next by -0.5: below it more than all of it is. */
const BOUNCING = -0.55;
const MOST_TAKEN = 1.1;
const DRAGGING = 0.6;
/** Errors farther off than so many of their usual size are dithers and jumps. */
const FARTHEST = 4;
const HOLE = 2.5;
const FEWEST_PAIRS = 60;

/** Rows whose next one follows without a hole, both within what is usual. */
function pairsOf(timeS: Float64Array, error: Float64Array): number[] {
  const sizes = Array.from(error, Math.abs);
  const most = FARTHEST * SIGMA_PER_MEDIAN_DISTANCE * (median(sizes) ?? 0);
  const longest = HOLE * cadenceOf(timeS);
  const pairs: number[] = [];
  for (let i = 0; i + 1 < error.length; i += 1) {
    const isNext = (timeS[i + 1] as number) - (timeS[i] as number) <= longest;
    if (isNext && (sizes[i] as number) <= most && (sizes[i + 1] as number) <= most) pairs.push(i);
  }
  return pairs;
}

function verdictOf(tie: number, takesBack: number): AxisGuiding['verdict'] {
  if (tie < BOUNCING || takesBack > MOST_TAKEN) return 'tooMuch';
  return tie > DRAGGING ? 'tooLittle' : 'fine';
}

/** @param sent summed corrections until each row. */
function axisOf(timeS: Float64Array, error: Float64Array, sent: Float64Array): AxisGuiding | null {
  const pairs = pairsOf(timeS, error);
  if (pairs.length < FEWEST_PAIRS) return null;
  let [squares, ties, taken] = [0, 0, 0];
  for (const i of pairs) {
    const [now, next] = [error[i] as number, error[i + 1] as number];
    squares += now * now;
    // About zero, not about their middle: an error that stays is one that is not taken back.
    ties += now * next;
    taken -= now * ((sent[i + 1] as number) - (sent[i] as number));
  }
  if (squares === 0) return null;
  const tie = ties / squares;
  const takesBack = Math.max(0, taken / squares);
  return { takesBack, tie, verdict: verdictOf(tie, takesBack) };
}

/** Null where no corrections were logged, or too few rows follow each other. */
export function guiderSigns({
  timeS,
  raArcsec,
  decArcsec,
  sentRaArcsec,
  sentDecArcsec,
}: TrackSeries): GuiderSigns | null {
  if (!sentRaArcsec || !sentDecArcsec) return null;
  const ra = axisOf(timeS, raArcsec, sentRaArcsec);
  const dec = axisOf(timeS, decArcsec, sentDecArcsec);
  return ra && dec ? { ra, dec } : null;
}

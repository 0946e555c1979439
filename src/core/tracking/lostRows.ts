/** Rows in which the star was lost though they hold numbers: a code in place of a value, a place that stands still while all else
 *  moves, a single leap away and back. */
import { median, SIGMA_PER_MEDIAN_DISTANCE } from '../math/statistics.ts';
import { noiseOf } from './jumps.ts';
import { mountDec, mountRa, pickRows, type TrackSeries } from './trackSeries.ts';

export type LostRows = { codes: number; stuck: number; leaps: number };

/** Told exactly alike so often, and so far from all others. */
const FEWEST_ALIKE = 3;
const ALIKE_SHARE = 0.004;
const FAR_SIGMAS = 8;
const EVERY = 4000;

/** A sample of values tells their middle and spread. */
function middleOf(values: Float64Array): { middle: number; sigma: number } {
  const every = Math.max(1, Math.floor(values.length / EVERY));
  const some = Array.from({ length: Math.ceil(values.length / every) }, (_, k) => values[k * every] as number);
  const middle = median(some) ?? 0;
  return { middle, sigma: (median(some.map((v) => Math.abs(v - middle))) ?? 0) * SIGMA_PER_MEDIAN_DISTANCE };
}

/** Values that stand for a lost star. */
function codesIn(values: Float64Array): Set<number> {
  const { middle, sigma } = middleOf(values);
  const counts = new Map<number, number>();
  for (const v of values)
    if (Math.abs(v - middle) > FAR_SIGMAS * sigma && sigma > 0) counts.set(v, (counts.get(v) ?? 0) + 1);
  const often = Math.max(FEWEST_ALIKE, ALIKE_SHARE * values.length);
  return new Set([...counts].filter(([, n]) => n >= often).map(([v]) => v));
}

function withoutCodes(series: TrackSeries): TrackSeries {
  const [ra, dec] = [codesIn(series.raArcsec), codesIn(series.decArcsec)];
  if (ra.size + dec.size === 0) return series;
  return pickRows(series, (i) => !ra.has(series.raArcsec[i] as number) && !dec.has(series.decArcsec[i] as number));
}

/** So many rows alike are none of a star; where half of a log is, it is told coarsely or of nothing. */
const FEWEST_STILL = 20;
const MOST_STILL = 0.5;

function withoutStuck(series: TrackSeries): TrackSeries {
  const { raArcsec: ra, decArcsec: dec } = series;
  const still = new Uint8Array(ra.length);
  let [from, count] = [0, 0];
  for (let i = 1; i <= ra.length; i += 1) {
    if (i < ra.length && ra[i] === ra[from] && dec[i] === dec[from]) continue;
    if (i - from >= FEWEST_STILL) {
      still.fill(1, from + 1, i);
      count += i - from - 1;
    }
    from = i;
  }
  return count === 0 || count > MOST_STILL * ra.length ? series : pickRows(series, (i) => still[i] === 0);
}

/** A leap is farther from the middle of either side than so many of the noise, the same way. */
const LEAP_SIGMAS = 10;
const SIDE = 3;
const middleOfThree = (a: number, b: number, c: number): number =>
  Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));

/** The finest step in which values are told: coarser than the noise, it stands for it. */
function finestStep(values: Float64Array): number {
  let finest = Infinity;
  for (let i = 1; i < values.length; i += 1) {
    const step = Math.abs((values[i] as number) - (values[i - 1] as number));
    if (step > 1e-9 && step < finest) finest = step;
  }
  return Number.isFinite(finest) ? finest : 0;
}

function leapsIn(values: Float64Array, into: Uint8Array): void {
  const least = LEAP_SIGMAS * Math.max(noiseOf(values), finestStep(values) / 2);
  if (least === 0) return;
  const v = (i: number): number => values[i] as number;
  const off = (i: number, way: 1 | -1): number => v(i) - middleOfThree(v(i + way), v(i + 2 * way), v(i + 3 * way));
  for (let i = 0; i < values.length; i += 1) {
    // The first and the last rows have one side only.
    const before = i >= SIDE ? off(i, -1) : null;
    const after = i + SIDE < values.length ? off(i, 1) : null;
    const [one, other] = [before ?? after ?? 0, after ?? before ?? 0];
    if (one * other > 0 && Math.min(Math.abs(one), Math.abs(other)) > least) into[i] = 1;
  }
}

/** What a guider follows on purpose leaps in its errors, and pulses that moved nothing in what they make of the mount: a star that
 *  was another one leaps in both. */
function withoutLeaps(series: TrackSeries): TrackSeries {
  const rows = series.timeS.length;
  const leaps = new Uint8Array(rows);
  const pairs = [
    [series.raArcsec, mountRa(series)],
    [series.decArcsec, mountDec(series)],
  ] as const;
  for (const [error, mount] of pairs) {
    const [ofError, ofMount] = [new Uint8Array(rows), new Uint8Array(rows)];
    leapsIn(error, ofError);
    leapsIn(mount, ofMount);
    ofError.forEach((is, i) => {
      if (is === 1 && ofMount[i] === 1) leaps[i] = 1;
    });
  }
  return leaps.includes(1) ? pickRows(series, (i) => leaps[i] === 0) : series;
}

/** The log without them, and how many there were of each kind. */
export function withoutLost(series: TrackSeries): { series: TrackSeries; lost: LostRows } {
  const coded = withoutCodes(series);
  const moving = withoutStuck(coded);
  const once = withoutLeaps(moving);
  // Two leaps side by side hide each other once.
  const steady = once === moving ? moving : withoutLeaps(once);
  const rows = ({ timeS }: TrackSeries): number => timeS.length;
  return {
    series: steady,
    lost: {
      codes: rows(series) - rows(coded),
      stuck: rows(coded) - rows(moving),
      leaps: rows(moving) - rows(steady),
    },
  };
}

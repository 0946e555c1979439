/** A curve in pieces: where it jumps, and fewer points of it that stand for one piece each. */
import { binned, type Points } from './binned.ts';
import { jumpsOf } from './jumps.ts';
import type { TrackSeries } from './trackSeries.ts';

/** A curve with the jumps in it. */
export type Curve = { points: Points; jumps: readonly number[] };

export const spanOf = ({ timeS }: Points): number => (timeS.at(-1) ?? 0) - (timeS[0] ?? 0);

/** Enough to search periods; the model is fitted to all points. */
const MOST_SEARCHED = 1800;

/** Fewer points of the same curve: means of neighbours lose nothing of what turns slowly. */
export function thinned({ points, jumps }: Curve): Curve {
  const thin = binned(points.timeS, points.ra, points.dec, MOST_SEARCHED);
  if (thin.timeS === points.timeS) return { points, jumps };
  const at = piecesAt(
    thin,
    jumps.map((i) => points.timeS[i] ?? 0),
  );
  return { points: unmixed(thin, at), jumps: at };
}

/** Points that stand for rows on both sides of a jump stand for nothing. */
export function unmixed(points: Points, jumps: readonly number[]): Points {
  const weights = points.weights.slice();
  for (const at of jumps) weights.fill(0, at - 1, at + 1);
  return { ...points, weights };
}

const firstAt = ({ timeS }: Points, s: number): number => timeS.findIndex((t) => t >= s);

/** Points from which on new pieces begin, in order, each once; times before the first or after the last point begin none. */
const piecesAt = (points: Points, timesS: readonly number[]): number[] =>
  [...new Set(timesS.map((s) => firstAt(points, s)))].filter((i) => i > 0).sort((a, b) => a - b);

/** Points from which on the star was to be held elsewhere. */
function aimChanges({ timeS, aimRaArcsec, aimDecArcsec }: TrackSeries, points: Points): number[] {
  const changes: number[] = [];
  for (let i = 1; i < timeS.length; i += 1)
    if ([aimRaArcsec, aimDecArcsec].some((aim) => aim && aim[i] !== aim[i - 1])) changes.push(timeS[i] as number);
  return piecesAt(points, changes);
}

/** One jump for what is told twice: those that are known stand. */
export const merged = (found: readonly number[], known: readonly number[]): number[] =>
  [...known, ...found.filter((i) => known.every((k) => Math.abs(k - i) > NEAR_POINTS))].sort((a, b) => a - b);
const NEAR_POINTS = 10;

/** All of both, in order, each once. */
const withAll = (found: readonly number[], known: readonly number[]): number[] =>
  [...new Set([...found, ...known])].sort((a, b) => a - b);

/** Where each axis is cut: as it is told, or where it jumps. A jump of one axis is none of the other.
 *  @param alone what the mount does on either axis, in all rows. */
export function jumpsPerAxis(
  series: TrackSeries,
  points: Points,
  alone: readonly [Float64Array, Float64Array],
  cutsS: readonly number[] | null,
): [ra: number[], dec: number[]] {
  const told = cutsS && piecesAt(points, cutsS);
  // In all rows: of points that stand for many a swing bends too much from one to the next.
  const jumpsIn = (axis: Float64Array): number[] =>
    told ??
    piecesAt(
      points,
      jumpsOf([axis]).map((i) => series.timeS[i] as number),
    );
  // What was sent while nothing was logged is missing on both axes.
  const unlogged = piecesAt(
    points,
    (series.unlogged ?? []).map((row) => series.timeS[row] as number),
  );
  // Where the aim was logged the mount's own course goes on through a dither, where it was not it is cut there.
  const aims = aimChanges(series, points);
  const withAims = (found: number[], aim: Float64Array | null): number[] =>
    withAll(aim ? found : merged(found, aims), unlogged);
  return [withAims(jumpsIn(alone[0]), series.aimRaArcsec), withAims(jumpsIn(alone[1]), series.aimDecArcsec)];
}

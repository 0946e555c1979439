/** A log of several sessions in its parts: where the star or the night was another one, the worm may stand anywhere. */
import { pickRows, type TrackSeries } from './trackSeries.ts';

/** After a longer hole the mount may have been turned by hand. */
const HOLE_S = 900;
/** No night is longer. */
const NIGHT_S = 16 * 3600;

export type Part = { from: number; to: number; isKnownAfter: boolean };

/** Rows of each session, in order. */
export function partsOf({ timeS, starts = [] }: TrackSeries): Part[] {
  const fresh = new Set(starts);
  const parts: Part[] = [];
  let [from, isKnownAfter] = [0, false];
  for (let i = 1; i <= timeS.length; i += 1) {
    const isHole = i < timeS.length && (timeS[i] as number) - (timeS[i - 1] as number) > HOLE_S;
    if (i < timeS.length && !isHole && !fresh.has(i)) continue;
    parts.push({ from, to: i, isKnownAfter });
    from = i;
    isKnownAfter = !fresh.has(i);
  }
  return parts;
}

const rowsOf = ({ from, to }: Part): number => to - from;

/** The longest session, and all that hang together with it within one night. */
export function longestOf(series: TrackSeries): {
  alone: TrackSeries;
  night: TrackSeries;
  parts: number;
  isAll: boolean;
} {
  const parts = partsOf(series);
  const longest = parts.reduce((a, b) => (rowsOf(b) > rowsOf(a) ? b : a));
  const at = parts.indexOf(longest);
  const timeAt = (i: number): number => series.timeS[i] as number;
  let [first, last] = [at, at];
  const spanTo = (from: Part, to: Part): number => timeAt(to.to - 1) - timeAt(from.from);
  while (parts[first]?.isKnownAfter && spanTo(parts[first - 1] as Part, parts[last] as Part) <= NIGHT_S) first -= 1;
  while (parts[last + 1]?.isKnownAfter && spanTo(parts[first] as Part, parts[last + 1] as Part) <= NIGHT_S) last += 1;
  const cut = (from: Part, to: Part): TrackSeries =>
    from.from === 0 && to.to === series.timeS.length ? series : pickRows(series, (i) => i >= from.from && i < to.to);
  const isAll = first === 0 && last === parts.length - 1;
  return {
    alone: cut(longest, longest),
    night: cut(parts[first] as Part, parts[last] as Part),
    parts: parts.length,
    isAll,
  };
}

/** A tracking log as numbers: where the star stood, when, and what a guider sent.
 *  Frame: arcsec on the sky, right ascension + = east, declination + = north; seconds from the log's first row of data. */
import { median } from '../math/statistics.ts';

export type TrackSeries = {
  /** Rising or equal, from the first row of data, of rows with usable numbers. */
  timeS: Float64Array;
  raArcsec: Float64Array;
  decArcsec: Float64Array;
  /** Corrections sent in all earlier rows, summed; null = none were logged. */
  sentRaArcsec: Float64Array | null;
  sentDecArcsec: Float64Array | null;
  /** Where the star was to be held; null = always the same place. */
  aimRaArcsec: Float64Array | null;
  aimDecArcsec: Float64Array | null;
  /** First rows of sessions of which nobody knows how long after the one before they began;
   *  left out where there are none. */
  starts?: readonly number[];
  /** Rows before which some were not logged, and with them what a guider sent in them; left out where there are none. */
  unlogged?: readonly number[];
};

export type Gap = { afterS: number; lengthS: number };

export const HOLE_OF_CADENCES = 2.5;

/** The usual time from row to row; 0 for fewer than two rows. */
export function cadenceOf(timeS: Float64Array): number {
  const steps: number[] = [];
  // A thousand steps tell the middle one.
  const every = Math.max(1, Math.floor(timeS.length / 1000));
  for (let i = 1; i < timeS.length; i += every) steps.push((timeS[i] as number) - (timeS[i - 1] as number));
  return median(steps) ?? 0;
}

/** Holes longer than two and a half of the usual steps. */
export function gapsOf({ timeS }: TrackSeries): Gap[] {
  const cadenceS = cadenceOf(timeS);
  const gaps: Gap[] = [];
  for (let i = 1; i < timeS.length; i += 1) {
    const [afterS, lengthS] = [timeS[i - 1] as number, (timeS[i] as number) - (timeS[i - 1] as number)];
    if (cadenceS > 0 && lengthS > HOLE_OF_CADENCES * cadenceS) gaps.push({ afterS, lengthS });
  }
  return gaps;
}

/** Where rows stand among those that are kept, or the next ones after them; none at the beginning. */
export function placesFrom(kept: readonly number[], rows: readonly number[] = []): number[] {
  const places: number[] = [];
  let place = 0;
  for (const row of rows) {
    while (place < kept.length && (kept[place] as number) < row) place += 1;
    if (place > 0 && place < kept.length && places.at(-1) !== place) places.push(place);
  }
  return places;
}

/** Rows that are wanted, in their order. */
export function pickRows(series: TrackSeries, isWanted: (row: number) => boolean): TrackSeries {
  const rows = Array.from(series.timeS.keys()).filter(isWanted);
  const pick = <T extends Float64Array | null>(values: T): T =>
    (values === null ? null : Float64Array.from(rows, (i) => values[i] as number)) as T;
  return {
    timeS: pick(series.timeS),
    raArcsec: pick(series.raArcsec),
    decArcsec: pick(series.decArcsec),
    sentRaArcsec: pick(series.sentRaArcsec),
    sentDecArcsec: pick(series.sentDecArcsec),
    aimRaArcsec: pick(series.aimRaArcsec),
    aimDecArcsec: pick(series.aimDecArcsec),
    starts: placesFrom(rows, series.starts),
    unlogged: placesFrom(rows, series.unlogged),
  };
}

/** Columns of corrections that all stay at zero are of a guider that was told to watch only. */
export const wasGuided = ({ sentRaArcsec, sentDecArcsec }: TrackSeries): boolean =>
  [sentRaArcsec, sentDecArcsec].some((sent) => sent?.some((arcsec) => arcsec !== 0));

/** What the mount does by itself: the logged error less what was sent until then, plus where the star was to be held. */
function rebuilt(error: Float64Array, sent: Float64Array | null, aim: Float64Array | null): Float64Array {
  if (!sent) return error;
  return error.map((e, i) => e - (sent[i] as number) + (aim ? (aim[i] as number) : 0));
}

export const mountRa = (s: TrackSeries): Float64Array => rebuilt(s.raArcsec, s.sentRaArcsec, s.aimRaArcsec);
export const mountDec = (s: TrackSeries): Float64Array => rebuilt(s.decArcsec, s.sentDecArcsec, s.aimDecArcsec);

/** Root mean square about zero, arcsec. */
export function rmsOf(values: Float64Array): number {
  let sum = 0;
  for (const v of values) sum += v * v;
  return values.length === 0 ? 0 : Math.sqrt(sum / values.length);
}

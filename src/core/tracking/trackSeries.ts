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
};

export type Gap = { afterS: number; lengthS: number };

const HOLE_OF_CADENCES = 2.5;

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

/** No night is longer; between two the mount was turned by hand. */
const NIGHT_S = 16 * 3600;

/** Of a log of several nights the one with most rows; a log of one night as it is. */
export function oneNight(series: TrackSeries): { night: TrackSeries; isWhole: boolean } {
  const { timeS } = series;
  const n = timeS.length;
  if ((timeS[n - 1] ?? 0) - (timeS[0] ?? 0) <= NIGHT_S) return { night: series, isWhole: true };
  let [from, to, end] = [0, 0, 0];
  for (let i = 0; i < n; i += 1) {
    while (end < n && (timeS[end] as number) - (timeS[i] as number) <= NIGHT_S) end += 1;
    if (end - i > to - from) [from, to] = [i, end];
  }
  const part = <T extends Float64Array | null>(values: T): T =>
    (values === null ? null : values.subarray(from, to)) as T;
  const night: TrackSeries = {
    timeS: part(timeS),
    raArcsec: part(series.raArcsec),
    decArcsec: part(series.decArcsec),
    sentRaArcsec: part(series.sentRaArcsec),
    sentDecArcsec: part(series.sentDecArcsec),
    aimRaArcsec: part(series.aimRaArcsec),
    aimDecArcsec: part(series.aimDecArcsec),
  };
  return { night, isWhole: false };
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

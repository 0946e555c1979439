/** What a log says of its mount, as it is kept: errors of the drive itself, which the sky shows times the cosine of the
 *  declination. */
import { RAD_PER_DEG } from '../math/angles.ts';
import type { ReadingOf } from '../records/reading.ts';
import type { TrackAnalysis } from './analyseTrack.ts';
import { levelled } from './levelled.ts';
import { alignedTo, peakToPeak, type Harmonic } from './turn.ts';

type TrackValues = ReadingOf<'track'>['values'];

/** From how many turns on a period would have been found. */
const FEWEST_TURNS = 1.5;
const SIGMAS = 2;
/** Nearer the pole the sky says nothing of the drive. */
const LEAST_COSINE = 0.05;
const hundredth = (value: number): number => Math.round(value * 100) / 100;

export const spanSOf = ({ points: { timeS } }: TrackAnalysis): number => (timeS.at(-1) ?? 0) - (timeS[0] ?? 0);

/** Where no period stands out: what the largest wave of the sky may swing by, peak to peak, and up to which period that is
 *  known. Null where a period was told, and of a log too short for any.
 *  Source: a sine that takes a share of the variance away has the root of twice that as its amplitude; its doubt is that of
 *  a mean of as many rows (Bevington and Robinson 2003, 7.2). */
export function swingUnder(analysis: TrackAnalysis): { arcsec: number; upToPeriodS: number } | null {
  const { periodic, spectrum, residualRaArcsec: sigma, points } = analysis;
  const upToPeriodS = spanSOf(analysis) / FEWEST_TURNS;
  const shares = Array.from(spectrum.power).filter((_, i) => (spectrum.frequencyHz[i] ?? 0) >= 1 / upToPeriodS);
  if (periodic || shares.length === 0) return null;
  const rows = points.weights.reduce((sum, w) => sum + w, 0);
  const amplitude = sigma * Math.sqrt(2 * Math.max(...shares));
  const doubt = sigma * Math.sqrt(2 / rows);
  return { arcsec: 2 * (amplitude + SIGMAS * doubt), upToPeriodS };
}

/** @param decDeg where the star stood; 0 for a log that tells of the axis itself. */
export function trackValues(analysis: TrackAnalysis, decDeg: number): TrackValues {
  const { periodic, rest, raDrift, decDrift, residualRaArcsec } = analysis;
  const perSky = 1 / Math.max(LEAST_COSINE, Math.cos(decDeg * RAD_PER_DEG));
  const under = swingUnder(analysis);
  return {
    periodS: periodic?.periodS ?? null,
    harmonics: (periodic?.harmonics ?? []).map((h) => ({
      k: h.k,
      amplitudeArcsec: h.amplitudeArcsec * perSky,
      phaseDeg: h.phaseDeg,
    })),
    raDriftArcsecPerMin: raDrift.perMin * perSky,
    decDriftArcsecPerMin: decDrift.perMin,
    residualArcsec: residualRaArcsec,
    ...(under && { swingUnderArcsec: under.arcsec * perSky, upToPeriodS: under.upToPeriodS }),
    rest: rest && { stepS: rest.stepS, errorArcsec: rest.errorArcsec.map((v) => hundredth(v * perSky)) },
  };
}

/** Where a target stood in the middle of a log that has just ended; null without a target. */
export const middleHaH = (haH: number | undefined, analysis: TrackAnalysis): number | null =>
  haH === undefined ? null : haH - spanSOf(analysis) / 7200;

/** A drive that was recorded before, as this log's sky would show it. */
export type EarlierDrive = { atUtc: string; harmonics: Harmonic[]; peakToPeakArcsec: number };

/** Null when none was, or this log tells no turn. */
export function earlierDrive(
  { periodic }: TrackAnalysis,
  last: ReadingOf<'track'> | undefined,
  decDeg: number,
): EarlierDrive | null {
  if (!periodic || !last || last.values.harmonics.length === 0) return null;
  const onSky = Math.cos(decDeg * RAD_PER_DEG);
  const shown = last.values.harmonics.map((h) => ({ ...h, amplitudeArcsec: h.amplitudeArcsec * onSky }));
  const harmonics = alignedTo(shown, periodic.harmonics);
  return { atUtc: last.takenAtUtc, harmonics, peakToPeakArcsec: peakToPeak(harmonics) };
}

/** Right ascension without drift and steps, one value for each point, arcsec. */
export function aboutDrift({ points, raDrift, raJumps }: TrackAnalysis): Float64Array {
  const { timeS, ra, weights } = points;
  const straight = ra.map((v, i) => v - (raDrift.perMin * (timeS[i] ?? 0)) / 60);
  return levelled(straight, raJumps, weights);
}

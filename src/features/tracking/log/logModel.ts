/** Curves of an analysed log as they are drawn, and the readings that are made of it. */
import { range } from 'd3';
import type { TrackAnalysis } from '../../../core/tracking/analyseTrack.ts';
import { levelled } from '../../../core/tracking/levelled.ts';
import { alignedTo, peakToPeak, turnAt, type Harmonic } from '../../../core/tracking/turn.ts';
import type { ReadingOf } from '../../../core/records/reading.ts';
import { RAD_PER_DEG } from '../../../core/math/angles.ts';

export type Dot = { x: number; y: number };
/** A chart has room for no more dots. */
const MOST_DOTS = 1500;

function thinned(count: number): number[] {
  const every = Math.max(1, Math.ceil(count / MOST_DOTS));
  return Array.from({ length: Math.ceil(count / every) }, (_, i) => i * every);
}

/** The course of one axis, in seconds and arcsec. */
export function courseOf({ points }: TrackAnalysis, axis: 'ra' | 'dec'): Dot[] {
  return thinned(points.timeS.length).map((i) => ({ x: points.timeS[i] ?? 0, y: points[axis][i] ?? 0 }));
}

/** Ticks on whole minutes, of an hour and more on whole quarters. */
export function roundTimes(fromS: number, toS: number): number[] {
  const everyS = ROUND_S.find((s) => (toS - fromS) / s <= MOST_TICKS) ?? toS - fromS;
  return range(Math.ceil(fromS / everyS) * everyS, toS, everyS);
}
const ROUND_S = [60, 120, 300, 600, 900, 1800, 3600, 7200, 14_400, 28_800, 86_400];
const MOST_TICKS = 7;

/** Times of the cuts. */
export const cutsOf = ({ points, jumps }: TrackAnalysis): number[] => jumps.map((i) => points.timeS[i] ?? 0);

/** What waves do over one turn. */
export const turnDots = (harmonics: readonly Harmonic[], periodS: number): Dot[] =>
  Array.from({ length: 181 }, (_, i) => ({ x: (i / 180) * periodS, y: turnAt(harmonics, i / 180) }));

/** A drive that was recorded before, as this log's sky would show it. */
export type EarlierDrive = { atUtc: string; harmonics: Harmonic[]; peakToPeakArcsec: number };

/** Null when none was, or this log tells no turn. A drive is kept at the axis: the sky shows the cosine of it. */
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

/** Every value on its place in the turn, drift and steps taken off by the middle of its own piece. */
export function foldedOf(analysis: TrackAnalysis): Dot[] {
  const { periodic, points, raJumps } = analysis;
  if (!periodic) return [];
  const { timeS, weights } = points;
  const about = levelled(
    timeS.map((_, i) => straightened(analysis, i)),
    raJumps,
    weights,
  );
  return thinned(timeS.length).map((i) => ({ x: (timeS[i] ?? 0) % periodic.periodS, y: about[i] ?? 0 }));
}

const straightened = ({ points, raDrift }: TrackAnalysis, i: number): number =>
  (points.ra[i] ?? 0) - (raDrift.perMin * (points.timeS[i] ?? 0)) / 60;

/** Share of the swing against the period, long periods left out that are drift. */
export function spectrumDots({ spectrum, points }: TrackAnalysis): Dot[] {
  const spanS = (points.timeS.at(-1) ?? 0) - (points.timeS[0] ?? 0);
  return Array.from(spectrum.frequencyHz, (hz, i) => ({ x: 1 / hz, y: spectrum.power[i] ?? 0 }))
    .filter((d) => d.x < spanS)
    .reverse();
}

/** As finely as an angle is typed. */
export const tenth = (value: number): number => Math.round(value * 10) / 10;

const hundredth = (value: number): number => Math.round(value * 100) / 100;

/** Where a target stood in the middle of a log that has just ended; null without a target. */
export function middleHaH(haH: number | undefined, { points }: TrackAnalysis): number | null {
  const spanS = (points.timeS.at(-1) ?? 0) - (points.timeS[0] ?? 0);
  return haH === undefined ? null : tenth(haH - spanS / 7200);
}

/** Values of the reading: errors of the drive itself, which the sky shows times the cosine of the declination. */
export function trackValues({ periodic, rest, raDrift, decDrift, residualRaArcsec }: TrackAnalysis, decDeg: number) {
  const perSky = 1 / Math.max(0.05, Math.cos(decDeg * RAD_PER_DEG));
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
    rest: rest && { stepS: rest.stepS, errorArcsec: rest.errorArcsec.map((v) => hundredth(v * perSky)) },
  };
}

/** Curves of an analysed log as they are drawn. */
import { range } from 'd3';
import type { TrackAnalysis } from '../../../core/tracking/analyseTrack.ts';
import { aboutDrift, spanSOf } from '../../../core/tracking/trackReading.ts';
import { turnAt, type Harmonic } from '../../../core/tracking/turn.ts';

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

/** Every value on its place in the turn, drift and steps taken off by the middle of its own piece. */
export function foldedOf(analysis: TrackAnalysis): Dot[] {
  const { periodic, points } = analysis;
  if (!periodic) return [];
  const about = aboutDrift(analysis);
  return thinned(points.timeS.length).map((i) => ({
    x: (points.timeS[i] ?? 0) % periodic.periodS,
    y: about[i] ?? 0,
  }));
}

/** Share of the swing against the period, long periods left out that are drift. */
export function spectrumDots(analysis: TrackAnalysis): Dot[] {
  const { spectrum } = analysis;
  const spanS = spanSOf(analysis);
  return Array.from(spectrum.frequencyHz, (hz, i) => ({ x: 1 / hz, y: spectrum.power[i] ?? 0 }))
    .filter((d) => d.x < spanS)
    .reverse();
}

/** As finely as an angle is typed. */
export const tenth = (value: number): number => Math.round(value * 10) / 10;

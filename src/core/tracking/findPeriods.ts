/** Which periods stand out of a curve, one after the other: each is taken away before the next one is looked for.
 *  Source: pre-whitening by the largest peak (Roberts, Lehar and Dreher 1987, AJ 93, 968). */
import { median } from '../math/statistics.ts';
import type { Points } from './binned.ts';
import { fitModel, residualsOf, type ModelShape } from './driveModel.ts';
import { spectrumOf, type Range, type Spectrum } from './spectrum.ts';

export type FoundPeriods = {
  /** Strongest first. */
  frequenciesHz: number[];
  /** Of the curve before anything but drift and steps was taken away. */
  spectrum: Spectrum;
};

const MOST_PERIODS = 8;
const MOST_FREQUENCIES = 6000;
/** Points to the breadth of a peak. */
const OVERSAMPLED = 5;
/** No gear of a mount turns faster. */
const SHORTEST_S = 8;
/** A peak must stand so far above the middle of its surroundings, and above what chance makes. */
const LEAST_OVER_MIDDLE = 14;
const LEAST_CHANCE = 1e-5;
/** Nearer than so much of the breadth of a peak a log cannot part two periods. */
export const PARTED = 0.75;
/** The model of the whole curve moves them once more. */
const ROUGHLY = 8;
/** Slower than so many turns in the log is drift. */
const FEWEST_TURNS = 0.3;

export function rangeOf(spanS: number, cadenceS: number): Range {
  const fromHz = FEWEST_TURNS / spanS;
  const stepHz = 1 / (OVERSAMPLED * spanS);
  const toHz = Math.min(1 / SHORTEST_S, 0.45 / cadenceS, fromHz + MOST_FREQUENCIES * stepHz);
  return { fromHz, toHz, count: Math.max(2, Math.round((toHz - fromHz) / stepHz) + 1) };
}

/** The highest peak, if it is none of chance. @param rows how many values were measured. */
function peakOf({ frequencyHz, power }: Spectrum, rows: number): number | null {
  let best = 0;
  for (let i = 1; i < power.length; i += 1) if ((power[i] as number) > (power[best] as number)) best = i;
  const height = power[best] as number;
  const middle = median(Array.from(power)) ?? 0;
  // Chance that the highest of so many independent peaks of noise is as high (Zechmeister and Kuerster 2009).
  const chance = (power.length / OVERSAMPLED) * (1 - height) ** ((rows - 3) / 2);
  return height > LEAST_OVER_MIDDLE * middle && chance < LEAST_CHANCE ? (frequencyHz[best] as number) : null;
}

/** Searched about a frequency, to 0.62 to the power of the steps of the reach. */
export type Aim = { hz: number; reachHz: number; steps: number };

/** Moves a frequency to where the model with it and the others leaves least. */
export function refined(
  points: Points,
  values: Float64Array,
  shapeWith: (hz: number) => ModelShape,
  { hz, reachHz, steps }: Aim,
): number {
  const left = (at: number): number => fitModel(points, values, shapeWith(at))?.fit.rss ?? Infinity;
  const golden = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [Math.max(hz - reachHz, hz * 0.2), hz + reachHz];
  let [c, d] = [b - golden * (b - a), a + golden * (b - a)];
  let [fc, fd] = [left(c), left(d)];
  for (let i = 0; i < steps; i += 1) {
    if (fc < fd) {
      [b, d, fd] = [d, c, fc];
      c = b - golden * (b - a);
      fc = left(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + golden * (b - a);
      fd = left(d);
    }
  }
  return (a + b) / 2;
}

/** @param rows how many values stand behind the points. */
export function findPeriods(
  points: Points,
  values: Float64Array,
  jumps: readonly number[],
  rows: number,
): FoundPeriods {
  const { timeS, weights } = points;
  const spanS = (timeS.at(-1) ?? 0) - (timeS[0] ?? 0);
  const range = rangeOf(spanS, spanS / Math.max(1, timeS.length - 1));
  const shape = (gearsHz: readonly number[]): ModelShape => ({ jumps, wormHz: null, harmonics: [], gearsHz });
  const found: number[] = [];
  let first: Spectrum | null = null;
  while (found.length < MOST_PERIODS) {
    const model = fitModel(points, values, shape(found));
    const spectrum = spectrumOf(timeS, model ? residualsOf(points, values, model) : values, weights, range, jumps);
    first ??= spectrum;
    const peak = peakOf(spectrum, rows);
    if (peak === null) break;
    const next = refined(points, values, (hz) => shape([...found, hz]), {
      hz: peak,
      reachHz: 0.5 / spanS,
      steps: ROUGHLY,
    });
    // What is left of a period that wanders stands beside it.
    if (found.some((hz) => Math.abs(hz - next) < PARTED / spanS)) break;
    found.push(next);
    // The one before moves a little now that another is known.
    const at = found.length - 2;
    if (at >= 0)
      found[at] = refined(points, values, (hz) => shape(found.with(at, hz)), {
        hz: found[at] ?? 0,
        reachHz: 0.2 / spanS,
        steps: ROUGHLY,
      });
  }
  return { frequenciesHz: found, spectrum: first ?? { frequencyHz: new Float64Array(0), power: new Float64Array(0) } };
}

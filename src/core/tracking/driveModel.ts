/** A drive's curve as a model: drift, steps at jumps, the worm with its harmonics, and gear trains of other periods. Linear in
 *  everything but the periods, which are searched around it.
 *  Source: variable projection (Golub and Pereyra 1973), harmonic least squares (Bloomfield, Fourier Analysis of Time Series,
 *  2000, ch. 2). */
import { linearFit, type LinearFit } from '../math/leastSquares.ts';
import type { Points } from './binned.ts';
import { levelled } from './levelled.ts';

export type ModelShape = {
  /** Indices of the first point after each jump. */
  jumps: readonly number[];
  /** Frequency of the worm; null = none. */
  wormHz: number | null;
  /** Which of its harmonics are in the model. */
  harmonics: readonly number[];
  gearsHz: readonly number[];
};

export type ModelFit = {
  shape: ModelShape;
  fit: LinearFit;
  /** Scatter of one row about the model. */
  sigmaArcsec: number;
};

/** Drift stands before the sines and cosines. */
const FIXED = 1;
export const frequenciesOf = ({ wormHz, harmonics, gearsHz }: ModelShape): number[] => [
  ...(wormHz === null ? [] : harmonics.map((k) => k * wormHz)),
  ...gearsHz,
];

function columnsOf({ timeS }: Points, shape: ModelShape): Float64Array[] {
  const waves = frequenciesOf(shape).flatMap((hz) => {
    const angles = timeS.map((t) => 2 * Math.PI * hz * t);
    return [angles.map(Math.sin), angles.map(Math.cos)];
  });
  return [timeS, ...waves];
}

/** Null when the points do not tell its parts apart. */
export function fitModel(points: Points, values: Float64Array, shape: ModelShape): ModelFit | null {
  const level = (of: Float64Array): Float64Array => levelled(of, shape.jumps, points.weights);
  const columns = columnsOf(points, shape).map(level);
  const rows = values.length - columns.length - shape.jumps.length - 1;
  if (rows < 2) return null;
  const fit = linearFit(columns, level(values), points.weights);
  return fit ? { shape, fit, sigmaArcsec: Math.sqrt(fit.rss / rows) } : null;
}

/** What the model leaves of the values. */
export function residualsOf(points: Points, values: Float64Array, { shape, fit }: ModelFit): Float64Array {
  const level = (of: Float64Array): Float64Array => levelled(of, shape.jumps, points.weights);
  const columns = columnsOf(points, shape).map(level);
  return level(values).map(
    (v, i) => v - columns.reduce((sum, c, j) => sum + (c[i] as number) * (fit.coefficients[j] ?? 0), 0),
  );
}

export type Wave = { amplitudeArcsec: number; phaseDeg: number; sigmaArcsec: number };

/** A sin(2 pi f t + phase) of each frequency of the model, in their order. */
export function wavesOf({ shape, fit, sigmaArcsec }: ModelFit): Wave[] {
  return frequenciesOf(shape).map((_, i) => {
    const [sin, cos] = [fit.coefficients[FIXED + 2 * i] ?? 0, fit.coefficients[FIXED + 2 * i + 1] ?? 0];
    const variance =
      ((fit.inverse[FIXED + 2 * i]?.[FIXED + 2 * i] ?? 0) +
        (fit.inverse[FIXED + 2 * i + 1]?.[FIXED + 2 * i + 1] ?? 0)) /
      2;
    return {
      amplitudeArcsec: Math.hypot(sin, cos),
      phaseDeg: (Math.atan2(cos, sin) * 180) / Math.PI,
      sigmaArcsec: sigmaArcsec * Math.sqrt(variance),
    };
  });
}

/** Drift with its uncertainty, arcsec per minute. */
export const driftOf = ({ fit, sigmaArcsec }: ModelFit): { perMin: number; sigmaPerMin: number } => ({
  perMin: 60 * (fit.coefficients[0] ?? 0),
  sigmaPerMin: 60 * sigmaArcsec * Math.sqrt(fit.inverse[0]?.[0] ?? 0),
});

/** The worm of a curve with its harmonics and other gears, fitted where they fit best. */
import type { Points } from './binned.ts';
import { fitModel, wavesOf, type ModelFit, type ModelShape } from './driveModel.ts';
import { refined } from './findPeriods.ts';
import { spanOf, type Curve } from './pieces.ts';
import { peakToPeak, type Harmonic } from './turn.ts';
import { HIGHEST_HARMONIC, type Found } from './wormOfCurve.ts';

export type GearTerm = { periodS: number; amplitudeArcsec: number; phaseDeg: number };
export type Periodic = {
  periodS: number;
  sigmaPeriodS: number;
  turns: number;
  harmonics: Harmonic[];
  /** Of worm and harmonics over one turn. */
  peakToPeakArcsec: number;
};
const FINELY = 18;
/** A harmonic counts above so many of its own doubt, and of the largest. */
const LEAST_OF_DOUBT = 5;
const LEAST_OF_LARGEST = 0.02;

/** Harmonics that stand out of their own doubt; the first one always, it names the period. */
function strongest(model: ModelFit): number[] {
  const waves = wavesOf(model).slice(0, model.shape.harmonics.length);
  const largest = Math.max(...waves.map((w) => w.amplitudeArcsec));
  return model.shape.harmonics.filter((k, i) => {
    const wave = waves[i];
    if (k === 1) return true;
    return (
      wave !== undefined &&
      wave.amplitudeArcsec > Math.max(LEAST_OF_DOUBT * wave.sigmaArcsec, LEAST_OF_LARGEST * largest)
    );
  });
}

/** How sharply the misfit rises about the worm's frequency: one sigma of its period.
 *  Source: curvature of chi squared (Bevington and Robinson 2003, 8.2). */
function sigmaPeriod(points: Points, values: Float64Array, model: ModelFit, wormHz: number, spanS: number): number {
  const step = 0.05 / spanS;
  const rss = (hz: number): number => fitModel(points, values, { ...model.shape, wormHz: hz })?.fit.rss ?? Infinity;
  const curvature = (rss(wormHz + step) + rss(wormHz - step) - 2 * model.fit.rss) / step ** 2;
  const sigmaHz = curvature > 0 ? Math.sqrt(2 * model.sigmaArcsec ** 2) / Math.sqrt(curvature) : Infinity;
  return sigmaHz / wormHz ** 2;
}

const ALL_HARMONICS = Array.from({ length: HIGHEST_HARMONIC }, (_, i) => i + 1);

type Shape = Omit<ModelShape, 'jumps'>;

/** Worm and gears pull at each other: each is moved to where it fits best once the others stand, twice where there are some. */
function movedToFit(
  { points, jumps }: Curve,
  wormHz: number,
  harmonics: readonly number[],
  gearsHz: readonly number[],
): Shape {
  const spanS = spanOf(points);
  let shape: Shape = { wormHz, harmonics, gearsHz };
  const move = (withHz: (hz: number) => Shape, hz: number, reach: number): number =>
    refined(points, points.ra, (at) => ({ jumps, ...withHz(at) }), { hz, reachHz: reach / spanS, steps: FINELY });
  for (let round = 0; round < (gearsHz.length > 0 ? 2 : 1); round += 1) {
    shape = { ...shape, wormHz: move((at) => ({ ...shape, wormHz: at }), shape.wormHz ?? wormHz, 0.3) };
    gearsHz.forEach((gear, i) => {
      const others = (at: number): Shape => ({ ...shape, gearsHz: shape.gearsHz.with(i, at) });
      shape = others(move(others, shape.gearsHz[i] ?? gear, 0.2));
    });
  }
  return shape;
}

/** The model of the whole curve. @param thin in which its periods are moved to where they fit best. */
export function fitted({ points, jumps }: Curve, thin: Curve, { wormHz, gearsHz }: Found): ModelFit | null {
  if (wormHz === null) return fitModel(points, points.ra, { jumps, wormHz: null, harmonics: [], gearsHz: [] });
  const cadenceS = spanOf(thin.points) / (thin.points.timeS.length - 1);
  const possible = ALL_HARMONICS.filter((k) => k * wormHz < 0.4 / cadenceS);
  const wide = fitModel(thin.points, thin.points.ra, { jumps: thin.jumps, wormHz, harmonics: possible, gearsHz });
  const shape = movedToFit(thin, wormHz, wide ? strongest(wide) : [1], gearsHz);
  return fitModel(points, points.ra, { jumps, ...shape });
}

export function periodicOf(points: Points, model: ModelFit): Periodic | null {
  const { wormHz, harmonics: ks } = model.shape;
  if (wormHz === null) return null;
  const spanS = spanOf(points);
  const waves = wavesOf(model);
  const harmonics = ks.map((k, i) => ({
    k,
    amplitudeArcsec: waves[i]?.amplitudeArcsec ?? 0,
    phaseDeg: waves[i]?.phaseDeg ?? 0,
  }));
  return {
    periodS: 1 / wormHz,
    sigmaPeriodS: sigmaPeriod(points, points.ra, model, wormHz, spanS),
    turns: spanS * wormHz,
    harmonics,
    peakToPeakArcsec: peakToPeak(harmonics),
  };
}

export function gearsOf({ shape, ...model }: ModelFit): GearTerm[] {
  const waves = wavesOf({ shape, ...model }).slice(shape.harmonics.length);
  return shape.gearsHz.map((hz, i) => ({
    periodS: 1 / hz,
    amplitudeArcsec: waves[i]?.amplitudeArcsec ?? 0,
    phaseDeg: waves[i]?.phaseDeg ?? 0,
  }));
}

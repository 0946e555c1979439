/** What a tracking log says of a mount: the period of its worm with harmonics, other gears, drift on both axes, what is left,
 *  and, where a guider was at work, how well it did.
 *  Source: harmonic least squares on a joint model (`driveModel`); a period counts from one and a half turns on. */
import { binned, type Points } from './binned.ts';
import { guidedRms, type Guided } from './guidedRms.ts';
import { guiderSigns, type GuiderSigns } from './guiderSigns.ts';
import { driftOf, fitModel, residualsOf, wavesOf, type ModelFit, type ModelShape } from './driveModel.ts';
import { RAD_PER_DEG } from '../math/angles.ts';
import { refined } from './findPeriods.ts';
import { noiseOf } from './jumps.ts';
import { jumpsPerAxis, merged, spanOf, thinned, unmixed, type Curve } from './pieces.ts';
import type { ErrorCurve } from './periodicError.ts';
import { playOf, type Play } from './play.ts';
import { restOfDrive } from './restOfDrive.ts';
import type { Spectrum } from './spectrum.ts';
import { peakToPeak, type Harmonic } from './turn.ts';
import { HIGHEST_HARMONIC, periodsIn, type Found } from './wormOfCurve.ts';
import { mountDec, mountRa, oneNight, wasGuided, type TrackSeries } from './trackSeries.ts';

export type GearTerm = { periodS: number; amplitudeArcsec: number; phaseDeg: number };
export type Periodic = {
  periodS: number;
  sigmaPeriodS: number;
  turns: number;
  harmonics: Harmonic[];
  /** Of worm and harmonics over one turn. */
  peakToPeakArcsec: number;
};
export type Drift = { perMin: number; sigmaPerMin: number };

export type TrackAnalysis = {
  points: Points;
  /** Indices into the points of the first one after each jump of either axis, and of right ascension alone. */
  jumps: number[];
  raJumps: number[];
  /** Null = cannot be told: too short, or nothing stands out. */
  periodic: Periodic | null;
  gears: GearTerm[];
  /** What the drive does besides drift and worm; null when nothing shows above the air. */
  rest: ErrorCurve | null;
  raDrift: Drift;
  decDrift: Drift;
  /** Of the right ascension about the model; of the declination about its drift. */
  residualRaArcsec: number;
  residualDecArcsec: number;
  spectrum: Spectrum;
  guided: Guided | null;
  /** How the guider behaved; null where it cannot be told. */
  guider: GuiderSigns | null;
  /** What the declination gears lose at each reversal; null where none shows. */
  decPlayArcsec: number | null;
  /** False: a log of several nights, of which the one with most rows is told. */
  isWhole: boolean;
};

export type AnalyseOptions = {
  /** Teeth of the worm's wheel; null = not known. */
  wormTeeth: number | null;
  /** Jumps set by hand, as times; null = they are looked for. */
  cutsS?: readonly number[] | null;
};

const MOST_POINTS = 20_000;
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
function fitted({ points, jumps }: Curve, thin: Curve, { wormHz, gearsHz }: Found): ModelFit | null {
  if (wormHz === null) return fitModel(points, points.ra, { jumps, wormHz: null, harmonics: [], gearsHz: [] });
  const cadenceS = spanOf(thin.points) / (thin.points.timeS.length - 1);
  const possible = ALL_HARMONICS.filter((k) => k * wormHz < 0.4 / cadenceS);
  const wide = fitModel(thin.points, thin.points.ra, { jumps: thin.jumps, wormHz, harmonics: possible, gearsHz });
  const shape = movedToFit(thin, wormHz, wide ? strongest(wide) : [1], gearsHz);
  return fitModel(points, points.ra, { jumps, ...shape });
}

function periodicOf(points: Points, model: ModelFit): Periodic | null {
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

function gearsOf({ shape, ...model }: ModelFit): GearTerm[] {
  const waves = wavesOf({ shape, ...model }).slice(shape.harmonics.length);
  return shape.gearsHz.map((hz, i) => ({
    periodS: 1 / hz,
    amplitudeArcsec: waves[i]?.amplitudeArcsec ?? 0,
    phaseDeg: waves[i]?.phaseDeg ?? 0,
  }));
}

/** What drift and worm leave, gears and all. */
function restOf({ points }: Curve, model: ModelFit): ErrorCurve | null {
  const gears = gearsOf(model);
  const left = residualsOf(points, points.ra, model).map((v, i) =>
    gears.reduce((sum, g) => sum + waveAt(g, points.timeS[i] ?? 0), v),
  );
  return restOfDrive(points, left, noiseOf(points.ra));
}

const waveAt = ({ amplitudeArcsec, periodS, phaseDeg }: GearTerm, timeS: number): number =>
  amplitudeArcsec * Math.sin((2 * Math.PI * timeS) / periodS + phaseDeg * RAD_PER_DEG);

/** Turns of which it can be said that they repeat. */
const FEWEST_REPEATED = 3;

/** What a table of corrections over one turn could take off: the drive's spread without drift, and what would be left, arcsec.
 *  Other gears do not come round with the worm: they stay. Null when too few turns were seen. */
export function tableOf({
  periodic,
  gears,
  residualRaArcsec,
}: TrackAnalysis): { nowArcsec: number; leftArcsec: number } | null {
  if (!periodic || periodic.turns < FEWEST_REPEATED) return null;
  const varianceOf = (waves: readonly { amplitudeArcsec: number }[]): number =>
    waves.reduce((sum, w) => sum + w.amplitudeArcsec ** 2 / 2, 0);
  const left = residualRaArcsec ** 2 + varianceOf(gears);
  return { nowArcsec: Math.sqrt(left + varianceOf(periodic.harmonics)), leftArcsec: Math.sqrt(left) };
}

/** Declination as the mount alone carries it: where gears have play, only what really moved is taken off. */
const decAlone = (series: TrackSeries, play: Play | null): Float64Array =>
  mountDec(play ? { ...series, sentDecArcsec: play.movedDecArcsec } : series);

const FEWEST_POINTS = 8;

/** Null when there are too few rows to fit even a drift. */
export function analyseTrack(whole: TrackSeries, options: AnalyseOptions): TrackAnalysis | null {
  const { night: series, isWhole } = oneNight(whole);
  const { timeS } = series;
  const isGuided = wasGuided(series);
  const play = isGuided ? playOf(series) : null;
  const [ra, dec] = [mountRa(series), decAlone(series, play)];
  const points = binned(timeS, ra, dec, MOST_POINTS);
  if (points.timeS.length < FEWEST_POINTS) return null;
  const [raJumps, decJumps] = jumpsPerAxis(series, points, [ra, dec], options.cutsS ?? null);
  const isThinned = points.timeS.length < timeS.length;
  const inPieces = (jumps: readonly number[]): Points => (isThinned ? unmixed(points, jumps) : points);
  const curve: Curve = { points: inPieces(raJumps), jumps: raJumps };
  const thin = thinned(curve);
  const found = periodsIn(thin, timeS.length, options.wormTeeth);
  const model = fitted(curve, thin, found);
  const decModel = fitModel(inPieces(decJumps), points.dec, {
    jumps: decJumps,
    wormHz: null,
    harmonics: [],
    gearsHz: [],
  });
  if (!model || !decModel) return null;
  return {
    points,
    jumps: merged(raJumps, decJumps),
    raJumps,
    periodic: periodicOf(points, model),
    gears: gearsOf(model),
    rest: restOf(curve, model),
    raDrift: driftOf(model),
    decDrift: driftOf(decModel),
    residualRaArcsec: model.sigmaArcsec,
    residualDecArcsec: decModel.sigmaArcsec,
    spectrum: found.spectrum,
    guided: isGuided ? guidedRms(series) : null,
    guider: isGuided ? guiderSigns(series) : null,
    decPlayArcsec: play?.playArcsec ?? null,
    isWhole,
  };
}

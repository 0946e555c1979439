/** What a tracking log says of a mount: the period of its worm with harmonics, other gears, drift on both axes, what is left,
 *  and, where a guider was at work, how well it did.
 *  Source: harmonic least squares on a joint model (`driveModel`); a period counts from one and a half turns on. */
import { binned, type Points } from './binned.ts';
import { guiderSigns, type GuiderSigns } from './guiderSigns.ts';
import { driftOf, fitModel, wavesOf, type ModelFit, type ModelShape } from './driveModel.ts';
import { findPeriods, refined } from './findPeriods.ts';
import { jumpsOf } from './jumps.ts';
import { wormPeriodS } from './periodicError.ts';
import { playOf, type Play } from './play.ts';
import type { Spectrum } from './spectrum.ts';
import { peakToPeak, type Harmonic } from './turn.ts';
import { mountDec, mountRa, oneNight, rmsOf, wasGuided, type TrackSeries } from './trackSeries.ts';

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
  /** Indices into the points of the first one after each jump. */
  jumps: number[];
  /** Null = cannot be told: too short, or nothing stands out. */
  periodic: Periodic | null;
  gears: GearTerm[];
  raDrift: Drift;
  decDrift: Drift;
  /** Of the right ascension about the model; of the declination about its drift. */
  residualRaArcsec: number;
  residualDecArcsec: number;
  spectrum: Spectrum;
  guided: { rmsRaArcsec: number; rmsDecArcsec: number } | null;
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
/** Enough to search periods; the model is fitted to all points. */
const MOST_SEARCHED = 1800;
const FINELY = 18;
const FEWEST_TURNS = 1.5;
const HIGHEST_HARMONIC = 5;
/** How near a frequency must lie to a multiple to be taken for a harmonic, of the breadth of a peak. */
const SAME_PEAK = 0.35;
/** A harmonic counts above so many of its own doubt, and of the largest. */
const LEAST_OF_DOUBT = 5;
const LEAST_OF_LARGEST = 0.02;

/** The harmonic that a frequency is of another one; null = none. */
function harmonicOf(hz: number, wormHz: number, spanS: number): number | null {
  const k = Math.round(hz / wormHz);
  const near = Math.abs(hz - k * wormHz) < SAME_PEAK / spanS;
  return k >= 1 && k <= HIGHEST_HARMONIC && near ? k : null;
}

/** Of the frequencies found the one whose multiples explain most; of equals the faster one. */
function wormOf(found: readonly { hz: number; power: number }[], spanS: number): number | null {
  let best: { hz: number; power: number } | null = null;
  for (const { hz } of found) {
    const power = found.reduce((sum, f) => sum + (harmonicOf(f.hz, hz, spanS) === null ? 0 : f.power), 0);
    if (!best || power > best.power * 1.001 || (power > best.power * 0.999 && hz > best.hz)) best = { hz, power };
  }
  return best?.hz ?? null;
}

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

/** A curve with the jumps in it. */
type Curve = { points: Points; jumps: readonly number[] };
type Found = { wormHz: number | null; gearsHz: number[]; spectrum: Spectrum };

const spanOf = ({ timeS }: Points): number => (timeS.at(-1) ?? 0) - (timeS[0] ?? 0);

/** Fewer points of the same curve: means of neighbours lose nothing of what turns slowly. */
function thinned({ points, jumps }: Curve): Curve {
  const thin = binned(points.timeS, points.ra, points.dec, MOST_SEARCHED);
  if (thin.timeS === points.timeS) return { points, jumps };
  const at = piecesAt(
    thin,
    jumps.map((i) => points.timeS[i] ?? 0),
  );
  return { points: unmixed(thin, at), jumps: at };
}

/** Points that stand for rows on both sides of a jump stand for nothing. */
function unmixed(points: Points, jumps: readonly number[]): Points {
  const weights = points.weights.slice();
  for (const at of jumps) weights.fill(0, at - 1, at + 1);
  return { ...points, weights };
}

const firstAt = ({ timeS }: Points, s: number): number => timeS.findIndex((t) => t >= s);

/** Points from which on new pieces begin, in order, each once; times before the first or after the last point begin none. */
const piecesAt = (points: Points, timesS: readonly number[]): number[] =>
  [...new Set(timesS.map((s) => firstAt(points, s)))].filter((i) => i > 0).sort((a, b) => a - b);

/** What swings by less than a hundredth of the rest names nothing. */
const LEAST_OF_POWER = 1e-4;

/** Periods that stand out, and which of them is the worm's. */
function periodsIn({ points, jumps }: Curve, rows: number, wormTeeth: number | null): Found {
  const spanS = spanOf(points);
  const { frequenciesHz, spectrum } = findPeriods(points, points.ra, jumps, rows);
  const model = fitModel(points, points.ra, { jumps, wormHz: null, harmonics: [], gearsHz: frequenciesHz });
  const waves = model ? wavesOf(model) : [];
  const found = frequenciesHz.map((hz, i) => ({ hz, power: (waves[i]?.amplitudeArcsec ?? 0) ** 2 }));
  const strongestPower = Math.max(0, ...found.map((f) => f.power));
  const turning = found.filter((f) => f.hz * spanS >= FEWEST_TURNS && f.power > LEAST_OF_POWER * strongestPower);
  const told = wormTeeth === null ? null : 1 / wormPeriodS(wormTeeth);
  const tellsTold = told !== null && turning.some((f) => harmonicOf(f.hz, told, spanS) !== null);
  // Where something slower than a turn and a half is stronger than all that turns, nothing can be said of periods.
  const slow = found.filter((f) => f.hz * spanS < FEWEST_TURNS).some((f) => turning.every((t) => t.power < f.power));
  const wormHz = slow ? null : tellsTold ? told : wormOf(turning, spanS);
  if (wormHz === null) return { wormHz, gearsHz: [], spectrum };
  const gearsHz = turning.map((f) => f.hz).filter((hz) => harmonicOf(hz, wormHz, spanS) === null);
  return { wormHz, gearsHz, spectrum };
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

/** Points from which on the star was to be held elsewhere. */
function aimChanges({ timeS, aimRaArcsec, aimDecArcsec }: TrackSeries, points: Points): number[] {
  const changes: number[] = [];
  for (let i = 1; i < timeS.length; i += 1)
    if ([aimRaArcsec, aimDecArcsec].some((aim) => aim && aim[i] !== aim[i - 1])) changes.push(timeS[i] as number);
  return piecesAt(points, changes);
}

/** One jump for what is told twice: those that are known stand. */
const merged = (found: readonly number[], known: readonly number[]): number[] =>
  [...known, ...found.filter((i) => known.every((k) => Math.abs(k - i) > NEAR_POINTS))].sort((a, b) => a - b);
const NEAR_POINTS = 10;

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

/** Where each axis is cut: as it is told, or where it jumps. A jump of one axis is none of the other.
 *  @param alone what the mount does on either axis, in all rows. */
function jumpsPerAxis(
  series: TrackSeries,
  points: Points,
  alone: readonly [Float64Array, Float64Array],
  cutsS: readonly number[] | null,
): [ra: number[], dec: number[]] {
  const told = cutsS && piecesAt(points, cutsS);
  // In all rows: of points that stand for many a swing bends too much from one to the next.
  const jumpsIn = (axis: Float64Array): number[] =>
    told ??
    piecesAt(
      points,
      jumpsOf([axis]).map((i) => series.timeS[i] as number),
    );
  // Where the aim was logged the mount's own course goes on through a dither, where it was not it is cut there.
  const aims = aimChanges(series, points);
  const withAims = (found: number[], aim: Float64Array | null): number[] => (aim ? found : merged(found, aims));
  return [withAims(jumpsIn(alone[0]), series.aimRaArcsec), withAims(jumpsIn(alone[1]), series.aimDecArcsec)];
}

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
  const curve: Curve = { points: isThinned ? unmixed(points, raJumps) : points, jumps: raJumps };
  const thin = thinned(curve);
  const found = periodsIn(thin, timeS.length, options.wormTeeth);
  const model = fitted(curve, thin, found);
  const decModel = fitModel(points, points.dec, { jumps: decJumps, wormHz: null, harmonics: [], gearsHz: [] });
  if (!model || !decModel) return null;
  return {
    points,
    jumps: merged(raJumps, decJumps),
    periodic: periodicOf(points, model),
    gears: gearsOf(model),
    raDrift: driftOf(model),
    decDrift: driftOf(decModel),
    residualRaArcsec: model.sigmaArcsec,
    residualDecArcsec: decModel.sigmaArcsec,
    spectrum: found.spectrum,
    guided: isGuided ? { rmsRaArcsec: rmsOf(series.raArcsec), rmsDecArcsec: rmsOf(series.decArcsec) } : null,
    guider: isGuided ? guiderSigns(series) : null,
    decPlayArcsec: play?.playArcsec ?? null,
    isWhole,
  };
}

/** What a tracking log says of a mount: the period of its worm with harmonics, other gears, drift on both axes, what is left,
 *  and, where a guider was at work, how well it did.
 *  Source: harmonic least squares on a joint model (`driveModel`); a period counts from one and a half turns on. */
import { binned, type Points } from './binned.ts';
import { guidedRms, type Guided } from './guidedRms.ts';
import { guiderSigns, type GuiderSigns } from './guiderSigns.ts';
import { driftOf, fitModel, residualsOf, type ModelFit } from './driveModel.ts';
import { fitted, gearsOf, periodicOf, type GearTerm, type Periodic } from './fittedDrive.ts';
import { RAD_PER_DEG } from '../math/angles.ts';
import { noiseOf } from './jumps.ts';
import { withoutLost, type LostRows } from './lostRows.ts';
import { jumpsPerAxis, merged, thinned, unmixed, type Curve } from './pieces.ts';
import type { ErrorCurve } from './periodicError.ts';
import { playOf, type Play } from './play.ts';
import { restOfDrive } from './restOfDrive.ts';
import type { Spectrum } from './spectrum.ts';
import { longestOf } from './sessions.ts';
import { mistrust, unseenIn, type Untold } from './trust.ts';
import { periodsIn } from './wormOfCurve.ts';
import { mountDec, mountRa, wasGuided, type TrackSeries } from './trackSeries.ts';

export type Drift = { perMin: number; sigmaPerMin: number };

export type TrackAnalysis = {
  points: Points;
  /** Indices into the points of the first one after each jump of either axis, and of right ascension alone. */
  jumps: number[];
  raJumps: number[];
  /** Null = cannot be told. */
  periodic: Periodic | null;
  /** Why not; null where it is told. */
  untold: Untold | null;
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
  /** False: a log of several sessions, of which the one with most rows is told. */
  isWhole: boolean;
  /** Rows that held numbers of no star. */
  lost: LostRows;
};
type Analysed = Omit<TrackAnalysis, 'isWhole' | 'lost'>;

export type AnalyseOptions = {
  /** One turn of this mount's drive; null = not known. */
  ownTurnS: number | null;
  /** Jumps set by hand, as times; null = they are looked for. */
  cutsS?: readonly number[] | null;
};

const MOST_POINTS = 20_000;
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

/** One session, or several that hang together. Null when there are too few rows to fit even a drift. */
function analysed(series: TrackSeries, options: AnalyseOptions): Analysed | null {
  const { timeS } = series;
  const isGuided = wasGuided(series);
  const play = isGuided ? playOf(series) : null;
  const [ra, dec] = [mountRa(series), decAlone(series, play)];
  const points = binned(timeS, ra, dec, MOST_POINTS);
  if (points.timeS.length < FEWEST_POINTS) return null;
  const [raJumps, decJumps] = jumpsPerAxis(series, points, [ra, dec], options.cutsS ?? null);
  const isThinned = points.timeS.length < timeS.length;
  const inPieces = (jumps: readonly number[]): Points => (isThinned ? unmixed(points, jumps) : points);
  const decModel = fitModel(inPieces(decJumps), points.dec, { jumps: decJumps, ...NO_PERIOD });
  const drive = driveIn({ points: inPieces(raJumps), jumps: raJumps }, timeS.length, options.ownTurnS);
  if (!drive || !decModel) return null;
  return {
    points,
    jumps: merged(raJumps, decJumps),
    raJumps,
    ...drive,
    decDrift: driftOf(decModel),
    residualDecArcsec: decModel.sigmaArcsec,
    guided: isGuided ? guidedRms(series) : null,
    guider: isGuided ? guiderSigns(series) : null,
    decPlayArcsec: play?.playArcsec ?? null,
  };
}

const NO_PERIOD = { wormHz: null, harmonics: [], gearsHz: [] };

type DriveFound = Pick<
  TrackAnalysis,
  'periodic' | 'untold' | 'gears' | 'rest' | 'raDrift' | 'residualRaArcsec' | 'spectrum'
>;

/** What turns in a curve, as far as it may be told. */
function driveIn(curve: Curve, rows: number, ownTurnS: number | null): DriveFound | null {
  const thin = thinned(curve);
  const found = periodsIn(thin, rows, ownTurnS);
  const unseen = unseenIn(curve.points, ownTurnS);
  const turning = unseen === null ? fitted(curve, thin, found) : null;
  const told = turning && periodicOf(curve.points, turning);
  const why = turning && told ? mistrust(curve, turning, told.peakToPeakArcsec) : (unseen ?? 'nothing');
  const model = why === null ? turning : fitModel(curve.points, curve.points.ra, { jumps: curve.jumps, ...NO_PERIOD });
  if (!model) return null;
  return {
    periodic: why === null ? told : null,
    untold: why,
    gears: gearsOf(model),
    rest: restOf(curve, model),
    raDrift: driftOf(model),
    residualRaArcsec: model.sigmaArcsec,
    spectrum: found.spectrum,
  };
}

/** What several sessions together may leave more than the longest one alone: else they do not turn alike. */
const MOST_LEFT = 1.25;
const SAME_PERIOD = 0.02;

function turnAlike(all: Analysed, alone: Analysed): boolean {
  if (all.residualRaArcsec > MOST_LEFT * alone.residualRaArcsec) return false;
  if (!all.periodic || !alone.periodic) return alone.periodic === null;
  return Math.abs(all.periodic.periodS / alone.periodic.periodS - 1) < SAME_PERIOD;
}

/** Several sessions are told as one only where they turn alike; else the one with most rows is told. Null when there are too few
 *  rows to fit even a drift. */
export function analyseTrack(whole: TrackSeries, options: AnalyseOptions): TrackAnalysis | null {
  const { series, lost } = withoutLost(whole);
  if (series.timeS.length === 0) return null;
  const { alone, night, isAll } = longestOf(series);
  const ofNight = analysed(night, options);
  const ofLongest = alone === night ? ofNight : analysed(alone, options);
  const isTogether = alone === night || (ofNight !== null && ofLongest !== null && turnAlike(ofNight, ofLongest));
  const found = isTogether ? ofNight : ofLongest;
  return found && { ...found, lost, isWhole: isAll && isTogether };
}

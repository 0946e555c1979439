/** Whether a period that was found may be told: what is beyond its own log is not. */
import { median } from '../math/statistics.ts';
import { fitModel, residualsOf, wavesOf, type ModelFit } from './driveModel.ts';
import { levelled } from './levelled.ts';
import { noiseOf } from './jumps.ts';
import { spanOf, type Curve } from './pieces.ts';
import type { Points } from './binned.ts';
import { spectrumOf } from './spectrum.ts';

/** Why no period is told. */
export type Untold = 'nothing' | 'tooShort' | 'tooFarApart' | 'beyondRange' | 'repeatsNot';

/** Rows to a turn, fewer see another period than there is. */
const FEWEST_A_TURN = 3;
/** No worm that a log is kept for turns faster, where its wheel's teeth are not known. */
const SHORTEST_TURN_S = 150;

/** Where nobody knows the turn, what turns in a log this short may be a part of a longer one that it does not hold. */
const SHORTEST_LOG_S = 540;

/** Why a turn cannot be seen in a log at all: its rows are too far apart for this mount's own, or, where that is not known, for
 *  any; or it is over too soon. */
export function unseenIn(points: Points, ownTurnS: number | null): Untold | null {
  const steps = Array.from(points.timeS.subarray(1), (t, i) => t - (points.timeS[i] as number));
  if ((median(steps) ?? 0) > (ownTurnS ?? SHORTEST_TURN_S) / FEWEST_A_TURN) return 'tooFarApart';
  return ownTurnS === null && spanOf(points) < SHORTEST_LOG_S ? 'tooShort' : null;
}

/** Of the range of a curve without drift, what waves may swing by. */
const MOST_OF_RANGE = 1.2;
const ENDS = 0.002;

/** From nearly the lowest to nearly the highest value about drift and jumps. */
function rangeOf({ points, jumps }: Curve, { fit }: ModelFit): number {
  const drift = fit.coefficients[0] ?? 0;
  const about = levelled(
    points.ra.map((v, i) => v - drift * (points.timeS[i] as number)),
    jumps,
    points.weights,
  )
    .filter((_, i) => (points.weights[i] as number) > 0)
    .sort();
  const cut = Math.floor(ENDS * about.length);
  return (about.at(-1 - cut) ?? 0) - (about[cut] ?? 0);
}

/** A gap in the turn that is no wider is drawn through by its neighbours. */
const WIDEST_GAP = 0.2;

/** Whether points stand all round the turn, wherever each of them is in the log. */
function standAllRound({ points }: Curve, wormHz: number): boolean {
  const places = Array.from(
    points.timeS.filter((_, i) => (points.weights[i] as number) > 0),
    (t) => (t * wormHz) % 1,
  ).sort((a, b) => a - b);
  const first = places[0] ?? 0;
  return [...places, first + 1].every((place, i) => i === 0 || place - (places[i - 1] ?? 0) <= WIDEST_GAP);
}

/** Pieces shorter than a turn have less of a range each; what they say together is told where they stand all round it. */
function isBeyondRange(curve: Curve, model: ModelFit, swingArcsec: number): boolean {
  if (swingArcsec <= MOST_OF_RANGE * rangeOf(curve, model)) return false;
  return curve.jumps.length === 0 || !standAllRound(curve, model.shape.wormHz ?? 0);
}

/** Halves of a log may differ by so much of their mean, and by so many sigmas. */
const MOST_APART = 0.8;
const SIGMAS = 4;

type Turn = { sin: number; cos: number; variance: number };

function turnIn({ points, jumps }: Curve, { shape }: ModelFit, [from, to]: readonly [number, number]): Turn | null {
  const part: Points = {
    timeS: points.timeS.subarray(from, to),
    ra: points.ra.subarray(from, to),
    dec: points.dec.subarray(from, to),
    weights: points.weights.subarray(from, to),
  };
  const own = jumps.filter((j) => j > from && j < to).map((j) => j - from);
  const model = fitModel(part, part.ra, { ...shape, jumps: own });
  if (!model) return null;
  const { fit, sigmaArcsec } = model;
  const variance = sigmaArcsec ** 2 * ((fit.inverse[1]?.[1] ?? 0) + (fit.inverse[2]?.[2] ?? 0));
  return { sin: fit.coefficients[1] ?? 0, cos: fit.coefficients[2] ?? 0, variance };
}

/** True when either half of the log turns alike, or cannot tell. */
function repeats(curve: Curve, model: ModelFit): boolean {
  const n = curve.points.timeS.length;
  const middleS = (curve.points.timeS[0] as number) + spanOf(curve.points) / 2;
  const half = curve.points.timeS.findIndex((t) => t >= middleS);
  const [a, b] = [turnIn(curve, model, [0, half]), turnIn(curve, model, [half, n])];
  if (!a || !b) return true;
  const apart = Math.hypot(a.sin - b.sin, a.cos - b.cos);
  const mean = (Math.hypot(a.sin, a.cos) + Math.hypot(b.sin, b.cos)) / 2;
  return apart <= MOST_APART * mean + SIGMAS * Math.sqrt(a.variance + b.variance);
}

/** A turn stands so far above what wanders beside it, in the power of either; of a drive that turns evenly it does by thousands. */
const LEAST_OVER_WANDER = 40;
/** Fewer turns are easily drawn through a curve that wanders: they must leave hardly more than the air does. */
const MANY_TURNS = 2.5;
const MOST_LEFT_OF_AIR = 1.5;
/** From half its frequency to twice it, but for what the fit itself takes away. */
const BESIDE = [0.5, 2] as const;
const TAKEN = 0.6;
const OVERSAMPLED = 4;

/** Whether the strongest wave is none of many that a wandering curve is made of.
 *  Source: power of a wave against that of its neighbours (Vaughan 2005, A&A 431, 391). */
function isAboveWander(curve: Curve, model: ModelFit): boolean {
  const { points, jumps } = curve;
  const { shape } = model;
  const alone = fitModel(points, points.ra, { ...shape, gearsHz: [] });
  if (!alone || shape.wormHz === null) return false;
  const rowsEach = points.weights.reduce((sum, w) => sum + w, 0) / points.weights.length;
  const air = noiseOf(points.ra) * Math.sqrt(rowsEach);
  if (spanOf(points) * shape.wormHz < MANY_TURNS && model.sigmaArcsec > MOST_LEFT_OF_AIR * air) return false;
  const waves = wavesOf(alone);
  const strongest = waves.reduce((a, b) => (b.amplitudeArcsec > a.amplitudeArcsec ? b : a));
  const hz = shape.wormHz * (shape.harmonics[waves.indexOf(strongest)] ?? 1);
  const [fromHz, toHz] = [BESIDE[0] * hz, BESIDE[1] * hz];
  const count = Math.max(3, Math.ceil((toHz - fromHz) * spanOf(points) * OVERSAMPLED));
  const left = residualsOf(points, points.ra, alone);
  const { frequencyHz, power } = spectrumOf(points.timeS, left, points.weights, { fromHz, toHz, count }, jumps);
  const beside = Array.from(power).filter((_, i) => {
    const at = frequencyHz[i] as number;
    return shape.harmonics.every((k) => Math.abs(at - k * (shape.wormHz ?? 0)) * spanOf(points) > TAKEN);
  });
  const mean = beside.reduce((sum, p) => sum + p, 0) / Math.max(1, beside.length);
  // A share of the variance is half the square of an amplitude.
  return strongest.amplitudeArcsec ** 2 / 2 > LEAST_OVER_WANDER * mean * alone.sigmaArcsec ** 2;
}

/** @param swingArcsec of the worm over one turn, peak to peak.  @returns null where the period may be told. */
export function mistrust(curve: Curve, model: ModelFit, swingArcsec: number): Untold | null {
  if (!Number.isFinite(swingArcsec) || isBeyondRange(curve, model, swingArcsec)) return 'beyondRange';
  return repeats(curve, model) && isAboveWander(curve, model) ? null : 'repeatsNot';
}

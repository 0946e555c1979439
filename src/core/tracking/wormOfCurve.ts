/** Which of the periods of a curve is its worm's, which are of other gears, and when nothing can be said of either. */
import { fitModel, wavesOf } from './driveModel.ts';
import { findPeriods, PARTED } from './findPeriods.ts';
import { spanOf, type Curve } from './pieces.ts';
import type { Spectrum } from './spectrum.ts';

const FEWEST_TURNS = 1.5;
export const HIGHEST_HARMONIC = 5;
/** How near a frequency must lie to a multiple to be taken for a harmonic, of the breadth of a peak. */
const SAME_PEAK = 0.35;

/** The harmonic that a frequency is of another one; null = none. */
function harmonicOf(hz: number, wormHz: number, spanS: number): number | null {
  const k = Math.round(hz / wormHz);
  const near = Math.abs(hz - k * wormHz) < SAME_PEAK / spanS;
  return k >= 1 && k <= HIGHEST_HARMONIC && near ? k : null;
}

/** Too near to a harmonic to be parted from it by this log. */
function isBesideHarmonic(hz: number, wormHz: number, spanS: number): boolean {
  const k = Math.min(HIGHEST_HARMONIC, Math.max(1, Math.round(hz / wormHz)));
  return Math.abs(hz - k * wormHz) < PARTED / spanS;
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

export type Found = { wormHz: number | null; gearsHz: number[]; spectrum: Spectrum };

/** What swings by less than a hundredth of the rest names nothing. */
const LEAST_OF_POWER = 1e-4;

/** Periods that stand out, and which of them is the worm's. */
export function periodsIn({ points, jumps }: Curve, rows: number, ownTurnS: number | null): Found {
  const spanS = spanOf(points);
  const { frequenciesHz, spectrum } = findPeriods(points, points.ra, jumps, rows);
  const model = fitModel(points, points.ra, { jumps, wormHz: null, harmonics: [], gearsHz: frequenciesHz });
  const waves = model ? wavesOf(model) : [];
  const found = frequenciesHz.map((hz, i) => ({ hz, power: (waves[i]?.amplitudeArcsec ?? 0) ** 2 }));
  const strongestPower = Math.max(0, ...found.map((f) => f.power));
  const turning = found.filter((f) => f.hz * spanS >= FEWEST_TURNS && f.power > LEAST_OF_POWER * strongestPower);
  const told = ownTurnS === null ? null : 1 / ownTurnS;
  const tellsTold = told !== null && turning.some((f) => harmonicOf(f.hz, told, spanS) !== null);
  // Where something slower than a turn and a half is stronger than all that turns, nothing can be said of periods.
  const slow = found.filter((f) => f.hz * spanS < FEWEST_TURNS).some((f) => turning.every((t) => t.power < f.power));
  const wormHz = slow ? null : tellsTold ? told : wormOf(turning, spanS);
  if (wormHz === null) return { wormHz, gearsHz: [], spectrum };
  const gearsHz = turning.map((f) => f.hz).filter((hz) => !isBesideHarmonic(hz, wormHz, spanS));
  return { wormHz, gearsHz, spectrum };
}

/** Subs of the account against subs of the true drive: a stand-in's worm and gear are logged as text, recorded, and the spread
 *  that subs of a length get by the reading is held against that of subs laid upon the truth one by one. */
import { within, seeded, type Random } from '../../src/core/math/random.ts';
import { measuredDrive } from '../../src/core/night/learned/measuredDrive.ts';
import type { ReadingOf } from '../../src/core/records/reading.ts';
import { possibleSubs } from '../../src/core/verdict/possibleSubs.ts';
import { trackValues } from '../../src/core/tracking/trackReading.ts';
import { anyDrive, driveAt, type DriveTruth } from '../../src/standins/mountLog.ts';
import { analysed, textOf } from './driveTrial.ts';
import type { Trial } from './trial.ts';

/** Off by no more in half of the drives, and in nine of ten, as a share of the spread. */
const HALF_WITHIN = 0.02;
const NINE_WITHIN = 0.08;
const LENGTHS_S = [45, 180];
const SHARES = [0.5, 0.9];

function withGear(random: Random): DriveTruth {
  const gear = {
    periodS: within(random, 25, 120),
    amplitudeArcsec: within(random, 0.5, 3),
    phaseDeg: within(random, -180, 180),
  };
  return { ...anyDrive(random), gear };
}

const quantile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.floor(share * values.length)] ?? 0;

/** Standard deviations about their own mean of subs laid upon the true drive, drift left out. */
function trueSpreads(truth: DriveTruth, exposureS: number): number[] {
  const steady = { ...truth, raPerMin: 0 };
  return Array.from({ length: 600 }, (_, sub) => {
    const path = Array.from({ length: 48 }, (_, i) => driveAt(steady, sub * 31.7 + ((i + 0.5) / 48) * exposureS));
    const mean = path.reduce((a, b) => a + b, 0) / path.length;
    return Math.sqrt(path.reduce((sum, v) => sum + (v - mean) ** 2, 0) / path.length);
  });
}

/** By which share the reading's spreads miss the true ones; null = no drive was told. */
function missesOf(seed: number): number[] | null {
  const random = seeded(seed);
  const truth = withGear(random);
  const plan = {
    durationS: truth.periodS * within(random, 3.2, 6),
    cadenceS: within(random, 1, 3),
    lostShare: within(random, 0, 0.03),
    aggressiveness: null,
    ditherEvery: null,
    backlashArcsec: 0,
  };
  const found = analysed(textOf(truth, plan, seed));
  const drive = found && measuredDrive({ values: trackValues(found, 0) } as ReadingOf<'track'>, null);
  if (!drive) return null;
  return LENGTHS_S.flatMap((exposureS) => {
    const told = Array.from(possibleSubs(drive, exposureS).wobbleVariance, Math.sqrt);
    const wanted = trueSpreads(truth, exposureS);
    return SHARES.map((share) => quantile(told, share) / quantile(wanted, share) - 1);
  });
}

export const windowsTrial: Trial = {
  name: 'windows',
  what: 'subs by a recorded log spread as those of the true drive, gears and all: within 2 % in half of all, 8 % in nine of ten',
  cases: 100,
  leastCases: 5,
  run: (seed, cases) => {
    const all = Array.from({ length: cases }, (_, i) => missesOf(seed + i));
    const told = all.flatMap((misses) => misses ?? []);
    const sizes = told.map(Math.abs);
    const middle = quantile(told, 0.5);
    const percent = (v: number): string => `${(100 * v).toFixed(1)} %`;
    const [half, nine] = [quantile(sizes, 0.5), quantile(sizes, 0.9)];
    const figure = `told ${all.filter((m) => m !== null).length} of ${cases}; half within ${percent(half)}, nine in ten within ${percent(nine)}, in the middle ${percent(middle)}`;
    const holds = told.length > 0 && half <= HALF_WITHIN && nine <= NINE_WITHIN;
    return Promise.resolve({ failure: holds ? null : figure, figure });
  },
};

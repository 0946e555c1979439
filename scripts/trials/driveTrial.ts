/** Drives of known error, logged by a stand-in as text and read back by the door that files take. */
import { analyseTrack, type TrackAnalysis } from '../../src/core/tracking/analyseTrack.ts';
import { layoutOf } from '../../src/formats/logs/layout.ts';
import { guessMapping, readLogText } from '../../src/formats/logs/mapping.ts';
import { anyDrive, loggedRows, type DriveTruth, type LogPlan } from '../../src/standins/mountLog.ts';
import { LOG_HEADER, logLine } from '../../src/standins/mountStream.ts';
import { seeded, within, type Random } from '../../src/core/math/random.ts';
import type { Trial } from './trial.ts';

const ONE_SIGMA = [0.58, 0.78] as const;
const THREE_SIGMA = 0.98;
const FAIR_CASES = 200;
const FEW = 0.9;

function planOf(random: Random, { periodS }: DriveTruth): LogPlan {
  const guided = random() < 0.4;
  return {
    durationS: periodS * within(random, 3.2, 7),
    cadenceS: within(random, 1, 4),
    lostShare: within(random, 0, 0.03),
    aggressiveness: guided ? within(random, 0.3, 0.9) : null,
    ditherEvery: guided && random() < 0.5 ? 150 : null,
    backlashArcsec: 0,
  };
}

/** As it is written: with what was corrected and where it aimed. */
export const textOf = (truth: DriveTruth, plan: LogPlan, seed: number): string =>
  [LOG_HEADER, ...loggedRows(truth, plan, seed).map(logLine)].join('\n');

export function analysed(text: string): TrackAnalysis | null {
  const layout = layoutOf(text);
  const read = layout && readLogText(text, layout, guessMapping(layout).mapping);
  return read?.ok === true ? analyseTrack(read.value.series, { ownTurnS: null }) : null;
}

/** Off by how many of its own sigmas each figure is; null = the period was not found. */
function missesOf(seed: number): { period: number; ra: number; dec: number } | null {
  const random = seeded(seed);
  const truth = anyDrive(random);
  const found = analysed(textOf(truth, planOf(random, truth), seed));
  if (!found?.periodic || Math.abs(found.periodic.periodS / truth.periodS - 1) > 0.05) return null;
  return {
    period: Math.abs(found.periodic.periodS - truth.periodS) / found.periodic.sigmaPeriodS,
    ra: Math.abs(found.raDrift.perMin - truth.raPerMin) / found.raDrift.sigmaPerMin,
    dec: Math.abs(found.decDrift.perMin - truth.decPerMin) / found.decDrift.sigmaPerMin,
  };
}

const share = (values: readonly number[], most: number): number =>
  values.filter((v) => v <= most).length / Math.max(1, values.length);

export const driveTrial: Trial = {
  name: 'drives',
  what: 'simulated drives, guided or not, return period and drifts within their stated doubt: 58 to 78 % in one sigma, 98 % in three',
  cases: 200,
  leastCases: 0,
  run: (seed, cases) => {
    const all = Array.from({ length: cases }, (_, i) => missesOf(seed + i));
    const found = all.flatMap((m) => m ?? []);
    const told = (['period', 'ra', 'dec'] as const).map((name) => {
      const values = found.map((m) => m[name]);
      return { name, one: share(values, 1), three: share(values, 3) };
    });
    const figure = [
      `found ${found.length} of ${cases}`,
      ...told.map(
        (t) => `${t.name} ${(100 * t.one).toFixed(0)} % in one sigma, ${(100 * t.three).toFixed(1)} % in three`,
      ),
    ].join('; ');
    const isFair = ({ one, three }: { one: number; three: number }): boolean =>
      one >= ONE_SIGMA[0] && one <= ONE_SIGMA[1] && three >= THREE_SIGMA;
    // Fewer than so many say nothing of shares, only that none goes astray.
    const holds =
      found.length >= THREE_SIGMA * cases && told.every((t) => (cases < FAIR_CASES ? t.three >= FEW : isFair(t)));
    return Promise.resolve({ failure: holds ? null : figure, figure });
  },
};

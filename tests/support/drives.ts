/** A drive of known error as a log without text, for tests of what is told of it. */
import { analyseTrack } from '../../src/core/tracking/analyseTrack.ts';
import type { TrackSeries } from '../../src/core/tracking/trackSeries.ts';
import { loggedRows, type DriveTruth, type LogPlan } from '../../src/standins/mountLog.ts';

export const DRIVE: DriveTruth = {
  periodS: 480,
  harmonics: [
    { k: 1, amplitudeArcsec: 7, phaseDeg: 40 },
    { k: 2, amplitudeArcsec: 2, phaseDeg: -60 },
  ],
  gear: null,
  raPerMin: 0.8,
  decPerMin: -1.9,
  seeingArcsec: 0.5,
};
const PLAN: LogPlan = {
  durationS: 2000,
  cadenceS: 2,
  lostShare: 0,
  aggressiveness: null,
  ditherEvery: null,
  backlashArcsec: 0,
};

export function seriesOf(truth: Partial<DriveTruth> = {}, plan: Partial<LogPlan> = {}, seed = 7): TrackSeries {
  const rows = loggedRows({ ...DRIVE, ...truth }, { ...PLAN, ...plan }, seed).filter((r) => r.ra !== null);
  let [ra, dec] = [0, 0];
  const sent = rows.map((r) => {
    const before = [ra, dec];
    [ra, dec] = [ra + r.sentRa, dec + r.sentDec];
    return before;
  });
  const guided = plan.aggressiveness != null;
  const of = (value: (i: number) => number) => Float64Array.from(rows, (_, i) => value(i));
  return {
    timeS: of((i) => rows[i]!.timeS),
    raArcsec: of((i) => rows[i]!.ra!),
    decArcsec: of((i) => rows[i]!.dec!),
    sentRaArcsec: guided ? of((i) => sent[i]![0]!) : null,
    sentDecArcsec: guided ? of((i) => sent[i]![1]!) : null,
    aimRaArcsec: guided ? of((i) => rows[i]!.aimRa) : null,
    aimDecArcsec: guided ? of((i) => rows[i]!.aimDec) : null,
  };
}
export const analysed = (
  truth?: Partial<DriveTruth>,
  plan?: Partial<LogPlan>,
  seed?: number,
  ownTurnS: number | null = null,
) => analyseTrack(seriesOf(truth, plan, seed), { ownTurnS })!;

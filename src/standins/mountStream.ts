/** The stand-in mount as something that can be logged live: by its seed and how hard it is, the same wherever it runs. */
import { seeded, within } from '../core/math/random.ts';
import { anyDrive, loggedRows, type DriveTruth, type LoggedRow, type LogPlan } from './mountLog.ts';

export const DIFFICULTIES = ['easy', 'usual', 'hard'] as const;
export type Difficulty = (typeof DIFFICULTIES)[number];
export type StandInMount = { seed: number; difficulty: Difficulty };
export type MountTruth = DriveTruth & Pick<LogPlan, 'aggressiveness' | 'backlashArcsec'>;

const CADENCE_S = 2;
const TURNS = 4;

function planOf({ seed, difficulty }: StandInMount, { periodS }: DriveTruth): LogPlan {
  const random = seeded(seed + 1);
  const plan = { durationS: TURNS * periodS, cadenceS: CADENCE_S, lostShare: 0, ditherEvery: null };
  switch (difficulty) {
    case 'easy':
      return { ...plan, aggressiveness: null, backlashArcsec: 0 };
    case 'usual':
      return {
        ...plan,
        lostShare: 0.01,
        ditherEvery: 150,
        aggressiveness: within(random, 0.4, 0.7),
        backlashArcsec: 0,
      };
    case 'hard':
      return {
        ...plan,
        lostShare: 0.05,
        ditherEvery: 90,
        aggressiveness: within(random, 1.2, 1.5),
        backlashArcsec: within(random, 2, 6),
      };
  }
}

/** What nobody who measures knows. */
export function truthOf(mount: StandInMount): MountTruth {
  const drive = anyDrive(seeded(mount.seed));
  const { aggressiveness, backlashArcsec } = planOf(mount, drive);
  return { ...drive, aggressiveness, backlashArcsec };
}

export const LOG_HEADER =
  'time_s,ra_arcsec,dec_arcsec,ra_corr_arcsec,dec_corr_arcsec,aim_ra_arcsec,aim_dec_arcsec' as const;

/** One row as text; where the star was lost, that is said. */
export function logLine(row: LoggedRow): string {
  const cell = (value: number | null): string => (value === null ? 'lost' : value.toFixed(4));
  const { timeS, ra, dec, sentRa, sentDec, aimRa, aimDec } = row;
  return [timeS.toFixed(3), ...[ra, dec, sentRa, sentDec, aimRa, aimDec].map(cell)].join(',');
}

/** All that it will log, line by line, without a line's end. */
export function standInLines(mount: StandInMount): string[] {
  const drive = anyDrive(seeded(mount.seed));
  return [LOG_HEADER, ...loggedRows(drive, planOf(mount, drive), mount.seed).map(logLine)];
}

/** Lines from one on, so many at most: what comes next of a log that is written little by little. */
export const linesFrom = (lines: readonly string[], from: number, most: number): string =>
  lines
    .slice(from, from + most)
    .map((line) => `${line}\n`)
    .join('');

/** How many come at once, and how often. */
export const LINES_AT_ONCE = 60;
export const BETWEEN_MS = 250;

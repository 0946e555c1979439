/** Logs of a known drive, written in many ways and put into disorder: the truth within its doubt, or a named refusal. */
import fc from 'fast-check';
import { seeded } from '../../src/core/math/random.ts';
import { analyseTrack, type TrackAnalysis } from '../../src/core/tracking/analyseTrack.ts';
import { openLog } from '../../src/formats/logs/openLog.ts';
import { anyDrive, loggedRows, type DriveTruth } from '../../src/standins/mountLog.ts';
import { DISORDERS, type Disorder, type DisorderName, type Expected } from './logDisorders.ts';
import { cellsOfRow, headingOf, TIME_FORMS, writtenRows, type LogForm, type TimeFormName } from './logForms.ts';

export type LogTruthCase = { seed: number; isGuided: boolean; form: LogForm; disorders: readonly DisorderName[] };

const names = <T extends string>(of: Record<T, unknown>): T[] => Object.keys(of) as T[];
export const logTruthCases: fc.Arbitrary<LogTruthCase> = fc.record({
  seed: fc.integer({ min: 1, max: 500 }),
  isGuided: fc.boolean(),
  form: fc.record({
    time: fc.constantFrom<TimeFormName>(...names(TIME_FORMS)),
    axes: fc.integer({ min: 0, max: 3 }),
    delimiter: fc.constantFrom(',' as const, ';' as const, '\t' as const),
    snr: fc.boolean(),
  }),
  disorders: fc.uniqueArray(fc.constantFrom<DisorderName>(...names(DISORDERS)), { minLength: 1, maxLength: 2 }),
});

/** What its rows hold is made anew by some, so that corrections beside them would be of another log. */
const MAKES_ROWS: ReadonlySet<DisorderName> = new Set(['constant', 'airOnly', 'wandering']);

const CLOCKS: ReadonlySet<TimeFormName> = new Set(['dayClock', 'zulu', 'local']);
const disorderOf = (name: DisorderName): Disorder => DISORDERS[name];

function textOf(one: LogTruthCase, drive: DriveTruth): string {
  const { seed, form, disorders } = one;
  const isGuided = one.isGuided && !disorders.some((d) => MAKES_ROWS.has(d));
  const plan = {
    durationS: 4.5 * drive.periodS,
    cadenceS: 2,
    lostShare: 0.01,
    ditherEvery: isGuided ? 150 : null,
    aggressiveness: isGuided ? 0.6 : null,
    backlashArcsec: 0,
  };
  const random = seeded(seed + 77);
  const rows = disorders.reduce(
    (some, d) => disorderOf(d).rows?.(some, random) ?? some,
    writtenRows(loggedRows(drive, plan, seed), isGuided, form, random),
  );
  const isCut = disorders.some((d) => disorderOf(d).times === 'minutes') && CLOCKS.has(form.time);
  const cells = rows
    .map((row) => cellsOfRow(form, row))
    .map(([time = '', ...rest]) => [isCut ? time.replace(/(\d\d:\d\d):\d\d\.\d+Z?/, '$1') : time, ...rest]);
  const lines = [headingOf(form, isGuided), ...cells].map((row) => row.join(form.delimiter));
  return disorders.reduce((some, d) => disorderOf(d).lines?.(some, random) ?? some, lines).join('\n');
}

/** Of several the least that is expected. */
function expectedOf({ form, disorders }: LogTruthCase): Expected {
  const all = disorders.map((d) => disorderOf(d).expected(TIME_FORMS[form.time].isDated));
  if (all.includes('never')) return 'never';
  return all.includes('either') || disorders.length > 1 ? 'either' : 'told';
}

const SIGMAS = 5;
const PERIOD_SHARE = 0.01;
const SWING_SHARE = 0.12;

function swingOf({ harmonics }: DriveTruth): number {
  const at = (turn: number): number =>
    harmonics.reduce(
      (sum, h) => sum + h.amplitudeArcsec * Math.sin(2 * Math.PI * h.k * turn + h.phaseDeg / 57.29578),
      0,
    );
  const all = Array.from({ length: 720 }, (_, i) => at(i / 720));
  return Math.max(...all) - Math.min(...all);
}

/** What is told is the truth within its doubt. */
function falseIn({ periodic, raDrift, decDrift }: TrackAnalysis, drive: DriveTruth): string | null {
  if (periodic) {
    const off = Math.abs(periodic.periodS - drive.periodS);
    if (off > Math.max(SIGMAS * periodic.sigmaPeriodS, PERIOD_SHARE * drive.periodS))
      return `a period of ${periodic.periodS} +- ${periodic.sigmaPeriodS} s instead of ${drive.periodS} s`;
    const swing = swingOf(drive);
    if (Math.abs(periodic.peakToPeakArcsec - swing) > SWING_SHARE * swing + 0.5)
      return `a swing of ${periodic.peakToPeakArcsec} instead of ${swing} arcsec`;
  }
  const figures = [raDrift, decDrift].flatMap(({ perMin, sigmaPerMin }) => [perMin, sigmaPerMin]);
  return figures.every(Number.isFinite) ? null : `drifts of ${figures.join(' ')}`;
}

async function* once(text: string): AsyncGenerator<Uint8Array> {
  yield await Promise.resolve(new TextEncoder().encode(text));
}

export type LogTruth = { told: boolean; problem: string | null };

export async function logTruth(one: LogTruthCase): Promise<LogTruth> {
  const drive = anyDrive(seeded(one.seed));
  const expected = expectedOf(one);
  const opened = await openLog(once(textOf(one, drive)), {
    told: {},
    mapping: null,
    between: () => Promise.resolve(),
  });
  const read = opened.ok ? opened.value.read : opened;
  const untold = (why: string): LogTruth => ({ told: false, problem: expected === 'told' ? `refused: ${why}` : null });
  if (!read.ok) return untold(read.code);
  const found = analyseTrack(read.value.series, { ownTurnS: null });
  if (!found) return untold('too few rows');
  if (found.periodic && expected === 'never') return { told: true, problem: 'a period of nothing' };
  const isOwn = !one.disorders.some((d) => MAKES_ROWS.has(d));
  const wrong = isOwn ? falseIn(found, drive) : null;
  if (wrong !== null) return { told: true, problem: wrong };
  return found.periodic ? { told: true, problem: null } : untold(found.untold ?? 'nothing');
}

export const logTruthProperty = () =>
  fc.asyncProperty(logTruthCases, async (one) => {
    const { problem } = await logTruth(one);
    if (problem !== null) throw new Error(problem);
  });

/** Words of tracking logs: how they are laid out, what they say of the drive. */
import { fromUtcText } from '../core/time/utc.ts';
import { tableOf, type TrackAnalysis } from '../core/tracking/analyseTrack.ts';
import type { OwnTurn } from '../core/rig/driveTurn.ts';
import type { Untold } from '../core/tracking/trust.ts';
import type { LogCode } from '../formats/logs/readLog.ts';
import type { Format } from './format.ts';
import { logRefusal } from './logReadingWords.ts';
import type { Said } from './said.ts';

export const LOG = {
  choose: 'Choose a log',
  other: 'Choose another log',
  drop: 'or drop it here: text of any program, with times and the star’s error in right ascension and declination.',
  layout: 'How this log is read',
  howRead: 'What was made of this log',
  again: 'Read it this way',
  record: 'Record this drive',
  recorded: 'The drive is recorded.',
  recordOther: 'Record what this log shows',
  otherRecorded: 'Recorded: what this log shows of the drive.',
  curve: 'The log, drift and cuts',
  counted: 'The drive as it is counted now',
  folded: 'All turns laid over each other',
  spectrum: 'What turns, by its period',
  decDeg: 'Declination of the star',
  decHint: 'The log holds what is seen on the sky; the drive itself errs by more.',
  scale: 'Scale of the log’s pixels',
  rate: 'Rate of the corrections',
  angle: 'Right ascension in the columns’ x',
  angleHint: 'Counter-clockwise; empty = along x.',
  columns: ['Column', 'First values', 'It is', 'Unit, and which way'],
  column: 'column',
  atAxis: 'The log holds the drive’s own error, at the axis',
  time: 'time from the first row',
  courseAxis: 'arcsec; thick: right ascension',
  turnAxis: 'seconds of the turn',
  arcsec: 'arcsec',
  period: 'period',
  shareAxis: 'share of the swing',
  cuts: 'Cuts',
  noCut: 'No cut: the log is taken as one.',
  dragCut: 'Drag a dashed line of the curve to move its cut, or take one away here.',
  cutAt: 'Cut at',
  cutHint: 'Where the star was taken anew, or the mount was moved.',
  addCut: 'Cut here',
  noCuts: 'Take all cuts away',
  foundCuts: 'Cut where jumps are found',
  pole: 'What the declination’s drift says of the pole',
  poleHint:
    'Of a log without guiding, or one that holds its corrections. A star tells one part of the error: on the meridian the azimuth, low in the east or west the altitude.',
  recordPole: 'Count it for the pole',
  poleRecorded: 'The drift counts for the pole.',
  haH: 'Hour angle in the middle of the log',
  haHint: 'West plus.',
  cancelled: 'Cancelled. Nothing was read.',
  died: 'The reading stopped on this device. Nothing was changed. Choose the log again.',
  saveCurve: 'Save the curve as CSV',
} as const;

export type LogSaying =
  | { code: 'none' }
  | { code: 'refused'; why: LogCode; figures: Readonly<Record<string, number | string>> }
  | { code: 'noPeriod'; why: Untold; turns: number | null; spanS: number; drive: OwnTurn['drive'] }
  | { code: 'few' | 'told' | 'standIn'; periodS: number; sigmaS: number; turns: number; peakToPeakArcsec: number };

/** Turns from which a period is trusted. */
const TRUSTED_TURNS = 3;

/** @param own tells how much of a turn a short log holds; null = nobody knows it. */
export function logSaying({ periodic, points, untold }: TrackAnalysis, own: OwnTurn | null): LogSaying {
  const spanS = (points.timeS.at(-1) ?? 0) - (points.timeS[0] ?? 0);
  if (!periodic) {
    const turns = own && spanS / own.periodS;
    return { code: 'noPeriod', why: untold ?? 'nothing', turns, spanS, drive: own?.drive ?? 'worm' };
  }
  const { periodS, sigmaPeriodS, turns, peakToPeakArcsec } = periodic;
  return { code: turns < TRUSTED_TURNS ? 'few' : 'told', periodS, sigmaS: sigmaPeriodS, turns, peakToPeakArcsec };
}

/** Too short to tell: by this mount's own turn, where that is known, else by what most worms take. */
const isShort = ({ turns, spanS }: Extract<LogSaying, { code: 'noPeriod' }>): boolean =>
  turns === null ? spanS < USUAL_LEAST_S : turns < FEWEST_TURNS;
const USUAL_LEAST_S = 1800;
const FEWEST_TURNS = 1.5;

export function logSentence(s: LogSaying, f: Format): Said {
  switch (s.code) {
    case 'none':
      return 'Choose a **log of a star**, guided or not, of half an hour and more.';
    case 'refused':
      return 'Say **how this log is read**, or choose another one.';
    case 'noPeriod':
      if (s.why === 'tooFarApart') return 'Log **more often**: rows every few seconds show how the drive turns.';
      if (s.why === 'tooShort' || isShort(s))
        return `Log **longer**: at least one and a half turns of the ${s.drive}, better three.`;
      return s.why === 'nothing'
        ? '**Nothing turns** in this log that stands out of the air.'
        : 'Log **once more**, longer: what turns in this one cannot be told.';
    case 'few':
      return `Log **longer** to be sure: so far the drive swings **${f.quantity(s.peakToPeakArcsec, 'arcsec', 1)}** in ${f.quantity(s.periodS, 'seconds', 1)}.`;
    case 'told':
      return `**Record this drive**: it swings ${f.quantity(s.peakToPeakArcsec, 'arcsec', 1)} peak to peak in ${f.quantity(s.periodS, 'seconds', 1)}.`;
    case 'standIn':
      return `Now **look at the truth**: by its log it swings ${f.quantity(s.peakToPeakArcsec, 'arcsec', 1)} in ${f.quantity(s.periodS, 'seconds', 1)}.`;
  }
}

export function logReason(s: LogSaying, f: Format): string {
  switch (s.code) {
    case 'none':
      return 'From it follow the drive’s own curve, its drift, and the longest sub that it allows.';
    case 'refused':
      return logRefusal(s.why, s.figures);
    case 'noPeriod': {
      const covers =
        s.turns === null
          ? `It covers ${f.duration(s.spanS)}.`
          : `It covers ${f.duration(s.spanS)}, ${f.number(s.turns, 1)} turns of this mount’s ${s.drive}.`;
      const why = UNTOLD_WHY[s.why];
      return why === '' ? covers : `${why} ${covers}`;
    }
    case 'few':
    case 'told':
    case 'standIn':
      return `${f.number(s.turns, 1)} turns; the period is known to ${f.doubt(s.sigmaS, 'seconds', s.sigmaS < 1 ? 2 : 1)}${s.code === 'few' ? ', from three turns on it is trusted' : ''}.`;
  }
}

const UNTOLD_WHY: Record<Untold, string> = {
  nothing: '',
  tooShort: '',
  tooFarApart: 'Its rows are too far apart: a turn between them looks like another one.',
  beyondRange: 'What fits best would swing by more than the whole log does.',
  repeatsNot: 'Its first half and its second do not turn alike.',
};

type Figure = { name: string; value: string };

/** A table that leaves more than it takes is none. */
function tableFigure(found: TrackAnalysis, f: Format): Figure[] {
  const table = tableOf(found);
  if (!table) return [];
  const { leftArcsec, nowArcsec } = table;
  const figures = `${f.quantity(leftArcsec, 'arcsec')} of ${f.quantity(nowArcsec, 'arcsec')}`;
  const isWorth = leftArcsec < nowArcsec - leftArcsec;
  return [
    isWorth
      ? { name: 'A correction table would leave', value: figures }
      : { name: 'A correction table', value: `is not worth it: ${figures} would stay` },
  ];
}

const driftFigure = ({ perMin, sigmaPerMin }: TrackAnalysis['raDrift'], f: Format): string =>
  `${f.quantity(perMin, 'driftRate')} ${f.doubt(sigmaPerMin, 'driftRate')}`;

/** What was found, in figures. */
export function logFigures(found: TrackAnalysis, own: OwnTurn | null, f: Format): Figure[] {
  const { periodic, gears, guided } = found;
  return [
    ...(periodic
      ? [
          { name: 'What turns', value: periodName(periodic.periodS, own, f) },
          ...periodic.harmonics.map((h) => ({
            name: h.k === 1 ? 'Once a turn' : `${h.k} times a turn`,
            value: f.quantity(h.amplitudeArcsec, 'arcsec', 1),
          })),
        ]
      : []),
    ...gears.map((g) => ({
      name: `Every ${f.quantity(g.periodS, 'seconds', 1)}`,
      value: f.quantity(g.amplitudeArcsec, 'arcsec', 1),
    })),
    { name: 'Drift in right ascension', value: driftFigure(found.raDrift, f) },
    { name: 'Drift in declination', value: driftFigure(found.decDrift, f) },
    { name: 'Left after all this', value: f.quantity(found.residualRaArcsec, 'arcsec') },
    ...tableFigure(found, f),
    ...(guided
      ? [
          { name: 'Guided, right ascension', value: f.quantity(guided.values.rmsRaArcsec, 'arcsec') },
          { name: 'Guided, declination', value: f.quantity(guided.values.rmsDecArcsec, 'arcsec') },
        ]
      : []),
    ...(found.decPlayArcsec === null
      ? []
      : [{ name: 'Backlash in declination', value: f.quantity(found.decPlayArcsec, 'arcsec', 1) }]),
  ];
}

/** The drive of another night against this log's. */
export function earlierWords(
  { atUtc, peakToPeakArcsec }: { atUtc: string; peakToPeakArcsec: number },
  nowArcsec: number,
  f: Format,
): string {
  const then = f.quantity(peakToPeakArcsec, 'arcsec', 1);
  return `Dashed: the drive as recorded on ${f.evening(fromUtcText(atUtc))}, turned so that both begin alike. It swung ${then} then, ${f.quantity(nowArcsec, 'arcsec', 1)} now.`;
}

/** What the account takes the drive for. `turn` null: it was measured, and no turn stood out. */
export function countedWords(
  atUtc: string | null,
  turn: { periodS: number; peakToPeakArcsec: number } | null,
  f: Format,
): string {
  const swings = turn
    ? `${f.quantity(turn.peakToPeakArcsec, 'arcsec', 1)} peak to peak in ${f.quantity(turn.periodS, 'seconds', 0)}`
    : 'no turn stood out of the air';
  if (atUtc === null) return `Taken as usual for its kind: ${swings}. A log of yours takes its place.`;
  return `As recorded on ${f.evening(fromUtcText(atUtc))}: ${swings}.`;
}

const AXIS_NAMES = { ra: 'right ascension', dec: 'declination' } as const;

/** What to do about a guider that bounces or drags; one sentence an axis, none for an axis that is well. */
export function guiderAdvice(guider: TrackAnalysis['guider'], f: Format): string[] {
  if (!guider) return [];
  return (['ra', 'dec'] as const).flatMap((axis) => {
    const { verdict, takesBack } = guider[axis];
    const part = `it takes back ${f.quantity(takesBack, 'percent')} of each error`;
    if (verdict === 'tooMuch')
      return `In ${AXIS_NAMES[axis]} the guider corrects too much and the star bounces (${part}): lower its share, or expose it longer.`;
    if (verdict === 'tooLittle')
      return `In ${AXIS_NAMES[axis]} errors last from row to row (${part}): raise its share, or look for backlash in the gears.`;
    return [];
  });
}

/** What names a period: this mount's own drive, or nothing that is known. */
export function periodName(periodS: number, own: OwnTurn | null, f: Format): string {
  if (own && Math.abs(periodS / own.periodS - 1) < 0.02) return `the ${own.drive} of this mount`;
  return `unknown, about ${f.quantity(periodS, 'seconds')}`;
}

export const ONE_SESSION = 'The log holds several sessions that do not turn alike: the one with most rows is told.';

export const takeCutAway = (atS: number, f: Format): string => `Take the cut at ${f.quantity(atS, 'seconds')} away`;

export const rowsWords = (rows: number, unusable: number, gaps: number, cuts: number): string =>
  `${rows} rows, ${unusable} without usable numbers; ${gaps === 1 ? 'one hole' : `${gaps} holes`}, ${cuts === 1 ? 'one cut' : `${cuts} cuts`}.`;

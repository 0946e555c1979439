import { line } from 'd3';
import type { TrackAnalysis } from '../../../core/tracking/analyseTrack.ts';
import type { EarlierDrive } from '../../../core/tracking/trackReading.ts';
import type { Gap } from '../../../core/tracking/trackSeries.ts';
import { useShared } from '../../../session/session.ts';
import { earlierWords, LOG } from '../../../text/logWords.ts';
import { ChartFrame } from '../../../ui/charts/ChartFrame.tsx';
import { DragLine } from '../../../ui/charts/DragX.tsx';
import type { LogHere } from './useLog.ts';
import { courseOf, cutsOf, foldedOf, roundTimes, spectrumDots, turnDots, type Dot } from './logModel.ts';

export const dotPath = (dots: readonly Dot[], x: (v: number) => number, y: (v: number) => number): string =>
  line<Dot>()
    .x((d) => x(d.x))
    .y((d) => y(d.y))(dots) ?? '';

/** Thousands of dots as one path: strokes without length that round ends make to dots. */
const scattered = (dots: readonly Dot[], x: (v: number) => number, y: (v: number) => number): string =>
  dots.map((d) => `M${x(d.x).toFixed(1)} ${y(d.y).toFixed(1)}h0`).join('');

/** More of them would hide the curve. */
const MOST_BREAKS = 200;

export function rangeOf(dots: readonly Dot[]): [number, number] {
  const values = dots.map((d) => d.y);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const edge = Math.max(0.5, 0.06 * (high - low));
  return [low - edge, high + edge];
}

type CourseProps = { analysis: TrackAnalysis; breaks: Breaks; cutAt: LogHere['cutAt'] };
/** Where the log itself breaks: holes without rows, clocks that were set. */
export type Breaks = { gaps: readonly Gap[]; clockSteps: readonly number[] };

/** Both axes against time, with the cuts, holes as bands and steps of the clock. */
function Course({ analysis, breaks, cutAt }: CourseProps) {
  const { format } = useShared();
  const [ra, dec] = [courseOf(analysis, 'ra'), courseOf(analysis, 'dec')];
  const [first, longest] = [ra[0]?.x ?? 0, ra.at(-1)?.x ?? 1];
  const cuts = cutsOf(analysis);
  const moved = (i: number, s: number): void => cutAt(cuts.with(i, s).sort((a, b) => a - b));
  const isShown = (s: number): boolean => s >= first && s <= longest;
  return (
    <ChartFrame
      label={`${LOG.curve}: right ascension drifts ${format.quantity(analysis.raDrift.perMin, 'driftRate')}, declination ${format.quantity(analysis.decDrift.perMin, 'driftRate')}`}
      fileName="tracking-log"
      height={260}
      x={{
        domain: [first, longest],
        label: LOG.time,
        format: (v) => format.duration(v),
        ticks: roundTimes(first, longest),
      }}
      y={{
        domain: rangeOf([...ra, ...dec]),
        label: LOG.courseAxis,
        format: (v) => format.number(v, 0),
      }}
    >
      {({ x, y, height }) => (
        <g>
          {breaks.gaps
            .filter(({ afterS }) => isShown(afterS))
            .slice(0, MOST_BREAKS)
            .map(({ afterS, lengthS }) => (
              <rect
                key={afterS}
                x={x(afterS)}
                width={Math.max(1, x(afterS + lengthS) - x(afterS))}
                height={height}
                fill="var(--line)"
                opacity={0.6}
              />
            ))}
          {breaks.clockSteps
            .filter(isShown)
            .slice(0, MOST_BREAKS)
            .map((s) => (
              <path key={s} d={`M${x(s)} 0V${height}`} stroke="var(--ink)" strokeDasharray="1 4" />
            ))}
          <path d={dotPath(dec, x, y)} fill="none" stroke="var(--soft)" strokeWidth="1" strokeDasharray="3 3" />
          <path d={dotPath(ra, x, y)} fill="none" stroke="var(--action)" strokeWidth="2" />
          {cuts.map((s, i) => (
            <DragLine key={s} x={x} height={height} at={s} onDone={(to) => moved(i, to)} />
          ))}
        </g>
      )}
    </ChartFrame>
  );
}

type FoldedProps = { analysis: TrackAnalysis; earlier: EarlierDrive | null };

/** All turns on one, the curve that the worm alone makes, and the one that was recorded before. */
function Folded({ analysis, earlier }: FoldedProps) {
  const { format } = useShared();
  const { periodic } = analysis;
  if (!periodic) return null;
  const dots = foldedOf(analysis);
  return (
    <ChartFrame
      label={`${LOG.folded}: ${format.number(periodic.turns, 1)} turns of ${format.quantity(periodic.periodS, 'seconds', 1)}`}
      fileName="folded-turns"
      height={240}
      x={{ domain: [0, periodic.periodS], label: LOG.turnAxis, format: (v) => format.number(v, 0) }}
      y={{ domain: rangeOf(dots), label: LOG.arcsec, format: (v) => format.number(v, 0) }}
    >
      {({ x, y }) => (
        <g>
          <path d={scattered(dots, x, y)} stroke="var(--soft)" strokeWidth="3.2" strokeLinecap="round" />
          {earlier && (
            <path
              d={dotPath(turnDots(earlier.harmonics, periodic.periodS), x, y)}
              fill="none"
              stroke="var(--amber)"
              strokeWidth="2"
              strokeDasharray="6 4"
            />
          )}
          <path
            d={dotPath(turnDots(periodic.harmonics, periodic.periodS), x, y)}
            fill="none"
            stroke="var(--action)"
            strokeWidth="3"
          />
        </g>
      )}
    </ChartFrame>
  );
}

function Turning({ analysis }: { analysis: TrackAnalysis }) {
  const { format } = useShared();
  const dots = spectrumDots(analysis);
  const longest = dots.at(-1)?.x ?? 1;
  return (
    <ChartFrame
      label={LOG.spectrum}
      fileName="periods"
      height={200}
      x={{ domain: [0, longest], label: LOG.period, format: (v) => format.quantity(v, 'seconds') }}
      y={{
        domain: [0, 1],
        label: LOG.shareAxis,
        format: (v) => format.quantity(v, 'percent'),
        ticks: [0, 0.5, 1],
      }}
    >
      {({ x, y }) => <path d={dotPath(dots, x, y)} fill="none" stroke="var(--action)" strokeWidth="2" />}
    </ChartFrame>
  );
}

export function LogCourse(props: CourseProps) {
  return (
    <div className="section">
      <h2>{LOG.curve}</h2>
      <Course {...props} />
    </div>
  );
}

export function LogPeriods({ analysis, earlier }: FoldedProps) {
  const { format } = useShared();
  return (
    <div className="section">
      {analysis.periodic && <h2>{LOG.folded}</h2>}
      <Folded analysis={analysis} earlier={earlier} />
      {earlier && analysis.periodic && (
        <p className="soft">{earlierWords(earlier, analysis.periodic.peakToPeakArcsec, format)}</p>
      )}
      <h2>{LOG.spectrum}</h2>
      <Turning analysis={analysis} />
    </div>
  );
}

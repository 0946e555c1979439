import type { TriedSpacing } from '../../../core/night/learned/spacingTried.ts';
import { spacingLean } from '../../../core/optics/corners/judgeCorners.ts';
import { fromUtcText } from '../../../core/time/utc.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { bestWords, CORNERS, verdictName } from '../../../text/cornersWords.ts';
import { ChartFrame } from '../../../ui/charts/ChartFrame.tsx';
import { ScrollTable } from '../../../ui/ScrollTable.tsx';
import { bestOf } from './cornersModel.ts';

const MOST_LEAN = 2;
const LEAN_NAMES: Record<number, string> = { [-1]: CORNERS.across, 0: CORNERS.round, 1: CORNERS.along };

type Dot = { distanceMm: number; lean: number; id: string };

/** Each look that tells of the distance, as it would stand with the glass of now. */
function dotsOf(tried: readonly TriedSpacing[], zeroMm: number): Dot[] {
  return tried.flatMap(({ offsetMm, verdict, reading }) => {
    const lean = spacingLean(verdict);
    return offsetMm === null || lean === null ? [] : [{ distanceMm: zeroMm + offsetMm, lean, id: reading.id }];
  });
}

/** What the corners said against the distance, and where the best one lies. */
function Tried({ dots, bestMm, sigmaMm }: { dots: readonly Dot[]; bestMm: number; sigmaMm: number }) {
  const { format } = useShared();
  const all = [...dots.map((d) => d.distanceMm), bestMm - sigmaMm, bestMm + sigmaMm];
  const domain: [number, number] = [Math.min(...all) - 0.3, Math.max(...all) + 0.3];
  return (
    <ChartFrame
      label={`What the corners said at ${dots.length} distances; the best lies at ${format.quantity(bestMm, 'opticsMm', 2)}`}
      fileName="spacing-by-corners"
      height={210}
      x={{ domain, label: `${CORNERS.distance}, mm`, format: (v) => format.number(v, 1) }}
      y={{
        domain: [-MOST_LEAN, MOST_LEAN],
        label: 'stars in the corners lie',
        ticks: [-1, 0, 1],
        format: (v) => LEAN_NAMES[v] ?? '',
      }}
    >
      {({ x, y, height }) => (
        <g>
          <rect
            x={x(bestMm - sigmaMm)}
            width={x(bestMm + sigmaMm) - x(bestMm - sigmaMm)}
            height={height}
            fill="var(--tint)"
          />
          <path d={`M${x(bestMm)} 0V${height}`} stroke="var(--moss)" strokeWidth="3" />
          {dots.map((d) => (
            <circle key={d.id} cx={x(d.distanceMm)} cy={y(d.lean)} r={7} fill="var(--action)" />
          ))}
        </g>
      )}
    </ChartFrame>
  );
}

export function DistancesTried() {
  const night = useNight();
  const { format } = useShared();
  const { tried, isLearned } = night.learned.spacing;
  const { spacing } = night.numbers.lightPath;
  const best = bestOf(night);
  if (tried.length === 0) return null;
  return (
    <div className="section">
      <h2>{CORNERS.tried}</h2>
      {best && spacing && (
        <>
          <p>{bestWords({ ...best, learned: isLearned }, format)}</p>
          <Tried
            dots={dotsOf(tried, spacing.specifiedMm + spacing.glassMm)}
            bestMm={best.distanceMm}
            sigmaMm={best.sigmaMm}
          />
        </>
      )}
      <ScrollTable label={CORNERS.tried} headings={['When', 'Flange to sensor', 'The corners say']}>
        {tried.map(({ reading, verdict, spacingMm }) => (
          <tr key={reading.id}>
            <td className="figures">
              {format.evening(fromUtcText(reading.takenAtUtc))}, {format.clock(fromUtcText(reading.takenAtUtc))}
            </td>
            <td className="figures">{spacingMm === null ? '–' : format.quantity(spacingMm, 'opticsMm', 2)}</td>
            <td>{verdictName(verdict)}</td>
          </tr>
        ))}
      </ScrollTable>
    </div>
  );
}

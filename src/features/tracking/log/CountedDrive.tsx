import { driveCounted, turnCounted } from '../../../core/night/account/driveCounted.ts';
import { useNight, useShared } from '../../../session/session.ts';
import { countedWords, LOG } from '../../../text/logWords.ts';
import { ChartFrame } from '../../../ui/charts/ChartFrame.tsx';
import { dotPath, rangeOf } from './LogCharts.tsx';
import { turnDots, type Dot } from './logModel.ts';

/** What is counted with until a log tells of the drive: the last one recorded, else the usual one of its kind. */
export function CountedDrive() {
  const { records, numbers } = useNight();
  const { format } = useShared();
  const counted = driveCounted(records, numbers.mount);
  const turn = turnCounted(counted);
  const { curve } = counted.drive;
  const dots: Dot[] = turn
    ? turnDots(turn.harmonics, turn.periodS)
    : (curve?.errorArcsec ?? []).map((y, i) => ({ x: i * (curve?.stepS ?? 0), y }));
  if (dots.length === 0) return null;
  const words = countedWords(counted.reading?.takenAtUtc ?? null, turn, format);
  return (
    <div className="section">
      <h2>{LOG.counted}</h2>
      <ChartFrame
        label={`${LOG.counted}: ${words}`}
        fileName="drive-counted"
        height={240}
        x={{ domain: [0, dots.at(-1)?.x ?? 1], label: LOG.turnAxis, format: (v) => format.number(v, 0) }}
        y={{ domain: rangeOf(dots), label: LOG.arcsec, format: (v) => format.number(v, 0) }}
      >
        {({ x, y }) => (
          <path
            d={dotPath(dots, x, y)}
            fill="none"
            stroke="var(--amber)"
            strokeWidth="2"
            strokeDasharray={counted.reading ? undefined : '6 4'}
          />
        )}
      </ChartFrame>
      <p className="soft">{words}</p>
    </div>
  );
}

import { range } from 'd3';
import type { DriftRun } from '../../../core/pole/driftRun.ts';
import { useShared } from '../../../session/session.ts';
import { ChartFrame } from '../../../ui/charts/ChartFrame.tsx';

const SHORTEST_MIN = 3;
const MOST_TICKS = 8;
const SMALLEST_ARCSEC = 5;

/** The marks over time, the line through them, and how far the doubt of the rate opens. */
export function DriftChart({ run }: { run: DriftRun }) {
  const { format } = useShared();
  const { marks, rate, sigmaArcsec } = run;
  const minutes = Math.max(SHORTEST_MIN, ...marks.map((m) => m.timeS / 60));
  const reach = Math.max(SMALLEST_ARCSEC, ...marks.map((m) => Math.abs(m.northArcsec))) * 1.25;
  return (
    <ChartFrame
      label={`${run.starName}: ${marks.length} marks`}
      fileName="drift"
      height={190}
      x={{
        domain: [0, minutes],
        label: 'minutes',
        format: (v) => format.number(v, 0),
        ticks: range(0, minutes + 0.01, Math.ceil(minutes / MOST_TICKS)),
      }}
      y={{ domain: [-reach, reach], label: 'toward north', format: (v) => format.quantity(v, 'arcsec', 0) }}
    >
      {({ x, y, width }) => {
        const end = x.domain()[1] ?? 0;
        const fan = (perMin: number): string => `${x(end)} ${y(perMin * end)}`;
        return (
          <g>
            <path d={`M0 ${y(0)}H${width}`} stroke="var(--soft)" />
            {rate && (
              <>
                <path
                  d={`M${x(0)} ${y(0)}L${fan(rate.rateArcsecPerMin + rate.sigmaArcsecPerMin)}L${fan(rate.rateArcsecPerMin - rate.sigmaArcsecPerMin)}Z`}
                  fill="var(--tint)"
                />
                <path
                  d={`M${x(0)} ${y(0)}L${fan(rate.rateArcsecPerMin)}`}
                  stroke="var(--action)"
                  strokeWidth="2.5"
                  fill="none"
                />
              </>
            )}
            {marks.map((m) => (
              <g key={m.timeS} transform={`translate(${x(m.timeS / 60)} ${y(m.northArcsec)})`}>
                <path d={`M0 ${y(sigmaArcsec) - y(0)}V${y(0) - y(sigmaArcsec)}`} stroke="var(--ink)" />
                <circle r={5} fill="var(--amber)" stroke="var(--ink)" />
              </g>
            ))}
          </g>
        );
      }}
    </ChartFrame>
  );
}

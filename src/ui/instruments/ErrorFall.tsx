/** How the error fell from one measurement to the next: a line on a logarithmic height, with the goal across it. */
import { line, scaleLog, scalePoint } from 'd3';

export type FallPoint = { key: string; arcmin: number; text: string; under: string };
type Props = { label: string; points: readonly FallPoint[]; goalArcmin: number; goalText: string };

const WIDTH = 440;
const HEIGHT = 150;
/** More measurements than this are not told apart any more: the last ones are shown. */
const MOST_POINTS = 5;
const LOWEST_ARCMIN = 0.3;

export function ErrorFall({ label, points: all, goalArcmin, goalText }: Props) {
  const points = all.slice(-MOST_POINTS);
  const highest = Math.max(goalArcmin * 1.5, ...points.map((p) => p.arcmin));
  const lowest = Math.min(goalArcmin / 2, ...points.map((p) => Math.max(LOWEST_ARCMIN, p.arcmin)));
  const y = scaleLog([lowest, highest], [HEIGHT - 40, 26]);
  const x = scalePoint(
    points.map((p) => p.key),
    [30, WIDTH - 100],
  );
  const at = (p: FallPoint): [number, number] => [x(p.key) ?? 30, y(Math.max(LOWEST_ARCMIN, p.arcmin))];
  const path = line<FallPoint>(
    (p) => at(p)[0],
    (p) => at(p)[1],
  );
  return (
    <svg
      className="instrument"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={label}
      style={{ maxWidth: 600 }}
    >
      <path d={`M0 ${y(goalArcmin)}H${WIDTH}`} stroke="var(--moss)" strokeWidth="1.5" strokeDasharray="6 5" />
      <text x={WIDTH - 4} y={y(goalArcmin) - 6} textAnchor="end" fontSize="16" fill="var(--moss)">
        {goalText}
      </text>
      <path d={path(points) ?? ''} fill="none" stroke="var(--action)" strokeWidth="3" />
      {points.map((p) => {
        const [px, py] = at(p);
        return (
          <g key={p.key}>
            <circle cx={px} cy={py} r={6} fill="var(--action)" />
            <text
              x={px}
              y={py - 12}
              textAnchor="middle"
              className="figures"
              fontSize="17"
              fontWeight="700"
              fill="var(--ink)"
              stroke="var(--paper)"
              strokeWidth="5"
              paintOrder="stroke"
            >
              {p.text}
            </text>
            <text x={px} y={HEIGHT - 10} textAnchor="middle" className="figures" fontSize="16" fill="var(--soft)">
              {p.under}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** The sky toward the pole as the bare eye sees it: horizon, bright groups, the way to the pole. */
import { line } from 'd3';
import type { ViewPoint } from '../../core/sky/starHop.ts';

export type DrawnHop = { name: string; lines: readonly (readonly ViewPoint[])[]; from: ViewPoint };
type Props = {
  label: string;
  hops: readonly DrawnHop[];
  poleStar: ViewPoint;
  poleStarName: string;
  horizon: readonly ViewPoint[];
  /** Names of the compass points at the left, middle and right. */
  points: readonly [string, string, string];
  poleAltDeg: number;
  /** Written beside the line from the horizon to the pole. */
  heightText: string;
};

const WIDTH = 440;
const HEIGHT = 360;

/** The group's star farthest from the pole: its name stands there, clear of the lines. */
function farthest(hop: DrawnHop, pole: ViewPoint): ViewPoint {
  const away = (p: ViewPoint): number => Math.hypot(p.rightDeg - pole.rightDeg, p.upDeg - pole.upDeg);
  return hop.lines.flat().reduce((far, p) => (away(p) > away(far) ? p : far), hop.from);
}

/** Ground below the horizon, and room for a name above the highest star, degrees. */
const GROUND_DEG = 9;
const NAME_DEG = 7;
const LEAST_UP_DEG = 14;
const LEAST_SIDE_DEG = 24;

/** As large as horizon and all groups allow: pixels a degree, and where the pole comes to lie. */
function frame(hops: readonly DrawnHop[], poleAltDeg: number): { scale: number; middleY: number } {
  const all = hops.flatMap((hop) => hop.lines.flat());
  const upDeg = Math.max(LEAST_UP_DEG, ...all.map((p) => p.upDeg)) + NAME_DEG;
  const sideDeg = Math.max(LEAST_SIDE_DEG, ...all.map((p) => Math.abs(p.rightDeg) + NAME_DEG));
  const scale = Math.min(HEIGHT / (poleAltDeg + GROUND_DEG + upDeg), WIDTH / 2 / sideDeg);
  return { scale, middleY: HEIGHT - (poleAltDeg + GROUND_DEG) * scale };
}

export function NakedEyeView(props: Props) {
  const { label, hops, poleStar, poleStarName, horizon, points, poleAltDeg, heightText } = props;
  const { scale, middleY } = frame(hops, poleAltDeg);
  const x = (p: ViewPoint): number => WIDTH / 2 + p.rightDeg * scale;
  const y = (p: ViewPoint): number => middleY - p.upDeg * scale;
  const path = line<ViewPoint>(x, y);
  const ground = `${path(horizon) ?? ''}V${HEIGHT}H0Z`;
  const middle = horizon[Math.floor(horizon.length / 2)];
  return (
    <svg
      className="instrument"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={label}
      style={{ maxWidth: 520 }}
    >
      <rect width={WIDTH} height={HEIGHT} rx="8" fill="var(--sheet)" stroke="var(--line)" />
      {hops.map((hop) => (
        <g key={hop.name}>
          {hop.lines.map((one, i) => (
            <g key={i}>
              <path d={path(one) ?? ''} fill="none" stroke="var(--line)" strokeWidth="1.5" />
              {one.map((p, k) => (
                <circle key={k} cx={x(p)} cy={y(p)} r={3.5} fill="var(--ink)" />
              ))}
            </g>
          ))}
          <path
            d={`M${x(hop.from)} ${y(hop.from)}L${x(poleStar)} ${y(poleStar)}`}
            stroke="var(--amber)"
            strokeWidth="1.5"
            strokeDasharray="3 7"
          />
          <text
            x={x(farthest(hop, poleStar))}
            y={y(farthest(hop, poleStar)) - 14}
            textAnchor="middle"
            fontSize="17"
            fill="var(--soft)"
          >
            {hop.name}
          </text>
        </g>
      ))}
      <circle cx={x(poleStar)} cy={y(poleStar)} r={11} fill="none" stroke="var(--amber)" strokeWidth="2.5" />
      <circle cx={x(poleStar)} cy={y(poleStar)} r={4.5} fill="var(--amber)" />
      <text x={x(poleStar) + 16} y={y(poleStar) + 5} fontSize="17" fill="var(--ink)">
        {poleStarName}
      </text>
      <path d={ground} fill="var(--tint)" stroke="var(--soft)" strokeWidth="1.5" />
      {middle && (
        <g>
          <path
            d={`M${x(middle)} ${y(middle)}L${x(poleStar)} ${y(poleStar) + 14}`}
            stroke="var(--ghost)"
            strokeDasharray="2 5"
          />
          <text x={x(middle) + 10} y={(y(middle) + y(poleStar)) / 2 + 5} fontSize="17" fill="var(--ink)">
            {heightText}
          </text>
        </g>
      )}
      {middle && (
        <g fontSize="17" fill="var(--ink)" textAnchor="middle">
          <text x={WIDTH / 2} y={HEIGHT - 12} fontWeight="700">
            {points[1]}
          </text>
          <text x={28} y={HEIGHT - 12}>
            {points[0]}
          </text>
          <text x={WIDTH - 28} y={HEIGHT - 12}>
            {points[2]}
          </text>
        </g>
      )}
    </svg>
  );
}

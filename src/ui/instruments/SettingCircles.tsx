/** The two circles of a mount: where each stands on the star, and where it is turned to. */
import { arc } from 'd3';

type CircleProps = {
  name: string;
  x: number;
  /** Clockwise from the top. */
  fromDeg: number;
  toDeg: number;
  marks: readonly { atDeg: number; text: string }[];
};

const R = 104;
const RAD = Math.PI / 180;
const on = (deg: number, radius: number): [number, number] => [
  radius * Math.sin(deg * RAD),
  -radius * Math.cos(deg * RAD),
];

function Circle({ name, x, fromDeg, toDeg, marks }: CircleProps) {
  const path = arc()({ innerRadius: R - 46, outerRadius: R - 36, startAngle: fromDeg * RAD, endAngle: toDeg * RAD });
  const [fx, fy] = on(fromDeg, R - 33);
  const [tx, ty] = on(toDeg, R - 49);
  return (
    <g transform={`translate(${x} ${R + 6})`}>
      <circle r={R} fill="var(--sheet)" stroke="var(--line)" strokeWidth="2" />
      {marks.map(({ atDeg, text }) => {
        const [[x1, y1], [x2, y2], [wx, wy]] = [on(atDeg, R), on(atDeg, R - 7), on(atDeg, R - 19)];
        return (
          <g key={`${text} ${atDeg}`}>
            <path d={`M${x1} ${y1}L${x2} ${y2}`} stroke="var(--ink)" strokeWidth="1.5" />
            <text x={wx} y={wy + 4} textAnchor="middle" fontSize="13" className="figures" fill="var(--soft)">
              {text}
            </text>
          </g>
        );
      })}
      <path d={path ?? ''} fill="var(--action)" />
      <circle cx={fx} cy={fy} r="7" fill="var(--amber)" stroke="var(--ink)" strokeWidth="1.5" />
      <circle cx={tx} cy={ty} r="8" fill="var(--sheet)" stroke="var(--action)" strokeWidth="4" />
      <text y="5" textAnchor="middle" fontSize="14" fill="var(--ink)">
        {name}
      </text>
    </g>
  );
}

const HOURS = Array.from({ length: 8 }, (_, i) => ({ atDeg: i * 45, text: String(i * 3) }));
/** Declination circles count up and down again. */
const DEGREES = [0, 30, 60, 90, 60, 30, 0, -30, -60, -90, -60, -30].map((deg, i) => ({
  atDeg: i * 30,
  text: String(Math.abs(deg)),
}));

type Props = { label: string; names: { ra: string; dec: string } } & Record<
  'star' | 'target',
  { raDeg: number; decDeg: number }
>;

export function SettingCircles({ label, names, star, target }: Props) {
  const raFrom = star.raDeg;
  // The short way round.
  const raTo = raFrom + ((((target.raDeg - raFrom) % 360) + 540) % 360) - 180;
  return (
    <svg
      className="instrument"
      viewBox={`0 0 ${4 * R + 40} ${2 * R + 12}`}
      role="img"
      aria-label={label}
      style={{ maxWidth: 480 }}
    >
      <Circle name={names.ra} x={R + 6} fromDeg={raFrom} toDeg={raTo} marks={HOURS} />
      <Circle name={names.dec} x={3 * R + 32} fromDeg={star.decDeg} toDeg={target.decDeg} marks={DEGREES} />
    </svg>
  );
}

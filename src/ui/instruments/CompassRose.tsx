/** The tripod from above on a compass rose: true and magnetic north, the three feet, the polar axis' bearing, and when a
 *  tilt was read the bubble and how much each foot rises. North is up. */
export type RoseFoot = { azimuthDeg: number; text: string | null };
type Props = {
  label: string;
  declinationDeg: number;
  /** Bearing that the axis must have. */
  poleDeg: number;
  feet: readonly RoseFoot[];
  /** True bearing at which the axis was read to point; null = not read. */
  axisDeg: number | null;
  /** The bubble stands toward the high side; null = not read. */
  tilt: { tiltDeg: number; uphillAzimuthDeg: number } | null;
};

const SIZE = 400;
const MIDDLE = SIZE / 2;
const RING = 150;
const FOOT_AT = 96;

function at(azimuthDeg: number, radius: number): [number, number] {
  const a = (azimuthDeg * Math.PI) / 180;
  return [MIDDLE + radius * Math.sin(a), MIDDLE - radius * Math.cos(a)];
}

const LETTERS = [
  ['N', 0],
  ['E', 90],
  ['S', 180],
  ['W', 270],
] as const;

function Ring() {
  return (
    <g>
      <circle cx={MIDDLE} cy={MIDDLE} r={RING} fill="var(--sheet)" stroke="var(--line)" strokeWidth="2" />
      {Array.from({ length: 72 }, (_, i) => {
        const long = i % 9 === 0;
        const [x1, y1] = at(i * 5, RING);
        const [x2, y2] = at(i * 5, RING + (long ? 12 : 6));
        return <path key={i} d={`M${x1} ${y1}L${x2} ${y2}`} stroke="var(--soft)" strokeWidth={long ? 2 : 1} />;
      })}
      {LETTERS.map(([letter, azimuth]) => {
        const [x, y] = at(azimuth, RING + 28);
        return (
          <text key={letter} x={x} y={y + 6} textAnchor="middle" fontSize="18" fontWeight="700" fill="var(--ink)">
            {letter}
          </text>
        );
      })}
    </g>
  );
}

function Foot({ foot }: { foot: RoseFoot }) {
  const [x, y] = at(foot.azimuthDeg, FOOT_AT);
  const [tx, ty] = at(foot.azimuthDeg, FOOT_AT - 30);
  return (
    <g>
      <path d={`M${MIDDLE} ${MIDDLE}L${x} ${y}`} stroke="var(--metal)" strokeWidth="12" strokeLinecap="round" />
      <circle cx={x} cy={y} r={12} fill="var(--ghost)" stroke="var(--ink)" strokeWidth="2" />
      {foot.text !== null && (
        <text
          x={tx}
          y={ty + 5}
          textAnchor="middle"
          className="figures"
          fontSize="15"
          fontWeight="700"
          fill="var(--ink)"
          stroke="var(--sheet)"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {foot.text}
        </text>
      )}
    </g>
  );
}

/** An arrow from the middle outward. */
function Arrow({ azimuthDeg, colour, dashed }: { azimuthDeg: number; colour: string; dashed: boolean }) {
  const [x, y] = at(azimuthDeg, RING - 6);
  return (
    <g>
      <path
        d={`M${MIDDLE} ${MIDDLE}L${at(azimuthDeg, RING - 18).join(' ')}`}
        stroke={colour}
        strokeWidth={dashed ? 2 : 4}
        strokeDasharray={dashed ? '6 5' : undefined}
      />
      <path d="M0 0l-8 16h16z" fill={colour} transform={`translate(${x} ${y}) rotate(${azimuthDeg})`} />
    </g>
  );
}

/** The bubble moves toward the high side: at 1 degree it stands at the edge of its small ring. */
function Bubble({ tiltDeg, uphillAzimuthDeg }: { tiltDeg: number; uphillAzimuthDeg: number }) {
  const [x, y] = at(uphillAzimuthDeg, Math.min(1.2, tiltDeg) * 20);
  return (
    <g>
      <circle cx={MIDDLE} cy={MIDDLE} r={34} fill="var(--tint)" stroke="var(--ink)" strokeWidth="2" />
      <circle cx={MIDDLE} cy={MIDDLE} r={13} fill="none" stroke="var(--ink)" strokeWidth="1.5" />
      <circle cx={x} cy={y} r={11} fill="var(--amber)" />
    </g>
  );
}

export function CompassRose({ label, declinationDeg, poleDeg, feet, axisDeg, tilt }: Props) {
  return (
    <svg className="instrument rose" viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label}>
      <Ring />
      {feet.map((foot) => (
        <Foot key={foot.azimuthDeg} foot={foot} />
      ))}
      <Arrow azimuthDeg={declinationDeg} colour="var(--soft)" dashed />
      <Arrow azimuthDeg={poleDeg} colour="var(--action)" dashed={false} />
      {axisDeg !== null && <Arrow azimuthDeg={axisDeg} colour="var(--amber)" dashed={false} />}
      {tilt ? (
        <Bubble {...tilt} />
      ) : (
        <circle cx={MIDDLE} cy={MIDDLE} r={16} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2.5" />
      )}
    </svg>
  );
}

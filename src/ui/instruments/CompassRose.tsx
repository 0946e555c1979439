/** The tripod from above on a compass rose: true and magnetic north, the three feet, the polar axis' bearing, and when a
 *  tilt was read the bubble and how much each foot rises. North is up. */
export type RoseFoot = { azimuthDeg: number; text: string | null };
type Props = {
  label: string;
  /** Where the needle points; null = no needle is read. */
  declinationDeg: number | null;
  /** Bearing that the axis must have; null = what stands on it has none. */
  poleDeg: number | null;
  feet: readonly RoseFoot[];
  /** True bearing at which the axis was read to point; null = not read. */
  axisDeg: number | null;
  /** The bubble stands toward the high side; null = not read. */
  tilt: { tiltDeg: number; uphillAzimuthDeg: number } | null;
  /** Where the shadow of a plumb line falls; null or left out = none. */
  shadowDeg?: number | null;
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

/** A foot's figure stands beside it, clear of an arrow that runs over the foot. */
const TEXT_BESIDE_DEG = 17;
const TEXT_AT = 118;

function Leg({ azimuthDeg }: { azimuthDeg: number }) {
  const [x, y] = at(azimuthDeg, FOOT_AT);
  return (
    <g>
      <path d={`M${MIDDLE} ${MIDDLE}L${x} ${y}`} stroke="var(--metal)" strokeWidth="12" strokeLinecap="round" />
      <circle cx={x} cy={y} r={12} fill="var(--ghost)" stroke="var(--ink)" strokeWidth="2" />
    </g>
  );
}

function FootText({ foot }: { foot: RoseFoot }) {
  const [x, y] = at(foot.azimuthDeg + TEXT_BESIDE_DEG, TEXT_AT);
  return (
    <text
      x={x}
      y={y + 5}
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

/** From the plumb line in the middle outward. */
function Shadow({ azimuthDeg }: { azimuthDeg: number }) {
  const [x, y] = at(azimuthDeg, RING - 4);
  return (
    <path
      d={`M${MIDDLE} ${MIDDLE}L${x} ${y}`}
      stroke="var(--ghost)"
      strokeOpacity="0.7"
      strokeWidth="12"
      strokeLinecap="round"
    />
  );
}

export function CompassRose({ label, declinationDeg, poleDeg, feet, axisDeg, tilt, shadowDeg = null }: Props) {
  return (
    <svg className="instrument rose" viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label}>
      <Ring />
      {feet.map((foot) => (
        <Leg key={foot.azimuthDeg} azimuthDeg={foot.azimuthDeg} />
      ))}
      {shadowDeg !== null && <Shadow azimuthDeg={shadowDeg} />}
      {declinationDeg !== null && <Arrow azimuthDeg={declinationDeg} colour="var(--soft)" dashed />}
      {poleDeg !== null && <Arrow azimuthDeg={poleDeg} colour="var(--action)" dashed={false} />}
      {axisDeg !== null && <Arrow azimuthDeg={axisDeg} colour="var(--amber)" dashed={false} />}
      {feet.map((foot) => foot.text !== null && <FootText key={foot.azimuthDeg} foot={foot} />)}
      {tilt ? (
        <Bubble {...tilt} />
      ) : (
        <circle cx={MIDDLE} cy={MIDDLE} r={16} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2.5" />
      )}
    </svg>
  );
}

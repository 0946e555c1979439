/** The mount from behind, facing the pole: the bar's attitude now, the reach up to the limit shaded. */
import { arc } from 'd3';

export type FlipViewProps = {
  label: string;
  /** Hour angle of the target now; null when there is no target. */
  haH: number | null;
  /** True when the tube is past its flip. */
  afterFlip: boolean;
  limitH: number;
  south: boolean;
  flips: boolean;
  words: { left: string; right: string; from: string };
};

const ARM = 96;
const [CX, CY] = [210, 132];

/** Screen angle of the tube's side of the bar, degrees clockwise from straight up. Level at the meridian: before the
 *  flip the tube lies on the west side and sinks as the hour angle grows, after it on the east side and rises. */
function tubeAngleDeg(haH: number, afterFlip: boolean, south: boolean): number {
  const facingNorth = afterFlip ? 90 - haH * 15 : 270 - haH * 15;
  return south ? -facingNorth : facingNorth;
}

function point(angleDeg: number, radius: number): [number, number] {
  const a = (angleDeg * Math.PI) / 180;
  return [CX + radius * Math.sin(a), CY - radius * Math.cos(a)];
}

function Bar({ angle, ghost }: { angle: number; ghost: boolean }) {
  const [tx, ty] = point(angle, ARM);
  const [wx, wy] = point(angle + 180, ARM);
  const stroke = ghost ? 'var(--pale)' : 'var(--ink)';
  return (
    <g stroke={stroke} fill="none" strokeWidth={ghost ? 1.5 : 2.5} strokeDasharray={ghost ? '4 4' : undefined}>
      <path d={`M${tx} ${ty}L${wx} ${wy}`} strokeWidth={ghost ? 2 : 6} stroke={ghost ? stroke : 'var(--metal)'} />
      <circle cx={tx} cy={ty} r={28} fill={ghost ? 'none' : 'var(--sheet)'} />
      {!ghost && <circle cx={tx} cy={ty} r={21} stroke="var(--metal)" strokeWidth="5" />}
      <rect
        x={wx - 13}
        y={wy - 17}
        width={26}
        height={34}
        rx={5}
        fill={ghost ? 'none' : 'var(--ghost)'}
        transform={`rotate(${angle - 90} ${wx} ${wy})`}
      />
    </g>
  );
}

function Reach({ limitH, south }: { limitH: number; south: boolean }) {
  const rad = (deg: number) => (deg * Math.PI) / 180;
  const from = tubeAngleDeg(0, false, south);
  const to = tubeAngleDeg(limitH, false, south);
  const d = arc()({ innerRadius: ARM - 34, outerRadius: ARM + 34, startAngle: rad(from), endAngle: rad(to) }) ?? '';
  const [lx, ly] = point(to, ARM + 48);
  return (
    <g>
      <path d={d} transform={`translate(${CX} ${CY})`} fill="var(--amber)" fillOpacity="0.28" />
      <path
        d={`M${point(to, 40).join(' ')}L${point(to, ARM + 38).join(' ')}`}
        stroke="var(--amber)"
        strokeWidth="2.5"
      />
      <text x={lx} y={ly + 10} fontSize="15" fill="var(--amber-word)" textAnchor="middle">
        limit
      </text>
    </g>
  );
}

export function FlipView({ label, haH, afterFlip, limitH, south, flips, words }: FlipViewProps) {
  return (
    <svg className="instrument" viewBox="0 0 420 314" role="img" aria-label={label} style={{ maxWidth: 400 }}>
      <path
        d={`M${CX} ${CY}V286M${CX} 262L${CX - 74} 288M${CX} 262L${CX + 74} 288`}
        stroke="var(--metal)"
        strokeWidth="14"
        strokeLinecap="round"
      />
      {flips && limitH > 0 && <Reach limitH={limitH} south={south} />}
      {haH !== null && flips && <Bar angle={tubeAngleDeg(haH, !afterFlip, south)} ghost />}
      {haH !== null && <Bar angle={tubeAngleDeg(haH, afterFlip, south)} ghost={false} />}
      <circle cx={CX} cy={CY} r={20} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2.5" />
      <circle cx={CX} cy={CY} r={4} fill="var(--ink)" />
      <text x={4} y={20} fontSize="15" fill="var(--soft)">
        {words.left}
      </text>
      <text x={416} y={20} fontSize="15" fill="var(--soft)" textAnchor="end">
        {words.right}
      </text>
      <text x={CX} y={308} fontSize="15" fill="var(--soft)" textAnchor="middle">
        {words.from}
      </text>
    </svg>
  );
}

/** The mount with its tripod to scale, from one side: capsules of tube, camera, bar, column and legs, the closest pair joined
 *  by a line. */
import type { Capsule, Mover } from '../../core/mount/clearance.ts';
import type { Vec3 } from '../../core/math/vectors.ts';

export type ClearanceSide = 'pole' | 'east';
type Props = {
  label: string;
  side: ClearanceSide;
  south: boolean;
  standing: readonly { capsule: Capsule }[];
  /** What joins them. */
  head: readonly Capsule[];
  moving: readonly { piece: Mover; capsule: Capsule }[];
  /** Ends of the line across the closest gap, and what it measures. */
  gap: { from: Vec3; to: Vec3; text: string; tight: boolean } | null;
  /** Where a tape is held. */
  tapes?: readonly { from: Vec3; to: Vec3; letter: string; guessed: boolean }[];
  /** At the left and the right of the drawing. */
  compass: readonly [string, string];
};

const WIDTH = 300;
const HEIGHT = 320;
const MARGIN_PX = 26;
/** From the gap to its figure: over the tube nobody reads it. */
const BESIDE_PX = 30;

type Flat = { x: number; y: number; depth: number };
type Look = (point: Vec3) => Flat;

/** Right and toward the eye: from the pole's side one looks along the meridian away from the elevated pole, from the east
 *  toward the west with north on the right. */
const LOOKS: Record<ClearanceSide, (south: boolean) => Look> = {
  pole:
    (south) =>
    ([x, y, z]) => ({ x: south ? x : -x, y: z, depth: south ? -y : y }),
  east:
    () =>
    ([x, y, z]) => ({ x: y, y: z, depth: x }),
};

type Drawn = { key: string; from: Flat; to: Flat; radiusM: number; fill: string; front: boolean };
const FILLS: Record<Mover, string> = { tube: 'var(--sheet)', camera: 'var(--ghost)', bar: 'var(--metal)' };

/** Everything fits at one scale, the ground at the bottom. */
function scaleOf(drawn: readonly Drawn[]) {
  const ends = drawn.flatMap(({ from, to, radiusM }) => [from, to].map((p) => ({ ...p, radiusM })));
  const left = Math.min(...ends.map((p) => p.x - p.radiusM));
  const right = Math.max(...ends.map((p) => p.x + p.radiusM));
  const top = Math.max(...ends.map((p) => p.y + p.radiusM));
  const perM = Math.min((WIDTH - 2 * MARGIN_PX) / (right - left), (HEIGHT - 2 * MARGIN_PX) / top);
  const middle = (left + right) / 2;
  return {
    perM,
    at: ({ x, y }: Pick<Flat, 'x' | 'y'>): [number, number] => [
      WIDTH / 2 + (x - middle) * perM,
      HEIGHT - MARGIN_PX - y * perM,
    ],
  };
}

function Shape({ piece, scale }: { piece: Drawn; scale: ReturnType<typeof scaleOf> }) {
  const [[x1, y1], [x2, y2]] = [scale.at(piece.from), scale.at(piece.to)];
  const width = Math.max(3, 2 * piece.radiusM * scale.perM);
  const path = `M${x1} ${y1}L${x2} ${y2}`;
  return (
    <g strokeLinecap="round">
      <path d={path} stroke="var(--ink)" strokeWidth={width + 2.5} />
      <path d={path} stroke={piece.fill} strokeWidth={width} />
      {piece.front && <circle cx={x2} cy={y2} r={Math.max(2.5, width / 6)} fill="var(--amber)" />}
    </g>
  );
}

/** A tape from end to end, told by its letter; one that is only guessed is dashed. */
function Tape({
  from,
  to,
  letter,
  guessed,
}: {
  from: [number, number];
  to: [number, number];
  letter: string;
  guessed: boolean;
}) {
  const [[x1, y1], [x2, y2]] = [from, to];
  return (
    <g>
      <path d={`M${x1} ${y1}L${x2} ${y2}`} stroke="var(--paper)" strokeWidth="6" />
      <path
        d={`M${x1} ${y1}L${x2} ${y2}`}
        stroke="var(--amber)"
        strokeWidth="2.5"
        strokeDasharray={guessed ? '5 4' : undefined}
      />
      {[from, to].map(([x, y], i) => (
        <circle key={i} cx={x} cy={y} r="3.5" fill="var(--amber)" />
      ))}
      <circle
        cx={(x1 + x2) / 2}
        cy={(y1 + y2) / 2}
        r="10"
        fill="var(--paper)"
        stroke="var(--amber)"
        strokeWidth="1.5"
      />
      <text
        x={(x1 + x2) / 2}
        y={(y1 + y2) / 2 + 5}
        textAnchor="middle"
        fontSize="13"
        fontWeight="700"
        fill="var(--ink)"
      >
        {letter}
      </text>
    </g>
  );
}

export function ClearanceView({ label, side, south, standing, head, moving, gap, tapes = [], compass }: Props) {
  const look = LOOKS[side](south);
  const drawnOf = (key: string, { from, to, radiusM }: Capsule, fill: string, front = false): Drawn => ({
    key,
    from: look(from),
    to: look(to),
    radiusM,
    fill,
    front,
  });
  const drawn = [
    ...standing.map(({ capsule }, i) => drawnOf(`stands ${i}`, capsule, 'var(--line)')),
    ...head.map((capsule, i) => drawnOf(`head ${i}`, capsule, 'var(--tint)')),
    ...moving.map(({ piece, capsule }) => drawnOf(piece, capsule, FILLS[piece], piece === 'tube')),
  ];
  const scale = scaleOf(drawn);
  const nearestLast = [...drawn].sort((a, b) => a.from.depth + a.to.depth - b.from.depth - b.to.depth);
  const [gx1, gy1] = gap ? scale.at(look(gap.from)) : [0, 0];
  const [gx2, gy2] = gap ? scale.at(look(gap.to)) : [0, 0];
  return (
    <svg className="instrument" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={label} fill="none">
      <path d={`M8 ${HEIGHT - MARGIN_PX}H${WIDTH - 8}`} stroke="var(--line)" strokeWidth="2" />
      {nearestLast.map((piece) => (
        <Shape key={piece.key} piece={piece} scale={scale} />
      ))}
      {gap && (
        <g>
          <path
            d={`M${gx1} ${gy1}L${gx2} ${gy2}`}
            stroke={gap.tight ? 'var(--brick)' : 'var(--amber)'}
            strokeWidth="3.5"
            strokeLinecap="round"
          />
          <text
            x={gx1 < WIDTH / 2 ? Math.min(gx1, gx2) - BESIDE_PX : Math.max(gx1, gx2) + BESIDE_PX}
            y={(gy1 + gy2) / 2 + 5}
            textAnchor={gx1 < WIDTH / 2 ? 'end' : 'start'}
            className="figures"
            fontSize="15"
            fontWeight="700"
            fill="var(--ink)"
            stroke="var(--paper)"
            strokeWidth="5"
            paintOrder="stroke"
          >
            {gap.text}
          </text>
        </g>
      )}
      {tapes.map(({ from, to, letter, guessed }) => (
        <Tape key={letter} from={scale.at(look(from))} to={scale.at(look(to))} letter={letter} guessed={guessed} />
      ))}
      <g fontSize="13" fill="var(--soft)">
        <text x={4} y={HEIGHT - 6}>
          {compass[0]}
        </text>
        <text x={WIDTH - 4} y={HEIGHT - 6} textAnchor="end">
          {compass[1]}
        </text>
      </g>
    </svg>
  );
}

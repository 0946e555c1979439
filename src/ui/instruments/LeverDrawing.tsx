/** The mount as a balance, to scale along the lever: what hangs on the tube's side left of the polar axis, bar and weights
 *  right, each as large as its mass, and the arm that the rating is taken for. */
import { useWidth } from '../useWidth.ts';
import type { Format } from '../../text/format.ts';

type Hung = { id: string; name: string; massKg: number; atM: number };
type Props = {
  label: string;
  tubeSide: readonly Hung[];
  barSide: readonly Hung[];
  referenceArmM: number;
  format: Format;
};

const NARROWEST = 300;
const AXIS_Y = 130;
const HEIGHT = 228;

/** Area grows with the mass. */
const radiusPx = (massKg: number): number => 5 + 12 * Math.sqrt(massKg);

/** Pieces that hang in one place stand together as one load. */
function together(hung: readonly Hung[]): Hung[] {
  const groups = new Map<string, Hung>();
  for (const one of hung) {
    const key = one.atM.toFixed(2);
    const known = groups.get(key);
    groups.set(key, known ? { ...known, name: `${known.name}, ${one.name}`, massKg: known.massKg + one.massKg } : one);
  }
  return [...groups.values()].sort((a, b) => b.massKg - a.massKg);
}

type Label = { id: string; x: number; text: string; row: number };
const LABEL_PX = 66;

/** Labels in rows above the lever, each in the lowest row in which it does not touch its neighbour. */
function placeLabels(labels: readonly Omit<Label, 'row'>[]): Label[] {
  const rowEnds: number[] = [];
  return [...labels]
    .sort((a, b) => a.x - b.x)
    .map((label) => {
      const free = rowEnds.findIndex((end) => label.x - LABEL_PX / 2 >= end);
      const row = free === -1 ? rowEnds.length : free;
      rowEnds[row] = label.x + LABEL_PX / 2;
      return { ...label, row };
    });
}

function Piece({ x, radius, round }: { x: number; radius: number; round: boolean }) {
  return (
    <rect
      x={x - radius}
      y={AXIS_Y - radius}
      width={2 * radius}
      height={2 * radius}
      rx={round ? radius : 5}
      fill={round ? 'var(--tint)' : 'var(--ghost)'}
      stroke="var(--ink)"
      strokeWidth="2"
    />
  );
}

function Labels({ labels }: { labels: readonly Label[] }) {
  return (
    <>
      {labels.map(({ id, x, text, row }) => {
        const y = AXIS_Y - 52 - row * 19;
        return (
          <g key={id}>
            <path d={`M${x} ${y + 5}V${AXIS_Y}`} stroke="var(--soft)" strokeWidth="1" />
            <text x={x} y={y} textAnchor="middle" className="figures" fontSize="14" fill="var(--ink)">
              {text}
            </text>
          </g>
        );
      })}
    </>
  );
}

export function LeverDrawing({ label, tubeSide, barSide, referenceArmM, format }: Props) {
  const [ref, measured] = useWidth<HTMLDivElement>(680);
  const width = Math.max(NARROWEST, measured);
  const left = Math.max(referenceArmM, 0.1, ...tubeSide.map((h) => h.atM)) + 0.08;
  const right = Math.max(0.1, ...barSide.map((h) => h.atM)) + 0.08;
  const perM = (width - 20) / (left + right);
  const x = (fromAxisM: number): number => 10 + (left - fromAxisM) * perM;
  const hungLeft = together(tubeSide).map((h) => ({ ...h, x: x(h.atM) }));
  const hungRight = together(barSide).map((h) => ({ ...h, x: x(-h.atM) }));
  return (
    <div ref={ref}>
      <svg className="instrument" viewBox={`0 0 ${width} ${HEIGHT}`} role="img" aria-label={label}>
        <path
          d={`M${x(left - 0.03)} ${AXIS_Y}H${x(-right + 0.03)}`}
          stroke="var(--metal)"
          strokeWidth="8"
          strokeLinecap="round"
        />
        <path d={`M${x(0)} ${AXIS_Y}l-16 44h32z`} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
        <path
          d={`M${x(referenceArmM)} ${AXIS_Y - 44}V${AXIS_Y + 44}`}
          stroke="var(--amber)"
          strokeWidth="2"
          strokeDasharray="5 4"
        />
        <text x={x(referenceArmM)} y={AXIS_Y + 58} textAnchor="middle" fontSize="13" fill="var(--soft)">
          rated arm {format.quantity(referenceArmM, 'barLength')}
        </text>
        <Labels
          labels={placeLabels(
            [...hungLeft, ...hungRight].map((h) => ({ id: h.id, x: h.x, text: format.quantity(h.massKg, 'mass', 1) })),
          )}
        />
        {hungLeft.map((h) => (
          <Piece key={h.id} x={h.x} radius={radiusPx(h.massKg)} round />
        ))}
        {hungRight.map((h) => (
          <Piece key={h.id} x={h.x} radius={radiusPx(h.massKg) * 0.9} round={false} />
        ))}
        <text x={x(0)} y={AXIS_Y + 62} textAnchor="middle" fontSize="13" fill="var(--soft)">
          polar axis
        </text>
        <text x={4} y={HEIGHT - 4} fontSize="13" fill="var(--soft)">
          tube’s side
        </text>
        <text x={width - 4} y={HEIGHT - 4} textAnchor="end" fontSize="13" fill="var(--soft)">
          bar and weights
        </text>
      </svg>
    </div>
  );
}

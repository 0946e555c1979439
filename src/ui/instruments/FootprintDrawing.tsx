/** The tripod from above, to scale: feet, the triangle they span, where the mass centre is with the bar swung each way, and
 *  how far it is from the weakest edge. North is up. */
import type { Feet, Point2 } from '../../core/mount/tripod.ts';
import type { Format } from '../../text/format.ts';

export type FootprintCentre = { at: Point2; name: string; worst: boolean };
type Props = {
  label: string;
  feet: Feet;
  centres: readonly FootprintCentre[];
  /** The edge nearest to the mass centre: it joins this foot and the next. */
  weakestEdge: number;
  edgeDistanceM: number;
  format: Format;
};

const SIZE = 380;
const MIDDLE = SIZE / 2;
const REACH = 140;

function Legs({ points }: { points: readonly Point2[] }) {
  return (
    <>
      <path
        d={`M${points.map((p) => p.join(' ')).join('L')}Z`}
        fill="var(--tint)"
        stroke="var(--line)"
        strokeWidth="2"
      />
      {points.map(([x, y], i) => (
        <g key={i}>
          <path d={`M${MIDDLE} ${MIDDLE}L${x} ${y}`} stroke="var(--metal)" strokeWidth="10" strokeLinecap="round" />
          <circle cx={x} cy={y} r={11} fill="var(--ghost)" stroke="var(--ink)" strokeWidth="2" />
        </g>
      ))}
    </>
  );
}

/** The foot of the perpendicular from a point on the line through two others. */
function footOn([ax, ay]: Point2, [bx, by]: Point2, [px, py]: Point2): Point2 {
  const [dx, dy] = [bx - ax, by - ay];
  const t = ((px - ax) * dx + (py - ay) * dy) / (dx * dx + dy * dy);
  return [ax + t * dx, ay + t * dy];
}

type WeakProps = { from: Point2; to: Point2; centre: Point2; text: string };

function WeakEdge({ from, to, centre, text }: WeakProps) {
  const [x, y] = footOn(from, to, centre);
  return (
    <g>
      <path d={`M${from.join(' ')}L${to.join(' ')}`} stroke="var(--amber)" strokeWidth="5" strokeLinecap="round" />
      <path d={`M${centre.join(' ')}L${x} ${y}`} stroke="var(--ink)" strokeWidth="2" strokeDasharray="4 4" />
      <text
        x={(centre[0] + x) / 2 + 10}
        y={(centre[1] + y) / 2}
        className="figures"
        fontSize="15"
        fontWeight="700"
        fill="var(--ink)"
        stroke="var(--sheet)"
        strokeWidth="5"
        paintOrder="stroke"
      >
        {text}
      </text>
    </g>
  );
}

/** A point of balance: a ring with a cross, filled where it is weakest. */
function Centre({ x, y, worst }: { x: number; y: number; worst: boolean }) {
  return (
    <g>
      <circle
        cx={x}
        cy={y}
        r={worst ? 9 : 6}
        fill={worst ? 'var(--amber)' : 'none'}
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <path d={`M${x - 14} ${y}h28M${x} ${y - 14}v28`} stroke="var(--ink)" strokeWidth="1" />
    </g>
  );
}

export function FootprintDrawing({ label, feet, centres, weakestEdge, edgeDistanceM, format }: Props) {
  const reachM = Math.max(...feet.map(([x, y]) => Math.hypot(x, y)), ...centres.map((c) => Math.hypot(...c.at)));
  const place = ([east, north]: Point2): Point2 => [
    MIDDLE + (east / reachM) * REACH,
    MIDDLE - (north / reachM) * REACH,
  ];
  const points = feet.map(place);
  const worst = centres.find((c) => c.worst);
  const [from, to] = [points[weakestEdge], points[(weakestEdge + 1) % 3]];
  return (
    <svg className="instrument rose" viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label}>
      <text x={MIDDLE} y={20} textAnchor="middle" fontSize="16" fontWeight="700" fill="var(--ink)">
        N
      </text>
      <path d={`M${MIDDLE} 26v14`} stroke="var(--ink)" strokeWidth="2" />
      <Legs points={points} />
      {from && to && worst && (
        <WeakEdge from={from} to={to} centre={place(worst.at)} text={format.quantity(edgeDistanceM, 'barLength')} />
      )}
      {[...centres]
        .sort((a, b) => Number(a.worst) - Number(b.worst))
        .map((centre) => {
          const [x, y] = place(centre.at);
          return <Centre key={centre.name} x={x} y={y} worst={centre.worst} />;
        })}
    </svg>
  );
}

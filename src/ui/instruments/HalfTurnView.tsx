/** The half-turn test in the finder's view: the plate as it stands, both marks, the point halfway, the screws. */
import { useRef } from 'react';
import type { PlatePoint } from '../../core/mount/finderPlate.ts';
import { PlateDrawing, type Plate } from './PlateDrawing.tsx';
import { atAngle, fromPointer, toPixels, VIEW_CENTRE, VIEW_RADIUS, VIEW_SIZE } from './plateView.ts';

export type DrawnScrew = { angleDeg: number; turns: number; text: string };
type Props = {
  label: string;
  plate: Plate;
  turnDeg: number;
  radiusArcmin: number;
  before: PlatePoint | null;
  after: PlatePoint | null;
  halfway: PlatePoint | null;
  screws: readonly DrawnScrew[];
  onTap?: ((place: PlatePoint) => void) | undefined;
};

function Mark({ place, text, radiusArcmin }: { place: PlatePoint; text: string; radiusArcmin: number }) {
  const [x, y] = toPixels(place, radiusArcmin);
  return (
    <g>
      <circle cx={x} cy={y} r={6} fill="var(--amber)" />
      <text x={x + 11} y={y + 5} fontSize="16" fill="var(--ink)">
        {text}
      </text>
    </g>
  );
}

/** A screw head at the rim: an arrow inward tightens, outward loosens. */
function Screw({ screw }: { screw: DrawnScrew }) {
  const [x, y] = atAngle(screw.angleDeg, VIEW_RADIUS - 16);
  const [tx, ty] = atAngle(screw.angleDeg, VIEW_RADIUS - 48);
  const inward = screw.turns > 0;
  return (
    <g>
      <g transform={`translate(${x} ${y}) rotate(${screw.angleDeg})`}>
        <circle r={11} fill="var(--metal)" stroke="var(--ink)" />
        <path
          d={inward ? 'M0 15v14m-5 -6l5 7l5 -7' : 'M0 30v-14m-5 6l5 -7l5 7'}
          fill="none"
          stroke="var(--action)"
          strokeWidth="3"
        />
      </g>
      <text x={tx} y={ty + 5} textAnchor="middle" fontSize="16" fontWeight="700" fill="var(--ink)">
        {screw.text}
      </text>
    </g>
  );
}

export function HalfTurnView(props: Props) {
  const { label, plate, turnDeg, radiusArcmin, before, after, halfway, screws, onTap } = props;
  const svg = useRef<SVGSVGElement>(null);
  const target = halfway && toPixels(halfway, radiusArcmin);
  return (
    <svg
      ref={svg}
      className={onTap ? 'instrument pole-dial tappable' : 'instrument pole-dial'}
      viewBox={`0 0 ${VIEW_SIZE} ${VIEW_SIZE}`}
      role="img"
      aria-label={label}
      onClick={(event) => {
        const place = svg.current && fromPointer(svg.current, event, radiusArcmin);
        if (place) onTap?.(place);
      }}
    >
      <circle
        cx={VIEW_CENTRE}
        cy={VIEW_CENTRE}
        r={VIEW_RADIUS}
        fill="var(--sheet)"
        stroke="var(--line)"
        strokeWidth="2"
      />
      <PlateDrawing plate={plate} radiusArcmin={radiusArcmin} turnDeg={turnDeg} spotsTurnDeg={turnDeg} />
      {screws.map((screw) => (
        <Screw key={screw.angleDeg} screw={screw} />
      ))}
      {target && <circle cx={target[0]} cy={target[1]} r={10} fill="none" stroke="var(--action)" strokeWidth="3" />}
      {before && <Mark place={before} text="before" radiusArcmin={radiusArcmin} />}
      {after && <Mark place={after} text="after" radiusArcmin={radiusArcmin} />}
    </svg>
  );
}

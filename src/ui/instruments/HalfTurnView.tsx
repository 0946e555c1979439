/** The half-turn test in the finder's view: the plate as it stands, both marks, the point halfway, the screws. */
import type { PlatePoint } from '../../core/mount/finderPlate.ts';
import { PlateDrawing, type Plate } from './PlateDrawing.tsx';
import { atAngle, toPixels, VIEW_RADIUS } from './plateView.ts';
import { RoundView } from './RoundView.tsx';

/** What to do with a screw, on short lines. */
export type DrawnScrew = { angleDeg: number; turns: number; lines: readonly string[] };
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
  const [tx, ty] = atAngle(screw.angleDeg, VIEW_RADIUS - 84);
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
      {screw.lines.map((line, i) => (
        <text
          key={line}
          x={tx}
          y={ty + 18 * i}
          textAnchor="middle"
          fontSize="16"
          fontWeight="700"
          fill="var(--ink)"
          stroke="var(--sheet)"
          strokeWidth="5"
          paintOrder="stroke"
        >
          {line}
        </text>
      ))}
    </g>
  );
}

export function HalfTurnView(props: Props) {
  const { label, plate, turnDeg, radiusArcmin, before, after, halfway, screws, onTap } = props;
  const target = halfway && toPixels(halfway, radiusArcmin);
  return (
    <RoundView label={label} radiusArcmin={radiusArcmin} onTap={onTap}>
      <PlateDrawing plate={plate} radiusArcmin={radiusArcmin} turnDeg={turnDeg} spotsTurnDeg={turnDeg} />
      {screws.map((screw) => (
        <Screw key={screw.angleDeg} screw={screw} />
      ))}
      {target && <circle cx={target[0]} cy={target[1]} r={10} fill="none" stroke="var(--action)" strokeWidth="3" />}
      {before && <Mark place={before} text="before" radiusArcmin={radiusArcmin} />}
      {after && <Mark place={after} text="after" radiusArcmin={radiusArcmin} />}
    </RoundView>
  );
}

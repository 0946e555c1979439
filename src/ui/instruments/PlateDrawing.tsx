/** A polar finder's plate as it is engraved: marks about the rim, rings, cross, and the places of engraved stars. */
import { memo } from 'react';
import type { RimMark } from '../../core/mount/plateEngraving.ts';
import { atAngle, VIEW_CENTRE, VIEW_RADIUS } from './plateView.ts';

export type PlateRing = { arcmin: number; text: string };
export type PlateSpot = { name: string; angleDeg: number; distanceArcmin: number };
export type Plate = {
  marks: readonly RimMark[];
  twelveOnTop: boolean;
  rings: readonly PlateRing[];
  spots: readonly PlateSpot[];
};

type Props = {
  plate: Plate;
  radiusArcmin: number;
  turnDeg: number;
  spotsTurnDeg: number;
  /** Ring words stand above the middle instead of below, where the star is in the way. */
  wordsAbove?: boolean;
};

function Mark({ mark, twelve }: { mark: RimMark; twelve: boolean }) {
  const [x1, y1] = atAngle(mark.angleDeg, VIEW_RADIUS + 2);
  const [x2, y2] = atAngle(mark.angleDeg, VIEW_RADIUS + (mark.number === null ? 8 : 16));
  const [tx, ty] = atAngle(mark.angleDeg, VIEW_RADIUS + 31);
  return (
    <g>
      <path d={`M${x1} ${y1}L${x2} ${y2}`} stroke="var(--soft)" strokeWidth={mark.number === null ? 1 : 2} />
      {mark.number !== null && (
        <text x={tx} y={ty + 5} textAnchor="middle" className="figures" fontSize="17" fill="var(--ink)">
          {mark.number === 0 && twelve ? 12 : mark.number}
        </text>
      )}
    </g>
  );
}

/** Stays while the stars move: drawn again only when the plate or its turn changes. */
export const PlateDrawing = memo(function PlateDrawing({
  plate,
  radiusArcmin,
  turnDeg,
  spotsTurnDeg,
  wordsAbove,
}: Props) {
  const scale = VIEW_RADIUS / radiusArcmin;
  return (
    <g>
      {plate.marks.map((mark) => (
        <Mark key={mark.angleDeg} mark={{ ...mark, angleDeg: mark.angleDeg + turnDeg }} twelve={plate.twelveOnTop} />
      ))}
      {plate.rings
        .filter((ring) => ring.arcmin <= radiusArcmin)
        .map((ring) => (
          <g key={ring.arcmin}>
            <circle
              cx={VIEW_CENTRE}
              cy={VIEW_CENTRE}
              r={ring.arcmin * scale}
              fill="none"
              stroke="var(--ghost)"
              strokeWidth="1.5"
            />
            <text
              x={VIEW_CENTRE + 6}
              y={VIEW_CENTRE + (wordsAbove ? -ring.arcmin * scale - 5 : ring.arcmin * scale + 14)}
              fontSize="16"
              fill="var(--soft)"
            >
              {ring.text}
            </text>
          </g>
        ))}
      {plate.spots.map((spot) => {
        const [x, y] = atAngle(spot.angleDeg + spotsTurnDeg, spot.distanceArcmin * scale);
        return <circle key={spot.name} cx={x} cy={y} r={9} fill="none" stroke="var(--ghost)" strokeWidth="1.5" />;
      })}
      <g transform={`rotate(${turnDeg} ${VIEW_CENTRE} ${VIEW_CENTRE})`} stroke="var(--ghost)">
        <path
          d={`M${VIEW_CENTRE - VIEW_RADIUS} ${VIEW_CENTRE}h${2 * VIEW_RADIUS}M${VIEW_CENTRE} ${VIEW_CENTRE - VIEW_RADIUS}v${2 * VIEW_RADIUS}`}
          strokeDasharray="2 5"
        />
      </g>
      <path
        d={`M${VIEW_CENTRE - 7} ${VIEW_CENTRE}h14M${VIEW_CENTRE} ${VIEW_CENTRE - 7}v14`}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
    </g>
  );
});

/** The view through a polar finder: its own engraving, the pole in the middle, stars where they stand now. */
import { memo } from 'react';
import { times, type PlatePoint } from '../../core/mount/finderPlate.ts';
import type { FieldStar } from '../../core/mount/poleField.ts';
import { PlateDrawing, type Plate } from './PlateDrawing.tsx';
import { atAngle, toPixels, VIEW_CENTRE, VIEW_RADIUS } from './plateView.ts';
import { RoundView } from './RoundView.tsx';

export type DialStar = { name: string; viewAngleDeg: number; distanceArcmin: number; lead: boolean };
export type PoleDialProps = {
  label: string;
  plate: Plate;
  plateTurnDeg: number;
  /** How far the engraved stars are turned to lie as the sky does now. */
  spotsTurnDeg: number;
  /** What the edge of the view stands for. */
  radiusArcmin: number;
  stars: readonly DialStar[];
  /** Fainter stars at sidereal time 0, and how far the sky has turned since, clockwise in the view. */
  field: readonly FieldStar[];
  fieldTurnDeg: number;
  /** View angles of the leading star over the coming hours, each with the clock's words. */
  path: readonly { viewAngleDeg: number; text: string }[];
  /** Of the cross from the axis: the stars circle the axis, not the cross. */
  crossOffset: PlatePoint | null;
  /** Where the leading star was seen to stand. */
  seen: PlatePoint | null;
  onTap?: ((place: PlatePoint) => void) | undefined;
};

const FAINTEST_DRAWN = 9.5;

const Field = memo(function Field({ stars, radiusArcmin }: { stars: readonly FieldStar[]; radiusArcmin: number }) {
  return (
    <g fill="var(--soft)">
      {stars.map((star) => {
        const [x, y] = toPixels(star, radiusArcmin);
        return (
          <circle
            key={`${star.xArcmin} ${star.yArcmin}`}
            cx={x}
            cy={y}
            r={Math.max(0.8, (FAINTEST_DRAWN - star.magnitude) * 0.55)}
          />
        );
      })}
    </g>
  );
});

/** A Greek letter alone says which one it is; a number needs its constellation. */
function shortName(name: string): string {
  const [first = name] = name.split(' ');
  return /^\d/.test(first) ? name : first;
}

function Star({ star, scale }: { star: DialStar; scale: number }) {
  const [x, y] = atAngle(star.viewAngleDeg, star.distanceArcmin * scale);
  const side = x < VIEW_CENTRE ? -1 : 1;
  return (
    <g>
      {star.lead && <circle cx={x} cy={y} r={13} fill="none" stroke="var(--amber)" strokeWidth="2.5" />}
      <circle cx={x} cy={y} r={star.lead ? 6.5 : 4.5} fill={star.lead ? 'var(--amber)' : 'var(--ink)'} />
      {!star.lead && (
        <text x={x + side * 11} y={y + 5} textAnchor={side < 0 ? 'end' : 'start'} fontSize="16" fill="var(--soft)">
          {shortName(star.name)}
        </text>
      )}
    </g>
  );
}

/** Nearer to the middle than this the hours stand too close for words. */
const ROOM_FOR_WORDS = 90;

/** The pole is named when the star does not stand where its name would. */
const ROOM_FOR_NAME = 45;

/** The leading star's way over the coming hours, on its own circle. */
function Path({ path, radius }: { path: PoleDialProps['path']; radius: number }) {
  return path.map((p, i) => {
    const [x, y] = atAngle(p.viewAngleDeg, radius);
    // Beside each other above and below the pole, so every other one stands farther out.
    const [tx, ty] = atAngle(p.viewAngleDeg, radius + (i % 2 === 0 ? 22 : 40));
    return (
      <g key={p.text}>
        <circle cx={x} cy={y} r={4.5} fill="var(--sheet)" stroke="var(--amber)" strokeWidth="2" />
        {radius > ROOM_FOR_WORDS && (
          <text x={tx} y={ty + 5} textAnchor="middle" className="figures" fontSize="16" fill="var(--soft)">
            {p.text}
          </text>
        )}
      </g>
    );
  });
}

/** Everything that circles the axis. */
function Sky({ stars, field, fieldTurnDeg, radiusArcmin, crossOffset, path }: PoleDialProps) {
  const scale = VIEW_RADIUS / radiusArcmin;
  const [ax, ay] = toPixels(crossOffset ? times(crossOffset, -1) : { xArcmin: 0, yArcmin: 0 }, radiusArcmin);
  const lead = stars.find((s) => s.lead);
  return (
    <g transform={`translate(${ax - VIEW_CENTRE} ${ay - VIEW_CENTRE})`}>
      <g transform={`rotate(${fieldTurnDeg} ${VIEW_CENTRE} ${VIEW_CENTRE})`}>
        <Field stars={field} radiusArcmin={radiusArcmin} />
      </g>
      {lead && (
        <path
          d={`M${VIEW_CENTRE} ${VIEW_CENTRE}L${atAngle(lead.viewAngleDeg, lead.distanceArcmin * scale).join(' ')}`}
          stroke="var(--amber)"
          strokeWidth="1.5"
          strokeDasharray="5 5"
        />
      )}
      {lead && <Path path={path} radius={lead.distanceArcmin * scale} />}
      {crossOffset && <circle cx={VIEW_CENTRE} cy={VIEW_CENTRE} r={4} fill="none" stroke="var(--ink)" />}
      {lead && lead.distanceArcmin * scale > ROOM_FOR_NAME && (
        <text x={VIEW_CENTRE + 10} y={VIEW_CENTRE - 8} fontSize="16" fill="var(--soft)">
          pole
        </text>
      )}
      {stars
        .filter((star) => star.distanceArcmin <= radiusArcmin)
        .map((star) => (
          <Star key={star.name} star={star} scale={scale} />
        ))}
    </g>
  );
}

function Seen({ seen, radiusArcmin }: { seen: PlatePoint; radiusArcmin: number }) {
  const [x, y] = toPixels(seen, radiusArcmin);
  return (
    <path
      d={`M${x - 9} ${y - 9}l18 18M${x + 9} ${y - 9}l-18 18`}
      stroke="var(--action)"
      strokeWidth="3.5"
      strokeLinecap="round"
    />
  );
}

export function PoleDial(props: PoleDialProps) {
  const { label, plate, plateTurnDeg, spotsTurnDeg, radiusArcmin, seen, onTap } = props;
  const lead = props.stars.find((s) => s.lead);
  return (
    <RoundView label={label} radiusArcmin={radiusArcmin} onTap={onTap}>
      <PlateDrawing
        plate={plate}
        radiusArcmin={radiusArcmin}
        turnDeg={plateTurnDeg}
        spotsTurnDeg={spotsTurnDeg}
        wordsAbove={lead !== undefined && Math.cos((lead.viewAngleDeg * Math.PI) / 180) < 0}
      />
      <Sky {...props} />
      {seen && <Seen seen={seen} radiusArcmin={radiusArcmin} />}
    </RoundView>
  );
}

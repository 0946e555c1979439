/** The view through a polar finder: its own engraving, the pole in the middle, stars where they stand now. */
import { range } from 'd3';
import { memo } from 'react';
import { FULL_TURN, viewAngleOf, type Numbering } from '../../core/mount/dial.ts';

export type DialStar = { name: string; viewAngleDeg: number; distanceArcmin: number; lead: boolean };
export type PoleDialProps = {
  label: string;
  engraving: { numbering: Numbering; topMark: number; direction: 'clockwise' | 'counterclockwise' } | null;
  /** Radius that the engraved ring stands for; null = no ring. */
  ringArcmin: number | null;
  plateTurnDeg: number;
  stars: readonly DialStar[];
  /** View angles of the leading star over the coming hours, each with the clock's words. */
  path: readonly { viewAngleDeg: number; text: string }[];
};

const SIZE = 440;
const CENTRE = SIZE / 2;
const FIELD = 172;

function at(angleDeg: number, radius: number): [number, number] {
  const a = (angleDeg * Math.PI) / 180;
  return [CENTRE + radius * Math.sin(a), CENTRE - radius * Math.cos(a)];
}

const MARKS: Record<Numbering, { step: number; label: number }> = {
  '12h': { step: 0.25, label: 1 },
  '24h': { step: 0.5, label: 2 },
  deg: { step: 5, label: 30 },
};

type EngravingProps = NonNullable<PoleDialProps['engraving']> & { turnDeg: number };

/** Drawn once per engraving: its marks stay while the star moves. */
const Engraving = memo(function Engraving({ numbering, topMark, direction, turnDeg }: EngravingProps) {
  const engraving = { numbering, topMark, direction };
  const { step, label } = MARKS[numbering];
  const full = FULL_TURN[numbering];
  return (
    <g>
      {range(0, full, step).map((mark) => {
        const angle = viewAngleOf(mark, engraving) + turnDeg;
        const isLabel = mark % label === 0;
        const [x1, y1] = at(angle, FIELD + 2);
        const [x2, y2] = at(angle, FIELD + (isLabel ? 16 : 8));
        const [tx, ty] = at(angle, FIELD + 31);
        return (
          <g key={mark}>
            <path d={`M${x1} ${y1}L${x2} ${y2}`} stroke="var(--soft)" strokeWidth={isLabel ? 2 : 1} />
            {isLabel && (
              <text x={tx} y={ty + 5} textAnchor="middle" className="figures" fontSize="17" fill="var(--ink)">
                {mark === 0 && numbering === '12h' ? 12 : mark}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
});

function Star({ star, radius }: { star: DialStar; radius: number }) {
  const [x, y] = at(star.viewAngleDeg, radius);
  const side = x < CENTRE ? -1 : 1;
  return (
    <g>
      {star.lead && <circle cx={x} cy={y} r={13} fill="none" stroke="var(--amber)" strokeWidth="2.5" />}
      <circle cx={x} cy={y} r={star.lead ? 6.5 : 4} fill={star.lead ? 'var(--amber)' : 'var(--ink)'} />
      {!star.lead && (
        <text x={x + side * 9} y={y + 5} textAnchor={side < 0 ? 'end' : 'start'} fontSize="15" fill="var(--soft)">
          {star.name}
        </text>
      )}
    </g>
  );
}

export function PoleDial({ label, engraving, ringArcmin, plateTurnDeg, stars, path }: PoleDialProps) {
  const farthest = Math.max(...stars.map((s) => s.distanceArcmin), ringArcmin ?? 0);
  const scale = (FIELD - 46) / farthest;
  const lead = stars.find((s) => s.lead);
  return (
    <svg className="instrument pole-dial" viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label}>
      <circle cx={CENTRE} cy={CENTRE} r={FIELD} fill="var(--sheet)" stroke="var(--line)" strokeWidth="2" />
      {engraving && <Engraving {...engraving} turnDeg={plateTurnDeg} />}
      {ringArcmin !== null && (
        <circle cx={CENTRE} cy={CENTRE} r={ringArcmin * scale} fill="none" stroke="var(--ghost)" strokeWidth="1.5" />
      )}
      <g transform={`rotate(${plateTurnDeg} ${CENTRE} ${CENTRE})`} stroke="var(--ghost)">
        <path
          d={`M${CENTRE - FIELD} ${CENTRE}H${CENTRE + FIELD}M${CENTRE} ${CENTRE - FIELD}V${CENTRE + FIELD}`}
          strokeDasharray="2 5"
        />
      </g>
      <path d={`M${CENTRE - 7} ${CENTRE}h14M${CENTRE} ${CENTRE - 7}v14`} stroke="var(--ink)" strokeWidth="1.5" />
      <text x={CENTRE + 10} y={CENTRE + 20} fontSize="15" fill="var(--soft)">
        pole
      </text>
      {lead && (
        <path
          d={`M${CENTRE} ${CENTRE}L${at(lead.viewAngleDeg, FIELD).join(' ')}`}
          stroke="var(--amber)"
          strokeWidth="1.5"
          strokeDasharray="5 5"
        />
      )}
      {path.map((p) => {
        const [x, y] = at(p.viewAngleDeg, FIELD);
        const [tx, ty] = at(p.viewAngleDeg, FIELD - 26);
        return (
          <g key={p.text}>
            <circle cx={x} cy={y} r={4.5} fill="var(--sheet)" stroke="var(--amber)" strokeWidth="2" />
            <text x={tx} y={ty + 5} textAnchor="middle" className="figures" fontSize="15" fill="var(--soft)">
              {p.text}
            </text>
          </g>
        );
      })}
      {stars.map((star) => (
        <Star key={star.name} star={star} radius={star.distanceArcmin * scale} />
      ))}
    </svg>
  );
}

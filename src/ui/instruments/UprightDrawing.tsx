/** The tube straight up on the declination axis, seen along that axis: a piece beside it swings it. Ghost = where the
 *  piece sits, dashed = where it should sit. */
import type { Format } from '../../text/format.ts';
import { MoveArrow } from './MoveArrow.tsx';

type Props = {
  label: string;
  tubeRadiusM: number;
  setM: number;
  predictedM: number;
  words: { upper: string; lower: string; axis: string };
  format: Format;
};

const [WIDTH, HEIGHT] = [360, 226];
const [MIDDLE, AXIS_Y, PIECE_Y] = [WIDTH / 2, 132, 76];
/** The drawing shows this far to either side. */
const SHOWN_M = 0.34;
const PER_M = (WIDTH / 2 - 10) / SHOWN_M;

const x = (asideM: number): number => MIDDLE + asideM * PER_M;

function Piece({ atM, solid }: { atM: number; solid: boolean }) {
  return (
    <rect
      x={x(atM) - 14}
      y={PIECE_Y - 24}
      width={28}
      height={48}
      rx={5}
      fill={solid ? 'var(--ghost)' : 'none'}
      fillOpacity={solid ? 0.75 : 1}
      stroke={solid ? 'none' : 'var(--action)'}
      strokeWidth="2.5"
      strokeDasharray="5 4"
    />
  );
}

export function UprightDrawing({ label, tubeRadiusM, setM, predictedM, words, format }: Props) {
  const half = Math.max(20, tubeRadiusM * PER_M);
  const moves = Math.abs(predictedM - setM) > 0.0005;
  return (
    <svg className="instrument quadrant" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={label}>
      <rect
        x={MIDDLE - half}
        y={16}
        width={2 * half}
        height={182}
        rx={6}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <path d={`M${MIDDLE} 6V206`} stroke="var(--soft)" strokeDasharray="2 5" />
      <circle cx={MIDDLE} cy={AXIS_Y} r={15} fill="var(--tint)" stroke="var(--ink)" strokeWidth="2" />
      <circle cx={MIDDLE} cy={AXIS_Y} r={4} fill="var(--ink)" />
      <text x={MIDDLE + half + 10} y={AXIS_Y + 5} fontSize="13" fill="var(--soft)">
        {words.axis}
      </text>
      <Piece atM={setM} solid />
      <Piece atM={predictedM} solid={false} />
      {moves && (
        <MoveArrow
          y={PIECE_Y + 40}
          from={x(setM)}
          to={x(predictedM)}
          text={format.quantity(Math.abs(predictedM - setM), 'barLength')}
        />
      )}
      <text x={4} y={220} fontSize="13" fill="var(--soft)">
        {words.lower}
      </text>
      <text x={WIDTH - 4} y={220} textAnchor="end" fontSize="13" fill="var(--soft)">
        {words.upper}
      </text>
    </svg>
  );
}

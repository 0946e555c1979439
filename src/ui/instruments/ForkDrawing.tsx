/** A tube level between a fork's arms, to scale along it, the front on the left: what hangs on it, numbered, the axis in the
 *  middle, and the weight that would hold it, dashed. */
import { useWidth } from '../useWidth.ts';
import { Guessed } from './Guessed.tsx';

type Piece = { id: string; alongTubeM: number; massKg: number; isGuess: boolean };
type Props = {
  label: string;
  tube: { frontM: number; backM: number; radiusM: number };
  /** What hangs on it beside the tube itself, + = toward the front. */
  pieces: readonly Piece[];
  hang: { massKg: number; atM: number } | null;
  words: { front: string; rear: string; axis: string };
};

const NARROWEST = 300;
const MIDDLE_Y = 96;
const TALL = 210;
const MARGIN = 24;

/** Heavier pieces are drawn larger. */
const sideOf = (massKg: number): number => Math.min(44, 16 + 14 * Math.cbrt(massKg));

export function ForkDrawing({ label, tube, pieces, hang, words }: Props) {
  const [ref, measured] = useWidth<HTMLDivElement>(680);
  const width = Math.max(NARROWEST, measured);
  const places = [...pieces.map((p) => p.alongTubeM), ...(hang ? [hang.atM] : [])];
  const [frontM, backM] = [Math.max(tube.frontM, ...places), Math.max(tube.backM, ...places.map((m) => -m))];
  const perM = (width - 2 * MARGIN - 44) / (frontM + backM);
  const x = (alongM: number): number => MARGIN + 22 + (frontM - alongM) * perM;
  const half = Math.min(44, Math.max(18, tube.radiusM * perM));
  return (
    <div ref={ref} className="rails">
      <svg className="instrument" viewBox={`0 0 ${width} ${TALL}`} role="img" aria-label={label}>
        <rect
          x={x(tube.frontM)}
          y={MIDDLE_Y - half}
          width={(tube.frontM + tube.backM) * perM}
          height={2 * half}
          rx={5}
          fill="var(--ghost)"
          fillOpacity={0.55}
        />
        <path d={`M${x(0) - 9} ${MIDDLE_Y}v74h18v-74`} fill="var(--metal)" stroke="var(--ink)" strokeWidth="2" />
        <circle cx={x(0)} cy={MIDDLE_Y} r={12} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2.5" />
        {pieces.map(({ id, alongTubeM, massKg, isGuess }, i) => {
          const side = sideOf(massKg);
          const box = { x: x(alongTubeM) - side / 2, y: MIDDLE_Y - side / 2, width: side, height: side, rx: 4 };
          return (
            <g key={id}>
              <rect {...box} fill="var(--metal)" stroke="var(--ink)" strokeWidth="1.5" />
              {isGuess && <Guessed {...box} />}
              <text
                x={x(alongTubeM)}
                y={MIDDLE_Y - half - 8}
                textAnchor="middle"
                className="figures"
                fontWeight="700"
                fill="var(--ink)"
              >
                {i + 1}
              </text>
            </g>
          );
        })}
        {hang && (
          <rect
            x={x(hang.atM) - sideOf(hang.massKg) / 2}
            y={MIDDLE_Y + half - 4}
            width={sideOf(hang.massKg)}
            height={sideOf(hang.massKg)}
            rx={4}
            fill="none"
            stroke="var(--action)"
            strokeWidth="2.5"
            strokeDasharray="5 4"
          />
        )}
        <text x={MARGIN} y={22} fontSize="14" fill="var(--soft)">
          {words.front}
        </text>
        <text x={width - MARGIN} y={22} textAnchor="end" fontSize="14" fill="var(--soft)">
          {words.rear}
        </text>
        <text x={x(0)} y={TALL - 12} textAnchor="middle" fontSize="14" fill="var(--soft)">
          {words.axis}
        </text>
      </svg>
    </div>
  );
}

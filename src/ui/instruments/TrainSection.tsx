/** The light path in section, to scale: from the corrector's rear flange to the sensor, every piece numbered, filter
 *  glass, and the wanted distance as a line that is solid when it is met. */
import type { Spacing } from '../../core/optics/spacing.ts';
import type { Format } from '../../text/format.ts';
import { useWidth } from '../useWidth.ts';

type Props = {
  label: string;
  spacing: Spacing;
  plates: readonly { id: string; thicknessMm: number }[];
  format: Format;
};

const NARROWEST = 300;
const [TOP, TALL] = [46, 84];
const FLANGE_X = 64;

function Corrector() {
  const [x, y] = [FLANGE_X, TOP - 8];
  return (
    <g stroke="var(--ink)" strokeWidth="2">
      <rect x={x - 52} y={y} width={52} height={TALL + 16} rx={4} fill="var(--sheet)" />
      <path
        d={`M${x - 34} ${y + 10}q14 ${TALL / 2 - 2} 0 ${TALL - 4}q-14 ${-(TALL / 2 - 2)} 0 ${-(TALL - 4)}z`}
        fill="var(--tint)"
        strokeWidth="1.5"
      />
    </g>
  );
}

type PieceProps = { fromX: number; toX: number; number: number; isCamera: boolean };

function Piece({ fromX, toX, number, isCamera }: PieceProps) {
  const width = Math.max(2, toX - fromX);
  const inset = isCamera ? 0 : (number % 2) * 6;
  return (
    <g>
      <rect
        x={fromX}
        y={TOP + inset}
        width={width}
        height={TALL - 2 * inset}
        fill={isCamera ? 'var(--sheet)' : 'var(--metal)'}
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <text
        x={fromX + width / 2}
        y={width > 16 ? TOP + TALL / 2 + 6 : TOP - 8}
        textAnchor="middle"
        className="figures"
        fontSize="16"
        fontWeight="700"
        fill="var(--ink)"
      >
        {number}
      </text>
    </g>
  );
}

/** Where the sensor should stand. */
function Target({ x, spacing, format }: { x: number; spacing: Spacing; format: Format }) {
  const met = spacing.withinTolerance;
  const colour = met ? 'var(--moss)' : 'var(--amber)';
  return (
    <g>
      <path
        d={`M${x} ${TOP - 16}V${TOP + TALL + 26}`}
        stroke={colour}
        strokeWidth="3"
        strokeDasharray={met ? undefined : '6 5'}
      />
      <text x={x} y={TOP - 24} textAnchor="middle" fontSize="14" fill="var(--ink)">
        <tspan className="figures" fontWeight="700">
          {format.quantity(spacing.neededMm, 'opticsMm')}
        </tspan>{' '}
        wanted
      </text>
    </g>
  );
}

export function TrainSection({ label, spacing, plates, format }: Props) {
  const [ref, measured] = useWidth<HTMLDivElement>(680);
  const width = Math.max(NARROWEST, measured);
  const longestMm = Math.max(spacing.neededMm, spacing.presentMm) + 4;
  const perMm = (width - FLANGE_X - 40) / longestMm;
  const x = (mm: number): number => FLANGE_X + mm * perMm;
  const wheel = spacing.pieces.find((p) => p.toMm - p.fromMm >= 10) ?? spacing.pieces[0];
  const plateX = wheel ? x((wheel.fromMm + wheel.toMm) / 2) : FLANGE_X;
  const sensorX = x(spacing.presentMm);
  return (
    <div ref={ref}>
      <svg className="instrument" viewBox={`0 0 ${width} ${TOP + TALL + 52}`} role="img" aria-label={label}>
        <Corrector />
        {spacing.pieces.map((piece, i) => (
          <Piece
            key={`${piece.id}-${i}`}
            fromX={x(piece.fromMm)}
            toX={x(piece.toMm)}
            number={i + 1}
            isCamera={i === spacing.pieces.length - 1}
          />
        ))}
        {plates.map((plate, i) => (
          <rect
            key={plate.id}
            x={plateX + 12 + i * 8}
            y={TOP + 10}
            width={Math.max(3, plate.thicknessMm * perMm)}
            height={TALL - 20}
            fill="var(--tint)"
            stroke="var(--action)"
            strokeWidth="1.5"
          />
        ))}
        <path d={`M${sensorX} ${TOP + 14}V${TOP + TALL - 14}`} stroke="var(--action)" strokeWidth="7" />
        <path
          d={`M${FLANGE_X} ${TOP + TALL + 14}V${TOP + TALL + 30}M${sensorX} ${TOP + TALL + 14}V${TOP + TALL + 30}`}
          stroke="var(--soft)"
        />
        <path d={`M${FLANGE_X} ${TOP + TALL + 22}H${sensorX}`} stroke="var(--soft)" />
        <text x={(FLANGE_X + sensorX) / 2} y={TOP + TALL + 44} textAnchor="middle" fontSize="14" fill="var(--soft)">
          flange to sensor{' '}
          <tspan className="figures" fontWeight="700" fill="var(--ink)">
            {format.quantity(spacing.presentMm, 'opticsMm')}
          </tspan>
        </text>
        <Target x={x(spacing.neededMm)} spacing={spacing} format={format} />
      </svg>
    </div>
  );
}

/** A ruler along the bar, in the user's unit; the shaded part is where a weight can stand. */
import { range } from 'd3';
import { fromDisplay, toDisplay, unitOf } from '../../core/units/quantities.ts';
import type { Format } from '../../text/format.ts';

type Props = {
  x: (positionM: number) => number;
  y: number;
  toM: number;
  rangeM: readonly [number, number];
  markM: number | null;
  format: Format;
};

/** Tick spacing and label spacing in the shown unit. */
const STEPS = { metric: { tick: 10, label: 50 }, imperial: { tick: 0.5, label: 2 } };

export function Ruler({ x, y, toM, rangeM, markM, format }: Props) {
  const { tick, label: usual } = STEPS[format.system];
  const labelPx = x(fromDisplay(usual, 'barLength', format.system)) - x(0);
  const label = labelPx < 34 ? usual * 2 : usual;
  const count = Math.floor(toDisplay(toM, 'barLength', format.system) / tick + 1e-6);
  const every = Math.round(label / tick);
  return (
    <g>
      <rect
        x={x(rangeM[0])}
        y={y}
        width={Math.max(0, x(rangeM[1]) - x(rangeM[0]))}
        height={6}
        fill="var(--tint)"
        stroke="var(--line)"
      />
      <path d={`M${x(0)} ${y}H${x(toM)}`} stroke="var(--ink)" />
      {range(0, count + 1).map((i) => {
        const at = x(fromDisplay(i * tick, 'barLength', format.system));
        const isLabel = i % every === 0;
        return (
          <g key={i}>
            <path d={`M${at} ${y}v${isLabel ? 16 : 8}`} stroke="var(--soft)" />
            {isLabel && (
              <text x={at} y={y + 32} textAnchor="middle" className="mono-axis" fill="var(--soft)">
                {i * tick}
              </text>
            )}
          </g>
        );
      })}
      {markM !== null && <path d={`M${x(markM)} ${y - 2}l-6 -10h12z`} fill="var(--action)" />}
      <text x={x(toM)} y={y + 52} textAnchor="end" fontSize="13" fill="var(--soft)">
        {unitOf('barLength', format.system).symbol} from the polar axis to the weight’s middle
      </text>
    </g>
  );
}

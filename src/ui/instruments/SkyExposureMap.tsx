/** The sky from above, zenith in the middle, north up: each cell says how long one may expose there. */
import { arc } from 'd3';
import type { ExposureCell } from '../../core/sky/altAzExposure.ts';

type Props = { label: string; cells: readonly ExposureCell[]; words: (exposureS: number) => string; wantedS: number };

const SIZE = 420;
const MIDDLE = SIZE / 2;
const HORIZON = 176;

const radiusOf = (altDeg: number): number => ((90 - altDeg) / 90) * HORIZON;
const RAD = Math.PI / 180;

function Cell({ cell, text, enough }: { cell: ExposureCell; text: string; enough: boolean }) {
  const { fromAltDeg, toAltDeg, fromAzDeg, toAzDeg } = cell;
  const path = arc()({
    innerRadius: radiusOf(toAltDeg),
    outerRadius: radiusOf(fromAltDeg),
    startAngle: fromAzDeg * RAD,
    endAngle: toAzDeg * RAD,
  });
  const radius = radiusOf((fromAltDeg + toAltDeg) / 2);
  const azimuth = ((fromAzDeg + toAzDeg) / 2) * RAD;
  // Near the zenith the cells are too narrow for words.
  const hasRoom = fromAltDeg < 60;
  return (
    <g>
      <path d={path ?? ''} fill={enough ? 'var(--tint)' : 'var(--sheet)'} stroke="var(--line)" strokeWidth="1" />
      {hasRoom && (
        <text
          x={radius * Math.sin(azimuth)}
          y={-radius * Math.cos(azimuth) + 4}
          textAnchor="middle"
          className="figures"
          fontSize="12"
          fontWeight={enough ? 700 : 400}
          fill="var(--ink)"
        >
          {text}
        </text>
      )}
    </g>
  );
}

export function SkyExposureMap({ label, cells, words, wantedS }: Props) {
  return (
    <svg className="instrument sky-map" viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label}>
      <g transform={`translate(${MIDDLE} ${MIDDLE})`}>
        {cells.map((cell) => (
          <Cell
            key={`${cell.fromAltDeg}-${cell.fromAzDeg}`}
            cell={cell}
            text={words(cell.exposureS)}
            enough={cell.exposureS >= wantedS}
          />
        ))}
        <circle r={HORIZON} fill="none" stroke="var(--ink)" strokeWidth="2" />
        {(['N', 'E', 'S', 'W'] as const).map((letter, i) => (
          <text
            key={letter}
            x={(HORIZON + 18) * Math.sin((i * Math.PI) / 2)}
            y={-(HORIZON + 18) * Math.cos((i * Math.PI) / 2) + 6}
            textAnchor="middle"
            fontSize="16"
            fontWeight="700"
            fill="var(--ink)"
          >
            {letter}
          </text>
        ))}
      </g>
    </svg>
  );
}

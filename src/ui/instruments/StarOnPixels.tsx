/** The star to be expected, at its true size on the sensor's pixels: the circle is its width at half height. */
import { range } from 'd3';

type Props = { label: string; fwhmPx: number; ratio: number };

const SIZE = 180;
const CELLS = 9;

/** Light of a round star in one cell, 0 to 1. */
function light(dx: number, dy: number, fwhmPx: number): number {
  return Math.exp((-4 * Math.LN2 * (dx * dx + dy * dy)) / (fwhmPx * fwhmPx));
}

export function StarOnPixels({ label, fwhmPx, ratio }: Props) {
  const cells = Math.max(CELLS, 2 * Math.ceil(fwhmPx) + 3);
  const cell = SIZE / cells;
  const middle = (cells - 1) / 2;
  return (
    <svg className="small-instrument" viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label}>
      {range(cells).flatMap((row) =>
        range(cells).map((column) => (
          <rect
            key={`${row}-${column}`}
            x={column * cell}
            y={row * cell}
            width={cell}
            height={cell}
            fill="var(--ink)"
            fillOpacity={light((column - middle) / Math.sqrt(ratio), (row - middle) * Math.sqrt(ratio), fwhmPx)}
            stroke="var(--line)"
            strokeWidth="1"
          />
        )),
      )}
      <ellipse
        cx={SIZE / 2}
        cy={SIZE / 2}
        rx={(fwhmPx / 2) * cell * Math.sqrt(ratio)}
        ry={((fwhmPx / 2) * cell) / Math.sqrt(ratio)}
        fill="none"
        stroke="var(--amber)"
        strokeWidth="2.5"
      />
    </svg>
  );
}

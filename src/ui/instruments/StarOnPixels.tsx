/** The star to be expected, at its true size on the sensor's pixels: the ring is its width at half height. A trail runs out of
 *  the drawing. */
import { range } from 'd3';

/** `fwhmPx` along its longer side, `ratio` of that to the other one. */
type Props = { label: string; fwhmPx: number; ratio: number };

const SIZE = 180;
const CELLS = 9;
/** More would be neither seen nor drawn in time. */
const MOST_CELLS = 41;

/** Light of a round star in one cell, 0 to 1. */
function light(dx: number, dy: number, fwhmPx: number): number {
  return Math.exp((-4 * Math.LN2 * (dx * dx + dy * dy)) / (fwhmPx * fwhmPx));
}

export function StarOnPixels({ label, fwhmPx, ratio }: Props) {
  const cells = Math.min(MOST_CELLS, Math.max(CELLS, 2 * Math.ceil(fwhmPx) + 3));
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
            fillOpacity={light(column - middle, (row - middle) * ratio, fwhmPx)}
            stroke="var(--line)"
            strokeWidth="1"
          />
        )),
      )}
      <ellipse
        cx={SIZE / 2}
        cy={SIZE / 2}
        rx={(fwhmPx / 2) * cell}
        ry={((fwhmPx / 2) * cell) / ratio}
        fill="none"
        stroke="var(--amber)"
        strokeWidth="2.5"
      />
    </svg>
  );
}

/** Sideways dragging in a chart, by mouse or finger: a place on the axis, or a line that stands there. */
import type { ScaleLinear } from 'd3';
import { useState, type PointerEvent } from 'react';

/** A finger finds it. */
const TOUCH_PX = 44;

/** Where on the axis the pointer is, kept within it. The element must lie in the plot without a shift of its own. */
function valueAt(event: PointerEvent<SVGElement>, x: ScaleLinear<number, number>): number | null {
  const matrix = (event.currentTarget as SVGGraphicsElement).getScreenCTM();
  if (!matrix) return null;
  const px = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()).x;
  const [from = 0, to = 0] = x.domain();
  return Math.max(from, Math.min(to, x.invert(px)));
}

type Told = { begun?: (value: number) => void; moved: (value: number) => void };

/** The element keeps the pointer while it is held. */
function grip(x: ScaleLinear<number, number>, { begun, moved }: Told) {
  const tell = (event: PointerEvent<SVGElement>, to: (value: number) => void): void => {
    const value = valueAt(event, x);
    if (value !== null) to(value);
  };
  return {
    className: 'drag-x',
    onPointerDown: (event: PointerEvent<SVGElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      tell(event, begun ?? moved);
    },
    onPointerMove: (event: PointerEvent<SVGElement>) => {
      if (event.currentTarget.hasPointerCapture(event.pointerId)) tell(event, moved);
    },
  };
}

type PlotProps = { x: ScaleLinear<number, number>; width: number; height: number; onMove: (value: number) => void };

/** The whole plot, to be pressed or dragged anywhere. */
export function DragPlot({ x, width, height, onMove }: PlotProps) {
  return <rect width={width} height={height} fill="transparent" {...grip(x, { moved: onMove })} />;
}

type LineProps = { x: ScaleLinear<number, number>; height: number; at: number; onDone: (value: number) => void };

/** A dashed line that goes along with the pointer from wherever it was taken, and is told once it was let go: a tap leaves it. */
export function DragLine({ x, height, at, onDone }: LineProps) {
  const [held, setHeld] = useState<{ from: number; to: number } | null>(null);
  const [low = 0, high = 0] = x.domain();
  const now = held ? Math.max(low, Math.min(high, at + held.to - held.from)) : at;
  const letGo = (): void => {
    setHeld(null);
    if (now !== at) onDone(now);
  };
  const handlers = grip(x, {
    begun: (value) => setHeld({ from: value, to: value }),
    moved: (to) => setHeld((last) => last && { ...last, to }),
  });
  return (
    <g>
      <path d={`M${x(now)} 0V${height}`} stroke="var(--amber)" strokeWidth={held ? 3 : 2} strokeDasharray="6 4" />
      <path d={`M${x(now)} -2l-7 -12h14z`} fill="var(--amber)" />
      <path
        d={`M${x(at)} -14V${height}`}
        stroke="transparent"
        strokeWidth={TOUCH_PX}
        {...handlers}
        onPointerUp={letGo}
        onPointerCancel={() => setHeld(null)}
      />
    </g>
  );
}

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

function grip(x: ScaleLinear<number, number>, moved: (value: number) => void) {
  const tell = (event: PointerEvent<SVGElement>): void => {
    const value = valueAt(event, x);
    if (value !== null) moved(value);
  };
  return {
    className: 'drag-x',
    onPointerDown: (event: PointerEvent<SVGElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      tell(event);
    },
    onPointerMove: (event: PointerEvent<SVGElement>) => {
      if (event.currentTarget.hasPointerCapture(event.pointerId)) tell(event);
    },
  };
}

type PlotProps = { x: ScaleLinear<number, number>; width: number; height: number; onMove: (value: number) => void };

/** The whole plot, to be pressed or dragged anywhere. */
export function DragPlot({ x, width, height, onMove }: PlotProps) {
  return <rect width={width} height={height} fill="transparent" {...grip(x, onMove)} />;
}

type LineProps = { x: ScaleLinear<number, number>; height: number; at: number; onDone: (value: number) => void };

/** A dashed line that is told once it was let go. */
export function DragLine({ x, height, at, onDone }: LineProps) {
  const [draft, setDraft] = useState<number | null>(null);
  const shown = x(draft ?? at);
  const letGo = (): void => {
    setDraft(null);
    if (draft !== null && draft !== at) onDone(draft);
  };
  return (
    <g>
      <path
        d={`M${shown} 0V${height}`}
        stroke="var(--amber)"
        strokeWidth={draft === null ? 2 : 3}
        strokeDasharray="6 4"
      />
      <path d={`M${shown} -2l-7 -12h14z`} fill="var(--amber)" />
      <path
        d={`M${x(at)} -14V${height}`}
        stroke="transparent"
        strokeWidth={TOUCH_PX}
        {...grip(x, setDraft)}
        onPointerUp={letGo}
        onPointerCancel={() => setDraft(null)}
      />
    </g>
  );
}

/** The one frame of all charts: axes with grid, a spoken label, and the picture as SVG or PNG. D3 computes, React draws. */
import { scaleLinear, type ScaleLinear } from 'd3';
import { useRef, type ReactNode } from 'react';
import { useWidth } from '../useWidth.ts';
import { SaveDrawing } from './SaveDrawing.tsx';

export type Axis = {
  domain: readonly [number, number];
  label: string;
  /** Words at a tick. */
  format: (value: number) => string;
  ticks?: readonly number[];
};
export type Scales = { x: ScaleLinear<number, number>; y: ScaleLinear<number, number>; width: number; height: number };

type Props = {
  /** Spoken instead of the picture. */
  label: string;
  /** Of the saved file, without ending. */
  fileName: string;
  height: number;
  x: Axis;
  y: Axis;
  /** Drawn inside the plot, in pixels from its upper left corner. */
  children: (scales: Scales) => ReactNode;
};

const MARGIN = { top: 28, right: 30, bottom: 44, left: 56 };
const NARROWEST = 280;

function XAxis({ axis, scales }: { axis: Axis; scales: Scales }) {
  const { x, width, height } = scales;
  const ticks = axis.ticks ?? x.ticks(Math.max(2, Math.floor(width / 90)));
  return (
    <g>
      <path d={`M0 ${height}H${width}`} stroke="var(--soft)" />
      {ticks.map((tick) => (
        <g key={tick} transform={`translate(${x(tick)} ${height})`}>
          <path d="M0 0v5" stroke="var(--soft)" />
          <text y={19} textAnchor="middle" className="mono-axis" fill="var(--soft)">
            {axis.format(tick)}
          </text>
        </g>
      ))}
      <text x={width} y={height + 38} textAnchor="end" fontSize="13" fill="var(--soft)">
        {axis.label}
      </text>
    </g>
  );
}

function YAxis({ axis, scales }: { axis: Axis; scales: Scales }) {
  const { y, width, height } = scales;
  const ticks = axis.ticks ?? y.ticks(Math.max(2, Math.floor(height / 46)));
  return (
    <g>
      {ticks.map((tick) => (
        <g key={tick} transform={`translate(0 ${y(tick)})`}>
          <path d={`M0 0H${width}`} stroke="var(--line)" />
          <text x={-8} y={4} textAnchor="end" className="mono-axis" fill="var(--soft)">
            {axis.format(tick)}
          </text>
        </g>
      ))}
      <text x={-MARGIN.left + 2} y={-14} fontSize="13" fill="var(--soft)">
        {axis.label}
      </text>
    </g>
  );
}

export function ChartFrame({ label, fileName, height, x, y, children }: Props) {
  const [ref, measured] = useWidth<HTMLDivElement>(680);
  const svg = useRef<SVGSVGElement>(null);
  const outer = Math.max(NARROWEST, measured);
  const width = outer - MARGIN.left - MARGIN.right;
  const inner = height - MARGIN.top - MARGIN.bottom;
  const scales: Scales = {
    x: scaleLinear(x.domain, [0, width]),
    y: scaleLinear(y.domain, [inner, 0]),
    width,
    height: inner,
  };
  return (
    <div ref={ref} className="chart">
      <svg ref={svg} className="instrument" viewBox={`0 0 ${outer} ${height}`} role="img" aria-label={label}>
        <g transform={`translate(${MARGIN.left} ${MARGIN.top})`}>
          <YAxis axis={y} scales={scales} />
          {children(scales)}
          <XAxis axis={x} scales={scales} />
        </g>
      </svg>
      <SaveDrawing svg={svg} fileName={fileName} />
    </div>
  );
}

/** The round view of a polar finder, in which a place can be tapped. */
import { useRef, type ReactNode } from 'react';
import type { PlatePoint } from '../../core/mount/finderPlate.ts';
import { fromPointer, VIEW_CENTRE, VIEW_RADIUS, VIEW_SIZE } from './plateView.ts';

type Props = {
  label: string;
  /** What the edge of the view stands for. */
  radiusArcmin: number;
  onTap?: ((place: PlatePoint) => void) | undefined;
  children: ReactNode;
};

export function RoundView({ label, radiusArcmin, onTap, children }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  return (
    <svg
      ref={svg}
      className={onTap ? 'instrument pole-dial tappable' : 'instrument pole-dial'}
      viewBox={`0 0 ${VIEW_SIZE} ${VIEW_SIZE}`}
      role="img"
      aria-label={label}
      onClick={(event) => {
        const place = svg.current && fromPointer(svg.current, event, radiusArcmin);
        if (place) onTap?.(place);
      }}
    >
      <circle
        cx={VIEW_CENTRE}
        cy={VIEW_CENTRE}
        r={VIEW_RADIUS}
        fill="var(--sheet)"
        stroke="var(--line)"
        strokeWidth="2"
      />
      {children}
    </svg>
  );
}

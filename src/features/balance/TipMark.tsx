import type { Drops } from '../../text/balanceWords.ts';

const TILT: Record<Drops, number> = { tube: -18, none: 0, weight: 18 };

/** A small bar that leans to the side that dropped: tube's side left, weight right. */
export function TipMark({ drops }: { drops: Drops }) {
  return (
    <svg width="58" height="34" viewBox="0 0 58 34" aria-hidden="true">
      <g transform={`rotate(${TILT[drops]} 29 17)`} stroke="var(--action)" strokeWidth="2.5" fill="none">
        <path d="M18 17h24" />
        <circle cx="11" cy="17" r="7" />
        <rect x="42" y="9" width="10" height="16" rx="2" fill="var(--action)" />
      </g>
    </svg>
  );
}

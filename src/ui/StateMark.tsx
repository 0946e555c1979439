import type { StationState } from '../text/stations.ts';

/** A station's state as a shape: open ring, half, filled with tick, notched; a square
 *  for a station without a state. Words stand beside it for screen readers. */
export function StateMark({ state }: { state: StationState }) {
  return (
    <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
      {state === 'none' && <rect x="4" y="4" width="10" height="10" rx="2" fill="var(--action)" />}
      {state === 'attention' && (
        <>
          <path d="M9 1.5l7.5 14h-15z" fill="none" stroke="var(--amber)" strokeWidth="2" strokeLinejoin="round" />
          <path d="M9 6.5v4M9 12.2v1.4" stroke="var(--amber)" strokeWidth="2" />
        </>
      )}
      {(state === 'open' || state === 'half' || state === 'done') && (
        <circle
          cx="9"
          cy="9"
          r="6.6"
          fill={state === 'done' ? 'var(--action)' : 'none'}
          stroke="var(--action)"
          strokeWidth="1.8"
        />
      )}
      {state === 'half' && <path d="M9 2.4a6.6 6.6 0 0 1 0 13.2z" fill="var(--action)" />}
      {state === 'done' && (
        <path d="M5.6 9.2l2.4 2.4 4.4-4.8" fill="none" stroke="var(--on-action)" strokeWidth="1.8" />
      )}
    </svg>
  );
}

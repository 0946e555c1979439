import type { ReactNode } from 'react';

type Props = { done: boolean; disabled?: boolean; onToggle: () => void; children: ReactNode };

/** A line to tick, as large as a gloved thumb. */
export function CheckRow({ done, disabled, onToggle, children }: Props) {
  return (
    <li>
      <button
        type="button"
        role="checkbox"
        aria-checked={done}
        className="check-row"
        disabled={disabled}
        onClick={onToggle}
      >
        <svg width="28" height="28" viewBox="0 0 28 28" aria-hidden="true">
          <rect
            x="2"
            y="2"
            width="24"
            height="24"
            rx="6"
            fill={done ? 'var(--action)' : 'none'}
            stroke="var(--action)"
            strokeWidth="2.5"
          />
          {done && <path d="M8 14.5l4.5 4.5L20.5 10" fill="none" stroke="var(--on-action)" strokeWidth="3" />}
        </svg>
        <span>{children}</span>
      </button>
    </li>
  );
}

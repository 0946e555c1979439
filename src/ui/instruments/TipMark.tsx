/** A small picture of what dropped: the bar with tube and weight, the tube with its camera, or the tube straight up. */
type Props = { axis: 'ra' | 'dec' | 'sideways'; lean: -1 | 0 | 1 };

const DEG = 18;

function Bar() {
  return (
    <>
      <path d="M18 17h24" />
      <circle cx="11" cy="17" r="7" />
      <rect x="42" y="9" width="10" height="16" rx="2" fill="var(--action)" />
    </>
  );
}

function Tube() {
  return (
    <>
      <rect x="6" y="11" width="36" height="12" rx="2" />
      <rect x="42" y="12" width="9" height="10" rx="1" fill="var(--action)" />
      <path d="M24 23v6m-5 0h10" />
    </>
  );
}

function Upright() {
  return (
    <>
      <rect x="23" y="3" width="12" height="28" rx="2" />
      <path d="M23 7h12" />
      <rect x="35" y="12" width="7" height="10" rx="1" fill="var(--action)" />
    </>
  );
}

export function TipMark({ axis, lean }: Props) {
  return (
    <svg width="58" height="34" viewBox="0 0 58 34" aria-hidden="true">
      <g transform={`rotate(${lean * DEG} 29 17)`} stroke="var(--action)" strokeWidth="2.5" fill="none">
        {axis === 'ra' ? <Bar /> : axis === 'dec' ? <Tube /> : <Upright />}
      </g>
    </svg>
  );
}

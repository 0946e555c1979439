/** The mark: two ring eyes with amber pupils and a beak. */
export function Mark({ size = 34 }: { size?: number }) {
  return (
    <svg width={size} height={(size * 24) / 36} viewBox="0 0 36 24" aria-hidden="true">
      <g fill="none" stroke="var(--ink)" strokeWidth="2.4">
        <circle cx="10" cy="11" r="7.6" />
        <circle cx="26" cy="11" r="7.6" />
      </g>
      <circle cx="12" cy="11" r="2.8" fill="var(--amber)" />
      <circle cx="24" cy="11" r="2.8" fill="var(--amber)" />
      <path d="M18 14l2.6 4-2.6 5-2.6-5z" fill="var(--ink)" />
    </svg>
  );
}

/** A star as it will look: as long against its width as the verdict says. */
export function StarShape({ ratio }: { ratio: number }) {
  const rx = Math.min(17, 13 * Math.sqrt(ratio));
  const ry = Math.max(3, rx / Math.min(ratio, 5));
  return (
    <svg width="38" height="34" viewBox="-19 -17 38 34" aria-hidden="true">
      <ellipse rx={rx} ry={ry} fill="var(--ink)" transform="rotate(-20)" />
    </svg>
  );
}

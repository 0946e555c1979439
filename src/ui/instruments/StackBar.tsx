/** One stack as a bar to scale, its pieces side by side, with the wanted distance: rows of them share one scale. */
type Props = {
  pieces: readonly { id: string; lengthMm: number }[];
  shimsMm: readonly number[];
  wantedMm: number;
  /** Of the longest row. */
  longestMm: number;
  withinTolerance: boolean;
};

const [WIDTH, HEIGHT, PIECE] = [600, 34, 22];

export function StackBar({ pieces, shimsMm, wantedMm, longestMm, withinTolerance }: Props) {
  const perMm = (WIDTH - 8) / longestMm;
  const lengths = [...pieces.map((p) => p.lengthMm), ...shimsMm];
  const starts = lengths.map((_, i) => lengths.slice(0, i).reduce((a, b) => a + b, 0));
  const wantedX = wantedMm * perMm;
  return (
    <svg className="stack-bar" viewBox={`-2 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true" preserveAspectRatio="none">
      {lengths.map((mm, i) => (
        <rect
          key={i}
          x={(starts[i] ?? 0) * perMm}
          y={6 + (i % 2) * 2}
          width={Math.max(1.5, mm * perMm)}
          height={PIECE - (i % 2) * 4}
          fill="var(--metal)"
          stroke="var(--ink)"
        />
      ))}
      <path
        d={`M${wantedX} 0V${HEIGHT}`}
        stroke={withinTolerance ? 'var(--moss)' : 'var(--amber)'}
        strokeWidth="3"
        strokeDasharray={withinTolerance ? undefined : '6 4'}
      />
    </svg>
  );
}

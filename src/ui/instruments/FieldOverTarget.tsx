/** The frame on the sky with the target's size in it, to scale. */
type Props = {
  label: string;
  widthDeg: number;
  heightDeg: number;
  /** Null = not known. */
  targetArcmin: number | null;
};

const [WIDTH, HEIGHT, EDGE] = [180, 150, 8];

export function FieldOverTarget({ label, widthDeg, heightDeg, targetArcmin }: Props) {
  const sizeDeg = (targetArcmin ?? 0) / 60;
  // A target wider than the frame sticks out of it, and the frame shrinks.
  const perDeg = Math.min(
    (WIDTH - 2 * EDGE) / Math.max(widthDeg, sizeDeg),
    (HEIGHT - 2 * EDGE) / Math.max(heightDeg, sizeDeg),
  );
  const [w, h] = [widthDeg * perDeg, heightDeg * perDeg];
  return (
    <svg
      className="instrument"
      viewBox={`${-WIDTH / 2} ${-HEIGHT / 2} ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={label}
    >
      <rect x={-w / 2} y={-h / 2} width={w} height={h} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
      {targetArcmin !== null && (
        <circle
          r={(sizeDeg * perDeg) / 2}
          fill="var(--tint)"
          fillOpacity="0.8"
          stroke="var(--action)"
          strokeWidth="2"
        />
      )}
      <path d="M-5 0h10M0 -5v10" stroke="var(--soft)" />
    </svg>
  );
}

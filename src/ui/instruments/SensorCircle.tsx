/** The lit circle with the sensor in it, to scale. */
type Props = { label: string; widthMm: number; heightMm: number; circleMm: number | null };

const SIZE = 180;

export function SensorCircle({ label, widthMm, heightMm, circleMm }: Props) {
  const diagonal = Math.hypot(widthMm, heightMm);
  const scale = (SIZE - 16) / Math.max(diagonal, circleMm ?? 0);
  const [w, h] = [widthMm * scale, heightMm * scale];
  const middle = SIZE / 2;
  return (
    <svg className="small-instrument" viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label}>
      {circleMm !== null && (
        <circle
          cx={middle}
          cy={middle}
          r={(circleMm / 2) * scale}
          fill="var(--tint)"
          stroke="var(--ghost)"
          strokeWidth="2"
        />
      )}
      <rect
        x={middle - w / 2}
        y={middle - h / 2}
        width={w}
        height={h}
        fill="none"
        stroke="var(--action)"
        strokeWidth="3"
      />
      <path
        d={`M${middle - w / 2} ${middle - h / 2}l${w} ${h}`}
        stroke="var(--action)"
        strokeWidth="1"
        strokeDasharray="4 4"
      />
    </svg>
  );
}

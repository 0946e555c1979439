/** From where a piece is to where it should go, with how far. */
export function MoveArrow({ from, to, y, text }: { from: number; to: number; y: number; text: string }) {
  const sense = to >= from ? 1 : -1;
  return (
    <g>
      <path d={`M${from} ${y}H${to - sense * 12}`} stroke="var(--action)" strokeWidth="4" />
      <path d={`M${to} ${y}l${-sense * 14} -8v16z`} fill="var(--action)" />
      <text
        x={Math.max(from, to) + 10}
        y={y + 6}
        textAnchor="start"
        className="figures"
        fontSize="17"
        fontWeight="700"
        fill="var(--ink)"
      >
        {text}
      </text>
    </g>
  );
}

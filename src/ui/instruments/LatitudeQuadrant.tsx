/** The latitude scale as it stands on the mount's side: a quadrant with the mark to set and the last reading. */
type Props = { label: string; setDeg: number; setText: string; readDeg: number | null };

const [CX, CY, R] = [40, 250, 200];

function at(deg: number, radius: number): [number, number] {
  const a = (deg * Math.PI) / 180;
  return [CX + radius * Math.cos(a), CY - radius * Math.sin(a)];
}

function Mark({ deg, colour, width }: { deg: number; colour: string; width: number }) {
  const [x, y] = at(deg, R - 4);
  return <path d={`M${CX} ${CY}L${x} ${y}`} stroke={colour} strokeWidth={width} strokeLinecap="round" />;
}

export function LatitudeQuadrant({ label, setDeg, setText, readDeg }: Props) {
  const [tx, ty] = at(setDeg, R + 34);
  return (
    <svg className="instrument quadrant" viewBox="0 0 330 275" role="img" aria-label={label}>
      <path d={`M${CX + R} ${CY}A${R} ${R} 0 0 0 ${CX} ${CY - R}`} fill="none" stroke="var(--metal)" strokeWidth="16" />
      {Array.from({ length: 19 }, (_, i) => {
        const deg = i * 5;
        const long = deg % 15 === 0;
        const [x1, y1] = at(deg, R - 8);
        const [x2, y2] = at(deg, R + (long ? 8 : 2));
        const [lx, ly] = at(deg, R - 26);
        return (
          <g key={deg}>
            <path d={`M${x1} ${y1}L${x2} ${y2}`} stroke="var(--ink)" strokeWidth={long ? 2 : 1} />
            {long && (
              <text x={lx} y={ly + 5} textAnchor="middle" className="figures" fontSize="15" fill="var(--soft)">
                {deg}
              </text>
            )}
          </g>
        );
      })}
      <path d={`M${CX - 24} ${CY}H${CX + R + 20}`} stroke="var(--ink)" strokeWidth="3" />
      {readDeg !== null && <Mark deg={readDeg} colour="var(--ghost)" width={5} />}
      <Mark deg={setDeg} colour="var(--action)" width={5} />
      <circle cx={CX} cy={CY} r={11} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2.5" />
      <text x={tx} y={ty + 6} textAnchor="middle" className="figures" fontSize="20" fontWeight="700" fill="var(--ink)">
        {setText}
      </text>
    </svg>
  );
}

/** The sky over the site as a map laid on the ground: north up, east to the right, the zenith in the middle. */
export type DomeStar = { key: string; name: string; altDeg: number; azDeg: number; chosen: boolean };
type Props = {
  label: string;
  stars: readonly DomeStar[];
  /** Nothing below this altitude is taken. */
  lowestDeg: number;
};

const SIZE = 320;
const CENTRE = SIZE / 2;
const RADIUS = 130;

function at(altDeg: number, azDeg: number): [number, number] {
  const r = (RADIUS * (90 - altDeg)) / 90;
  const a = (azDeg * Math.PI) / 180;
  return [CENTRE + r * Math.sin(a), CENTRE - r * Math.cos(a)];
}

const POINTS = [
  ['N', 0],
  ['E', 90],
  ['S', 180],
  ['W', 270],
] as const;

export function SkyDome({ label, stars, lowestDeg }: Props) {
  return (
    <svg className="instrument" viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label} style={{ maxWidth: 340 }}>
      <circle cx={CENTRE} cy={CENTRE} r={RADIUS} fill="var(--tint)" stroke="var(--line)" strokeWidth="2" />
      <circle cx={CENTRE} cy={CENTRE} r={(RADIUS * (90 - lowestDeg)) / 90} fill="var(--sheet)" stroke="var(--line)" />
      <path
        d={`M${CENTRE} ${CENTRE - RADIUS}V${CENTRE + RADIUS}`}
        stroke="var(--ghost)"
        strokeWidth="1.5"
        strokeDasharray="2 5"
      />
      <path d={`M${CENTRE - 5} ${CENTRE}h10M${CENTRE} ${CENTRE - 5}v10`} stroke="var(--soft)" />
      {POINTS.map(([name, azDeg]) => {
        const [x, y] = at(-10, azDeg);
        return (
          <text key={name} x={x} y={y + 5} textAnchor="middle" fontSize="15" fill="var(--soft)">
            {name}
          </text>
        );
      })}
      {stars.map((star) => {
        const [x, y] = at(star.altDeg, star.azDeg);
        const side = x > CENTRE ? -1 : 1;
        return (
          <g key={star.key}>
            {star.chosen && <circle cx={x} cy={y} r={11} fill="none" stroke="var(--amber)" strokeWidth="2.5" />}
            <circle cx={x} cy={y} r={4.5} fill={star.chosen ? 'var(--amber)' : 'var(--ink)'} />
            {star.chosen && (
              <text
                x={x + side * 16}
                y={y + 5}
                textAnchor={side < 0 ? 'end' : 'start'}
                fontSize="15"
                fontWeight="700"
                fill="var(--ink)"
              >
                {star.name}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}

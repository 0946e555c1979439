/** The two dials: left the altitude bolt, right the azimuth knobs of this mount. The arc from the mark at the top shows
 *  how far to turn and which way; more than one turn winds on. Within the goal the ring closes and the pupil lights. */
import { arc } from 'd3';

export type TurnDial = {
  name: string;
  /** Turns, unsigned; null = this mount's gain is not known. */
  turns: number | null;
  clockwise: boolean;
  amount: string;
  direction: string;
  /** What the turn does, and by how much, on two short lines. */
  effect: string;
  size: string;
  within: boolean;
};

const R = 118;

function turnArc(turns: number, clockwise: boolean): string {
  const shown = Math.min(turns, 1) * 2 * Math.PI;
  return arc()({ innerRadius: R - 27, outerRadius: R - 13, startAngle: 0, endAngle: clockwise ? shown : -shown }) ?? '';
}

function Eye({ dial, x }: { dial: TurnDial; x: number }) {
  const turns = dial.turns ?? 0;
  const end = (Math.min(turns, 1) % 1) * 360 * (dial.clockwise ? 1 : -1);
  return (
    <g transform={`translate(${x} ${R + 4})`}>
      <circle r={R} fill="var(--sheet)" stroke="var(--line)" strokeWidth="2" />
      {Array.from({ length: 60 }, (_, i) => (
        <path
          key={i}
          d={`M0 ${-R + 4}v${i % 5 === 0 ? 8 : 4}`}
          stroke={i % 5 === 0 ? 'var(--ink)' : 'var(--line)'}
          strokeWidth={i % 15 === 0 ? 3 : 1.5}
          transform={`rotate(${i * 6})`}
        />
      ))}
      <circle r={R - 20} fill="none" stroke={dial.within ? 'var(--moss)' : 'var(--tint)'} strokeWidth="13" />
      {!dial.within && turns > 0 && <path d={turnArc(turns, dial.clockwise)} fill="var(--action)" />}
      {!dial.within && turns > 0.02 && (
        <g transform={`rotate(${end}) translate(0 ${-(R - 20)})`}>
          <path d={dial.clockwise ? 'M-3 -13L15 0L-3 13z' : 'M3 -13L-15 0L3 13z'} fill="var(--action)" />
        </g>
      )}
      <circle cy={-(R - 20)} r={5.5} fill="var(--amber)" />
      <text y={-38} textAnchor="middle" fontSize="18" fill="var(--soft)">
        {dial.name}
      </text>
      {dial.within && <circle cy={-4} r={26} fill="var(--amber)" stroke="var(--ink)" strokeWidth="2" />}
      <text
        y={dial.within ? 48 : dial.amount.length > 6 ? 4 : 10}
        textAnchor="middle"
        className="figures"
        fontSize={dial.amount.length > 6 || dial.within ? 24 : 44}
        fontWeight="700"
        fill="var(--ink)"
      >
        {dial.amount}
      </text>
      {!dial.within && (
        <text y={36} textAnchor="middle" fontSize="19" fontWeight="700" fill="var(--ink)">
          {dial.direction}
        </text>
      )}
      <text y={dial.within ? 68 : 58} textAnchor="middle" fontSize="16" fill="var(--soft)">
        {dial.effect}
      </text>
      <text y={dial.within ? 86 : 78} textAnchor="middle" fontSize="16" fill="var(--soft)">
        {dial.size}
      </text>
    </g>
  );
}

export function TurnDials({ label, altitude, azimuth }: { label: string; altitude: TurnDial; azimuth: TurnDial }) {
  return (
    <svg
      className="instrument"
      viewBox={`0 0 ${4 * R + 60} ${2 * R + 8}`}
      role="img"
      aria-label={label}
      style={{ maxWidth: 560 }}
    >
      <Eye dial={altitude} x={R + 4} />
      <path d={`M${2 * R + 30} ${R + 36}l13 26l-13 26l-13 -26z`} fill="var(--metal)" />
      <Eye dial={azimuth} x={3 * R + 56} />
    </svg>
  );
}

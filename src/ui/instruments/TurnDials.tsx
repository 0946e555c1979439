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

/** What is written in the eye; within the goal the pupil lights instead of the amount. */
function EyeWords({ dial }: { dial: TurnDial }) {
  const small = dial.within || dial.amount.length > 6;
  const amountY = dial.within ? 48 : small ? 4 : 10;
  return (
    <g textAnchor="middle" fontSize="18" fill="var(--soft)">
      <text y={-38}>{dial.name}</text>
      {dial.within && <circle cy={-4} r={26} fill="var(--amber)" stroke="var(--ink)" strokeWidth="2" />}
      <text y={amountY} className="figures" fontSize={small ? 24 : 44} fontWeight="700" fill="var(--ink)">
        {dial.amount}
      </text>
      {!dial.within && (
        <text y={36} fontSize="19" fontWeight="700" fill="var(--ink)">
          {dial.direction}
        </text>
      )}
      <text y={dial.within ? 68 : 58}>{dial.effect}</text>
      <text y={dial.within ? 88 : 79}>{dial.size}</text>
    </g>
  );
}

function TurnArc({ turns, clockwise }: { turns: number; clockwise: boolean }) {
  const end = (Math.min(turns, 1) % 1) * 360 * (clockwise ? 1 : -1);
  return (
    <>
      <path d={turnArc(turns, clockwise)} fill="var(--action)" />
      {turns > 0.02 && (
        <g transform={`rotate(${end}) translate(0 ${-(R - 20)})`}>
          <path d={clockwise ? 'M-3 -13L15 0L-3 13z' : 'M3 -13L-15 0L3 13z'} fill="var(--action)" />
        </g>
      )}
    </>
  );
}

function Eye({ dial, x }: { dial: TurnDial; x: number }) {
  const turns = dial.turns ?? 0;
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
      {!dial.within && turns > 0 && <TurnArc turns={turns} clockwise={dial.clockwise} />}
      <circle cy={-(R - 20)} r={5.5} fill="var(--amber)" />
      <EyeWords dial={dial} />
    </g>
  );
}

/** One dial alone: a knob that is turned on and on. */
export function OneDial({ label, dial }: { label: string; dial: TurnDial }) {
  return (
    <svg
      className="instrument"
      viewBox={`0 0 ${2 * R + 8} ${2 * R + 8}`}
      role="img"
      aria-label={label}
      style={{ maxWidth: 280 }}
    >
      <Eye dial={dial} x={R + 4} />
    </svg>
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

/** A tape along the bar or the tube, in the user's unit, counting from the edge that the user measures from. The shaded
 *  part is where the piece can stand. */
import { range } from 'd3';
import type { Tape } from '../../core/mount/tape.ts';
import { fromDisplay, toDisplay, unitOf } from '../../core/units/quantities.ts';
import type { Format } from '../../text/format.ts';

type Props = {
  /** Pixels of a place along the line. */
  x: (placeM: number) => number;
  y: number;
  tape: Tape;
  /** How far the tape reaches from its zero. */
  lengthM: number;
  /** Positions of the piece. */
  rangeM: readonly [number, number];
  markM: number | null;
  /** Between these the piece balances, by the answers so far. */
  likelyM: readonly [number, number] | null;
  caption: string;
  /** Of the drawing: nothing is written past it. */
  widthPx: number;
  format: Format;
};

/** At the caption's size. */
const PX_PER_LETTER = 7;
/** Tick spacing and label spacing in the shown unit. */
const STEPS = { metric: { tick: 10, label: 50 }, imperial: { tick: 0.5, label: 2 } };

function Band({ from, to, y, height, fill }: { from: number; to: number; y: number; height: number; fill: string }) {
  return <rect x={Math.min(from, to)} y={y} width={Math.abs(to - from)} height={height} fill={fill} />;
}

export function Ruler({ x, y, tape, lengthM, rangeM, markM, likelyM, caption, widthPx, format }: Props) {
  const { tick, label: usual } = STEPS[format.system];
  const placeOf = (readingM: number): number => tape.originM + tape.sense * readingM;
  const edge = (positionM: number): number => x(positionM + tape.edgeM);
  const labelPx = Math.abs(x(fromDisplay(usual, 'barLength', format.system)) - x(0));
  const label = labelPx < 34 ? usual * 2 : usual;
  const count = Math.floor(toDisplay(lengthM, 'barLength', format.system) / tick + 1e-6);
  const every = Math.round(label / tick);
  const [zero, end] = [x(placeOf(0)), x(placeOf(lengthM))];
  const [left, right] = [Math.min(zero, end), Math.max(zero, end)];
  const words = `${unitOf('barLength', format.system).symbol} ${caption}`;
  const wordsPx = words.length * PX_PER_LETTER;
  const fits = right >= wordsPx;
  return (
    <g>
      <Band from={edge(rangeM[0])} to={edge(rangeM[1])} y={y} height={6} fill="var(--tint)" />
      {likelyM && (
        <path
          d={`M${edge(likelyM[0])} ${y - 3}H${edge(likelyM[1])}`}
          stroke="var(--action)"
          strokeWidth="4"
          strokeDasharray="3 3"
        />
      )}
      <path d={`M${zero} ${y}H${end}`} stroke="var(--ink)" />
      {range(0, count + 1).map((i) => {
        const at = x(placeOf(fromDisplay(i * tick, 'barLength', format.system)));
        const isLabel = i % every === 0;
        return (
          <g key={i}>
            <path d={`M${at} ${y}v${isLabel ? 16 : 8}`} stroke="var(--soft)" />
            {isLabel && (
              <text x={at} y={y + 32} textAnchor="middle" className="mono-axis" fill="var(--soft)">
                {i * tick}
              </text>
            )}
          </g>
        );
      })}
      {markM !== null && <path d={`M${edge(markM)} ${y - 5}l-6 -10h12z`} fill="var(--action)" />}
      <text
        x={fits ? right : Math.max(4, Math.min(left, widthPx - wordsPx - 4))}
        y={y + 52}
        textAnchor={fits ? 'end' : 'start'}
        fontSize="13"
        fill="var(--soft)"
      >
        {words}
      </text>
    </g>
  );
}

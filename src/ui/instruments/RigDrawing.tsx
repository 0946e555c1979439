/** A rig to scale in one of two views: from behind with the bar level, or from the side with the weights down. Each piece is
 *  tapped to choose it, and dragged or moved with the arrow keys; hatched = mass or place is a guess. */
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Format } from '../../text/format.ts';
import { useWidth } from '../useWidth.ts';
import { Guessed } from './Guessed.tsx';
import { labelsInRows, type Label } from './railLayout.ts';

export type RigAxis = 'fromRaAxisM' | 'alongTubeM' | 'sidewaysM';
export type DrawnPiece = {
  id: string;
  name: string;
  massKg: number | null;
  /** Middle of the piece, m: from the polar axis (tube's side plus), along the tube (front plus), across it. */
  fromAxisM: number;
  alongM: number;
  sidewaysM: number;
  halfM: { fromAxis: number; along: number; sideways: number };
  /** Along which it may be moved. */
  axes: readonly RigAxis[];
  /** Seen end on it is round. */
  round: boolean;
  heavy: boolean;
  guessed: boolean;
};
export type RigView = 'behind' | 'side';
/** A piece moved by an amount along one of the rig's axes. */
export type RigMove = { id: string; key: RigAxis; byM: number };

type Props = {
  view: RigView;
  label: string;
  words: { left: string; right: string };
  pieces: readonly DrawnPiece[];
  chosen: string | null;
  format: Format;
  choose: (id: string) => void;
  move: (move: RigMove) => void;
};

const NARROWEST = 300;
const MARGIN_PX = 26;
const TALLEST_PX = 420;
const STEP_M = 0.005;
const SMALLEST_TOUCH_PX = 22;
/** Shorter drags are taps. */
const TAP_PX = 4;
/** Numbers stand in rows above; the buttons below name them. */
const ROW_PX = 17;
/** A head without a tube is drawn with a short saddle. */
const MOST_M = 0.1;

/** Which of the rig's axes a view shows to the right and upward; tube's side and front are on the left. */
const AXES: Record<RigView, { left: RigAxis; up: RigAxis }> = {
  behind: { left: 'fromRaAxisM', up: 'sidewaysM' },
  side: { left: 'alongTubeM', up: 'fromRaAxisM' },
};
const MIDDLE: Record<RigAxis, (p: DrawnPiece) => number> = {
  fromRaAxisM: (p) => p.fromAxisM,
  alongTubeM: (p) => p.alongM,
  sidewaysM: (p) => p.sidewaysM,
};
const HALF: Record<RigAxis, (p: DrawnPiece) => number> = {
  fromRaAxisM: (p) => p.halfM.fromAxis,
  alongTubeM: (p) => p.halfM.along,
  sidewaysM: (p) => p.halfM.sideways,
};

type Scale = { x: (leftM: number) => number; y: (upM: number) => number; perM: number; width: number; height: number };

/** Everything fits, at one scale for both directions. */
function scaleOf(pieces: readonly DrawnPiece[], view: RigView, width: number, topPx: number): Scale {
  const { left, up } = AXES[view];
  const edge = (axis: RigAxis, side: 1 | -1): number =>
    Math.max(0.06, ...pieces.map((p) => side * MIDDLE[axis](p) + HALF[axis](p)));
  const [l, r, t, b] = [edge(left, 1), edge(left, -1), edge(up, 1), edge(up, -1)];
  const perM = Math.min((width - 2 * MARGIN_PX) / (l + r), (TALLEST_PX - 2 * MARGIN_PX) / (t + b));
  const spare = (width - 2 * MARGIN_PX - perM * (l + r)) / 2;
  return {
    x: (leftM) => MARGIN_PX + spare + (l - leftM) * perM,
    y: (upM) => topPx + MARGIN_PX + (t - upM) * perM,
    perM,
    width,
    height: topPx + 2 * MARGIN_PX + (t + b) * perM,
  };
}

type PieceProps = { piece: DrawnPiece; view: RigView; scale: Scale; chosen: boolean; label: string } & Pick<
  Props,
  'choose' | 'move'
>;

type Carried = Omit<RigMove, 'id'> | null;
type Held = { x: number; y: number; perPx: number };

/** Where a finger or the arrow keys have carried a piece that is not let go yet. */
function useCarried({ piece, view, scale, choose, move }: Omit<PieceProps, 'chosen' | 'label'>) {
  const [carried, setCarried] = useState<Carried>(null);
  // What is let go is where the hand was last, drawn or not.
  const latest = useRef<Carried>(null);
  const carry = (to: Carried): void => {
    latest.current = to;
    setCarried(to);
  };
  const held = useRef<Held | null>(null);
  const { left, up } = AXES[view];
  const begin = (event: PointerEvent<SVGGElement>): void => {
    const svg = event.currentTarget.ownerSVGElement;
    if (!svg) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const perPx = svg.viewBox.baseVal.width / svg.getBoundingClientRect().width / scale.perM;
    held.current = { x: event.clientX, y: event.clientY, perPx };
    choose(piece.id);
  };
  const drag = (event: PointerEvent): void => {
    if (!held.current) return;
    const [dx, dy] = [event.clientX - held.current.x, event.clientY - held.current.y];
    if (Math.hypot(dx, dy) < TAP_PX) return;
    const [key, px] = Math.abs(dx) >= Math.abs(dy) ? [left, -dx] : [up, -dy];
    if (!piece.axes.includes(key)) return;
    carry({ key, byM: Math.round(px * held.current.perPx * 1000) / 1000 });
  };
  const letGo = (): void => {
    held.current = null;
    const moved = latest.current;
    carry(null);
    if (moved && moved.byM !== 0) move({ id: piece.id, ...moved });
  };
  const nudge = (event: KeyboardEvent): void => {
    if (event.key === 'Enter' || event.key === ' ') choose(piece.id);
    const step = STEP_M * (event.shiftKey ? 0.2 : 1);
    const moves: Record<string, [RigAxis, number]> = {
      ArrowLeft: [left, step],
      ArrowRight: [left, -step],
      ArrowUp: [up, step],
      ArrowDown: [up, -step],
    };
    const found = moves[event.key];
    if (!found && event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    if (!found) return;
    const [key, byM] = found;
    if (!piece.axes.includes(key)) return;
    const before = latest.current;
    carry({ key, byM: (before?.key === key ? before.byM : 0) + byM });
  };
  const putBack = (): void => {
    held.current = null;
    carry(null);
  };
  return { carried, begin, drag, letGo, nudge, putBack };
}

function Piece({ piece, view, scale, chosen, label, choose, move }: PieceProps) {
  const { carried, begin, drag, letGo, nudge, putBack } = useCarried({ piece, view, scale, choose, move });
  const { left, up } = AXES[view];
  const by = (axis: RigAxis): number => (carried?.key === axis ? carried.byM : 0);
  const [w, h] = [2 * HALF[left](piece) * scale.perM, 2 * HALF[up](piece) * scale.perM];
  const [cx, cy] = [scale.x(MIDDLE[left](piece) + by(left)), scale.y(MIDDLE[up](piece) + by(up))];
  const box = { x: cx - w / 2, y: cy - h / 2, width: w, height: h, rx: piece.round && view === 'behind' ? w / 2 : 4 };
  const [tw, th] = [Math.max(w, SMALLEST_TOUCH_PX), Math.max(h, SMALLEST_TOUCH_PX)];
  return (
    <g
      className="rail-handle"
      role="button"
      tabIndex={0}
      aria-pressed={chosen}
      aria-label={label}
      onPointerDown={begin}
      onPointerMove={drag}
      onPointerUp={letGo}
      onPointerCancel={putBack}
      onKeyDown={nudge}
      onKeyUp={letGo}
      onBlur={letGo}
    >
      <rect x={cx - tw / 2} y={cy - th / 2} width={tw} height={th} fill="transparent" />
      <rect
        {...box}
        fill={piece.heavy ? 'var(--ghost)' : 'var(--tint)'}
        stroke={chosen ? 'var(--amber)' : 'var(--ink)'}
        strokeWidth={chosen ? 4 : 1.5}
      />
      {piece.guessed && <Guessed {...box} />}
    </g>
  );
}

/** Numbers in rows at the top, each with a line down to its piece. */
function Numbers({ labels, yOf }: { labels: readonly Label[]; yOf: (key: string) => number }) {
  return (
    <g fontSize="13" className="figures" aria-hidden="true">
      {labels.map(({ key, fromX, row }) => (
        <path key={key} d={`M${fromX} ${(row + 1) * ROW_PX}V${yOf(key)}`} stroke="var(--line)" strokeWidth="1" />
      ))}
      {labels.map(({ key, x, text, row }) => (
        <text
          key={key}
          x={x}
          y={(row + 1) * ROW_PX - 4}
          textAnchor="middle"
          fill="var(--ink)"
          stroke="var(--paper)"
          strokeWidth="5"
          paintOrder="stroke"
        >
          {text}
        </text>
      ))}
    </g>
  );
}

/** The head, the declination axis out to what hangs on it, and what it stands on. */
function Head({ view, scale, nearestM }: { view: RigView; scale: Scale; nearestM: number }) {
  const [x, y] = [scale.x(0), scale.y(0)];
  const size = Math.max(10, 0.05 * scale.perM);
  const [sx, sy] = view === 'behind' ? [scale.x(nearestM), y] : [x, scale.y(nearestM)];
  return (
    <g>
      {view === 'behind' && <path d={`M${x} ${y}V${scale.height}`} stroke="var(--line)" strokeWidth={size} />}
      <path d={`M${x} ${y}L${sx} ${sy}`} stroke="var(--line)" strokeWidth={size} />
      <rect
        x={x - size}
        y={y - size}
        width={2 * size}
        height={2 * size}
        rx="6"
        fill="var(--sheet)"
        stroke="var(--line)"
        strokeWidth="2"
      />
      <circle cx={x} cy={y} r="4" fill="var(--ink)" />
    </g>
  );
}

export function RigDrawing({ view, label, words, pieces, chosen, format, choose, move }: Props) {
  const [ref, measured] = useWidth<HTMLDivElement>(520);
  const width = Math.max(NARROWEST, measured);
  const { left, up } = AXES[view];
  // Where the numbers stand does not depend on how much room they take above.
  const flat = scaleOf(pieces, view, width, 0);
  const labels = labelsInRows(
    pieces.map((p, at) => {
      const fromX = flat.x(MIDDLE[left](p));
      return { key: p.id, fromX, x: fromX, text: String(at + 1) };
    }),
  );
  const rows = Math.max(0, ...labels.map((l) => l.row + 1));
  const scale = scaleOf(pieces, view, width, rows * ROW_PX);
  const nearestM = Math.min(...[MOST_M, ...pieces.map((p) => p.fromAxisM)].filter((m) => m > 0));
  const topOf = (id: string): number => {
    const piece = pieces.find((p) => p.id === id);
    return piece ? scale.y(MIDDLE[up](piece) + HALF[up](piece)) : 0;
  };
  const spoken = (p: DrawnPiece): string =>
    [p.name, ...(p.massKg === null ? [] : [format.quantity(p.massKg, 'mass')]), ...(p.guessed ? ['a guess'] : [])].join(
      ', ',
    );
  return (
    <div ref={ref}>
      <svg
        className="instrument"
        viewBox={`0 0 ${width} ${scale.height + 22}`}
        role="group"
        aria-label={label}
        style={{ touchAction: 'pan-y' }}
      >
        <Numbers labels={labels} yOf={topOf} />
        <Head view={view} scale={scale} nearestM={nearestM} />
        {pieces.map((piece) => (
          <Piece
            key={piece.id}
            piece={piece}
            view={view}
            scale={scale}
            chosen={piece.id === chosen}
            label={spoken(piece)}
            choose={choose}
            move={move}
          />
        ))}
        <g fontSize="13" fill="var(--soft)">
          <text x={2} y={scale.height + 16}>
            {words.left}
          </text>
          <text x={width - 2} y={scale.height + 16} textAnchor="end">
            {words.right}
          </text>
        </g>
      </svg>
    </div>
  );
}

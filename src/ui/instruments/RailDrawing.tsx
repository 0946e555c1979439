/** Pieces on a rail, to scale along it: the lever across the polar axis, or the tube on its saddle. Each piece is as large
 *  as its mass; those that may move are dragged, or moved with the arrow keys. Plus is on the left. */
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Format } from '../../text/format.ts';
import { useWidth } from '../useWidth.ts';
import { Guessed } from './Guessed.tsx';
import {
  limited,
  pieceLabel,
  labelsInRows,
  together,
  viewOf,
  type Group,
  type Label,
  type RailMark,
  type RailPiece,
  type View,
} from './railLayout.ts';

/** A drag in progress: the pieces that move together, and by how much. */
export type RailDrag = { ids: readonly string[]; byM: number };
type Props = {
  label: string;
  pieces: readonly RailPiece[];
  marks: readonly RailMark[];
  words: { left: string; right: string; axis: string };
  format: Format;
  /** Pieces being dragged keep together and apart from the others. */
  dragged: ReadonlySet<string>;
  /** Called on every move; null when nothing may be moved. */
  onDrag: ((drag: RailDrag) => void) | null;
  /** Called once, when the piece is let go. */
  onDrop: (drag: RailDrag) => void;
};

const NARROWEST = 300;
/** Narrower than this the names have no room: masses alone, names in the list below. */
const ROOM_FOR_NAMES_PX = 460;
/** The rail lies at y = 0. Below it: the axis' foot, its name, the names of the sides. */
const BELOW_PX = 80;
/** Above it: half of the largest piece, then rows of labels. */
const FIRST_ROW_PX = 50;
const ROW_PX = 19;
const FEWEST_ROWS = 2;
const SMALLEST_TOUCH_PX = 22;
/** Arrow keys move a piece by this much, with Shift by a fifth of it. */
const KEY_STEP_M = 0.005;
/** Area grows with the mass. */
const radiusPx = (massKg: number): number => 5 + 12 * Math.sqrt(Math.min(massKg, 12));

/** Lines first, so that no line runs over another piece's words. */
function Labels({ labels }: { labels: readonly Label[] }) {
  const yOf = (row: number): number => -FIRST_ROW_PX - row * ROW_PX;
  return (
    <>
      {labels.map(({ key, fromX, row }) => (
        <path key={key} d={`M${fromX} ${yOf(row) + 5}V0`} stroke="var(--soft)" strokeWidth="1" />
      ))}
      {labels.map(({ key, x, text, row }) => (
        <text
          key={key}
          x={x}
          y={yOf(row)}
          textAnchor="middle"
          className="figures"
          fontSize="14"
          fill="var(--ink)"
          stroke="var(--paper)"
          strokeWidth="5"
          paintOrder="stroke"
        >
          {text}
        </text>
      ))}
    </>
  );
}

function Shape({ group, view }: { group: Group; view: View }) {
  const radius = radiusPx(group.massKg) * (group.round ? 1 : 0.9);
  const box = {
    x: view.x(group.atM) - radius,
    y: -radius,
    width: 2 * radius,
    height: 2 * radius,
    rx: group.round ? radius : 5,
  };
  return (
    <>
      <rect {...box} fill={group.round ? 'var(--tint)' : 'var(--ghost)'} stroke="var(--ink)" strokeWidth="2" />
      {group.guessed && <Guessed {...box} />}
    </>
  );
}

type HandleProps = {
  group: Group;
  held: boolean;
  view: View;
  format: Format;
  begin: (event: PointerEvent<SVGGElement>) => void;
  nudge: (byM: number) => void;
  letGo: () => void;
};

/** A piece that can be moved: a slider for hands, keys and screen readers. */
function Handle({ group, held, view, format, begin, nudge, letGo }: HandleProps) {
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = KEY_STEP_M * (event.shiftKey ? 0.2 : 1);
    const byM = { ArrowLeft: step, ArrowUp: step, ArrowRight: -step, ArrowDown: -step }[event.key];
    if (byM === undefined) return;
    event.preventDefault();
    nudge(byM);
  };
  const touch = Math.max(SMALLEST_TOUCH_PX, radiusPx(group.massKg));
  return (
    <g
      className="rail-handle"
      role="slider"
      tabIndex={0}
      aria-label={`Move ${group.names.join(', ')}`}
      aria-valuenow={Math.round(group.atM * 1000)}
      aria-valuetext={format.quantity(group.atM, 'barLength')}
      onPointerDown={begin}
      onKeyDown={onKeyDown}
      onKeyUp={letGo}
      onBlur={letGo}
    >
      <circle cx={view.x(group.atM)} cy={0} r={touch} fill="transparent" />
      <Shape group={group} view={view} />
      <path d={`M${view.x(group.atM) - 4} -4v8m4 -8v8m4 -8v8`} stroke="var(--soft)" strokeWidth="1.5" fill="none" />
      {held && (
        <text
          x={view.textX(group.atM, format.quantity(group.atM, 'barLength'))}
          y={touch + 18}
          textAnchor="middle"
          className="figures"
          fontSize="16"
          fontWeight="700"
          fill="var(--ink)"
          stroke="var(--paper)"
          strokeWidth="5"
          paintOrder="stroke"
        >
          {format.quantity(Math.abs(group.atM), 'barLength')}
        </text>
      )}
    </g>
  );
}

function Rail({ view, width, words }: { view: View; width: number; words: Props['words'] }) {
  return (
    <>
      <path d={`M14 0H${width - 14}`} stroke="var(--metal)" strokeWidth="8" strokeLinecap="round" />
      <path d={`M${view.x(0)} 0l-14 38h28z`} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
      <text x={view.x(0)} y={54} textAnchor="middle" fontSize="13" fill="var(--soft)">
        {words.axis}
      </text>
      <text x={4} y={BELOW_PX - 6} fontSize="13" fill="var(--soft)">
        {words.left}
      </text>
      <text x={width - 4} y={BELOW_PX - 6} textAnchor="end" fontSize="13" fill="var(--soft)">
        {words.right}
      </text>
    </>
  );
}

function Mark({ mark, view }: { mark: RailMark; view: View }) {
  const x = view.x(mark.atM);
  return (
    <>
      <path d={`M${x} -40V38`} stroke="var(--amber)" strokeWidth="2" strokeDasharray="5 4" />
      <text x={x} y={54} textAnchor="middle" fontSize="13" fill="var(--soft)">
        {mark.text}
      </text>
    </>
  );
}

type Grip = { ids: string[]; fromX: number; perM: number; pieces: readonly RailPiece[]; last: RailDrag };

type GripProps = Pick<Props, 'pieces' | 'onDrag' | 'onDrop'> & { view: View };

/** Moving by pointer or by keys: on every step `onDrag`, once at the end `onDrop`. The svg keeps the pointer, so that a piece may pass over another one; the scale stays while a
 *  piece is held, or the piece would run away from the finger. */
function useGrip({ pieces, view: fresh, onDrag, onDrop }: GripProps) {
  const grip = useRef<Grip | null>(null);
  const [frozen, freeze] = useState<View | null>(null);
  const view = frozen ?? fresh;
  const begin = (ids: string[], event: PointerEvent<SVGGElement>): void => {
    const svg = event.currentTarget.ownerSVGElement;
    if (!onDrag || !svg) return;
    event.preventDefault();
    event.currentTarget.focus();
    svg.setPointerCapture(event.pointerId);
    // The drawing shrinks with its box, so a pixel on the screen is not always one of the drawing.
    const scale = svg.getBoundingClientRect().width / svg.viewBox.baseVal.width;
    grip.current = { ids, fromX: event.clientX, perM: view.perM * scale, pieces, last: { ids, byM: 0 } };
    freeze(view);
  };
  const move = (event: PointerEvent): void => {
    const held = grip.current;
    if (!held || !onDrag) return;
    const byM = Math.round(((held.fromX - event.clientX) / held.perM) * 1000) / 1000;
    held.last = { ids: held.ids, byM: limited(held.pieces, held.ids, byM) };
    onDrag(held.last);
  };
  /** A key that is held moves on; the piece is let go with the key. */
  const nudge = (ids: string[], byM: number): void => {
    if (!onDrag) return;
    const held = grip.current ?? { ids, fromX: 0, perM: view.perM, pieces, last: { ids, byM: 0 } };
    held.last = { ids: held.ids, byM: limited(held.pieces, held.ids, held.last.byM + byM) };
    grip.current = held;
    freeze(view);
    onDrag(held.last);
  };
  const release = (): Grip | null => {
    const held = grip.current;
    grip.current = null;
    freeze(null);
    return held;
  };
  const end = (): void => {
    const held = release();
    if (held) onDrop(held.last);
  };
  // The browser took the finger for scrolling: the piece goes back.
  const cancel = (): void => {
    const held = release();
    if (held) onDrop({ ids: held.ids, byM: 0 });
  };
  return { view, begin, move, nudge, end, cancel };
}

export function RailDrawing({ label, pieces, marks, words, format, dragged, onDrag, onDrop }: Props) {
  const [ref, measured] = useWidth<HTMLDivElement>(680);
  const width = Math.max(NARROWEST, measured);
  const grip = useGrip({ pieces, view: viewOf(pieces, marks, width), onDrag, onDrop });
  const { view } = grip;
  const groups = together(pieces, dragged);
  const named = width >= ROOM_FOR_NAMES_PX;
  const textOf = (g: Group): string => {
    const mass = format.quantity(g.massKg, 'mass', 1);
    return named ? pieceLabel(g.names, mass) : mass;
  };
  const labels = labelsInRows(
    groups.map((g) => ({
      key: g.key,
      x: view.textX(g.atM, textOf(g)),
      fromX: view.x(g.atM),
      text: textOf(g),
    })),
  );
  const rows = Math.max(FEWEST_ROWS, ...labels.map((label) => label.row + 1));
  const above = FIRST_ROW_PX + rows * ROW_PX;
  return (
    <div ref={ref}>
      <svg
        className="instrument"
        viewBox={`0 ${-above} ${width} ${above + BELOW_PX}`}
        role="group"
        aria-label={label}
        onPointerMove={grip.move}
        onPointerUp={grip.end}
        onPointerCancel={grip.cancel}
      >
        <Rail view={view} width={width} words={words} />
        {marks.map((mark) => (
          <Mark key={mark.text} mark={mark} view={view} />
        ))}
        <Labels labels={labels} />
        {groups.map((group) =>
          group.free && onDrag ? (
            <Handle
              key={group.key}
              group={group}
              held={dragged.has(group.key)}
              view={view}
              format={format}
              begin={(event) => grip.begin(group.ids, event)}
              nudge={(byM) => grip.nudge(group.ids, byM)}
              letGo={grip.end}
            />
          ) : (
            <Shape key={group.key} group={group} view={view} />
          ),
        )}
      </svg>
    </div>
  );
}

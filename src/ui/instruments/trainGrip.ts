/** Taking a piece of a drawn train and putting it elsewhere: by pointer along the drawing, by arrow keys one place at a time. */
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';

export type DrawnPiece = { fromX: number; toX: number };
type Held = { index: number; startX: number; perPx: number; byX: number };
/** A tap that trembles is no move. */
const LEAST_MOVE_PX = 6;

/** Where a piece dragged by so much comes to stand: before the first one whose middle it has not passed. */
export function placeOf(pieces: readonly DrawnPiece[], index: number, byX: number): number {
  const middle = (p: DrawnPiece): number => (p.fromX + p.toX) / 2;
  const one = pieces[index];
  if (!one || Math.abs(byX) < LEAST_MOVE_PX) return index;
  const at = byX < 0 ? one.fromX + byX : one.toX + byX;
  if (byX < 0) {
    const first = pieces.findIndex((p, i) => i < index && at < middle(p));
    return first === -1 ? index : first;
  }
  const last = pieces.findLastIndex((p, i) => i > index && at > middle(p));
  return last === -1 ? index : last;
}

type Props = { pieces: readonly DrawnPiece[]; onMove: ((from: number, to: number) => void) | undefined };

function onePlaceOn(index: number, event: KeyboardEvent, count: number, onMove: Props['onMove']): void {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  if (by === undefined || !onMove) return;
  event.preventDefault();
  const to = index + by;
  if (to >= 0 && to < count) onMove(index, to);
}

/** The svg keeps the pointer, so that a piece may pass over others. */
export function useTrainGrip({ pieces, onMove }: Props) {
  const grip = useRef<Held | null>(null);
  const [held, show] = useState<Held | null>(null);
  const release = (): Held | null => {
    const last = grip.current;
    grip.current = null;
    show(null);
    return last;
  };
  return {
    held,
    begin: (index: number, event: PointerEvent<SVGGElement>): void => {
      const svg = event.currentTarget.ownerSVGElement;
      if (!onMove || !svg) return;
      event.preventDefault();
      event.currentTarget.focus();
      svg.setPointerCapture(event.pointerId);
      const perPx = svg.viewBox.baseVal.width / svg.getBoundingClientRect().width;
      grip.current = { index, startX: event.clientX, perPx, byX: 0 };
    },
    move: (event: PointerEvent): void => {
      const now = grip.current;
      if (!now) return;
      grip.current = { ...now, byX: (event.clientX - now.startX) * now.perPx };
      show(grip.current);
    },
    end: (): void => {
      const last = release();
      if (!last || !onMove) return;
      const to = placeOf(pieces, last.index, last.byX);
      if (to !== last.index) onMove(last.index, to);
    },
    // The browser took the finger for scrolling: the piece goes back.
    cancel: (): void => void release(),
    keys: (index: number, event: KeyboardEvent): void => onePlaceOn(index, event, pieces.length, onMove),
  };
}

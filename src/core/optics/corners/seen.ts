/** What the eye sees of the stars at five places of a frame, and how it lies to the frame's middle.
 *  Source: plane geometry; places and sticks as the frame is displayed. */
import type { PLACES, STICKS } from '../../records/corners.ts';

export type Place = (typeof PLACES)[number];
export type Corner = Exclude<Place, 'centre'>;
export const CORNERS: readonly Corner[] = ['topLeft', 'topRight', 'bottomLeft', 'bottomRight'];

export type Stick = (typeof STICKS)[number];
export type SeenStar = { stick: Stick; strong: boolean };
export type SeenFrame = Record<Place, SeenStar>;

/** The stick that points at the middle from a corner. */
const TOWARD_MIDDLE: Record<Corner, Stick> = {
  topLeft: 'falling',
  topRight: 'rising',
  bottomLeft: 'rising',
  bottomRight: 'falling',
};

export type Lie = 'round' | 'along' | 'across' | 'aslant';

/** How a corner's star lies: along the radius, across it, or neither. */
export function lieOf(corner: Corner, { stick }: SeenStar): Lie {
  if (stick === 'round') return 'round';
  if (stick === 'level' || stick === 'upright') return 'aslant';
  return stick === TOWARD_MIDDLE[corner] ? 'along' : 'across';
}

/** 0 round, 1 slight, 2 strong. */
export const strengthOf = ({ stick, strong }: SeenStar): number => (stick === 'round' ? 0 : strong ? 2 : 1);

/** Mean over the corners, + = along the radius, from -2 (all strong across) to 2 (all strong along). */
export function leanOf(frame: SeenFrame): number {
  const signs: Record<Lie, number> = { round: 0, aslant: 0, along: 1, across: -1 };
  const sum = CORNERS.reduce((total, c) => total + signs[lieOf(c, frame[c])] * strengthOf(frame[c]), 0);
  return sum / CORNERS.length;
}

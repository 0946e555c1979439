/** Threads that are longer than the hole that takes them: the orders of a set of pieces differ by the gaps that stay open. */
import { isSameThread } from '../threads.ts';
import { standsOffMm, type BoxPiece, type JointEnd, type StackEnds } from './joints.ts';
import { firstOrder, screwsTogether, type Taken } from './trail.ts';

/** An order of a set and its open gaps, mm. `lastMm`: the one before the camera, which shims lie in. */
export type Order = { ids: string[]; gapsMm: number; lastMm: number };

/** The widest gap that two ends of these can leave, mm; 0 = thread lengths play no part. */
export function widestGapMm(box: readonly BoxPiece[], { correctorRear, cameraFront }: StackEnds): number {
  const behind = [cameraFront, ...box.map((p) => p.front)];
  const meets = (one: JointEnd, other: JointEnd): boolean =>
    one.gender !== other.gender && isSameThread(one.thread, other.thread);
  return [correctorRear, ...box.map((p) => p.rear)]
    .flatMap((one) => behind.filter((other) => meets(one, other)).map((other) => standsOffMm(one, other)))
    .reduce((widest, mm) => Math.max(widest, mm), 0);
}

/** Orders looked at for one set. */
const MOST_ORDERS = 2000;

/** The orders of a set by their gaps, of equal gaps the one that comes first by its ids. With many pieces not all are tried.
 *  @param taken a set that screws together. */
export function ordersOf(taken: readonly Taken[], ends: StackEnds): Order[] {
  const left = taken
    .filter((t) => t.count > 0)
    .map((t) => ({ ...t }))
    .sort((a, b) => (a.way.piece.id < b.way.piece.id ? -1 : 1));
  const found = new Map<string, Order>();
  let tries = MOST_ORDERS;
  const go = (ids: string[], open: JointEnd, at: string, gapsMm: number, more: number): void => {
    if (more === 0) {
      tries -= 1;
      const lastMm = standsOffMm(open, ends.cameraFront);
      const key = `${gapsMm.toFixed(6)} ${lastMm.toFixed(6)}`;
      if (!found.has(key)) found.set(key, { ids, gapsMm, lastMm });
      return;
    }
    for (const one of left) {
      if (tries <= 0) return;
      if (one.count === 0 || one.way.from !== at) continue;
      const { piece, to } = one.way;
      one.count -= 1;
      if (screwsTogether(left, { from: to, to: ends.to }))
        go([...ids, piece.id], piece.rear, to, gapsMm + standsOffMm(open, piece.front), more - 1);
      one.count += 1;
    }
  };
  const pieces = left.reduce((sum, t) => sum + t.count, 0);
  go([], ends.correctorRear, ends.from, 0, pieces);
  return [...found.values()];
}

/** Where no thread is too long, one order stands for all. */
export const oneOrder = (taken: readonly Taken[], ends: StackEnds): Order[] => [
  { ids: firstOrder(taken, ends), gapsMm: 0, lastMm: 0 },
];

/** Whether a set of pieces screws together from one end to the other, and in which order.
 *  Source: a connected directed graph has a trail over all its edges when every node is left as often as it is entered, but
 *  for the two ends (Euler 1736). */
import type { Ends, Way } from './joints.ts';

export type Taken = { way: Way; count: number };

/** Every open end left as often as entered, but for the beginning and the end. */
function isBalanced(taken: readonly Taken[], { from, to }: Ends): boolean {
  const surplus = new Map<string, number>();
  const add = (end: string, by: number): void => void surplus.set(end, (surplus.get(end) ?? 0) + by);
  for (const { way, count } of taken) {
    add(way.from, count);
    add(way.to, -count);
  }
  add(from, -1);
  add(to, 1);
  return [...surplus.values()].every((n) => n === 0);
}

/** Open ends that are met on the way from the beginning. */
export function endsMet(taken: readonly Taken[], from: string): ReadonlySet<string> {
  const met = new Set([from]);
  for (let grown = true; grown;) {
    grown = false;
    for (const { way, count } of taken)
      if (count > 0 && met.has(way.from) && !met.has(way.to)) {
        met.add(way.to);
        grown = true;
      }
  }
  return met;
}

/** True when all of them, and nothing else, screw together between the ends. */
export function screwsTogether(taken: readonly Taken[], ends: Ends): boolean {
  if (!isBalanced(taken, ends)) return false;
  const met = endsMet(taken, ends.from);
  return taken.every(({ way, count }) => count === 0 || met.has(way.from));
}

/** The order from corrector to camera that comes first by the ids; empty for no pieces.
 *  @param taken a set that screws together. */
export function firstOrder(taken: readonly Taken[], ends: Ends): string[] {
  const left = taken
    .filter((t) => t.count > 0)
    .map((t) => ({ ...t }))
    .sort((a, b) => (a.way.piece.id < b.way.piece.id ? -1 : 1));
  const order: string[] = [];
  let at = ends.from;
  for (let n = left.reduce((sum, t) => sum + t.count, 0); n > 0; n -= 1) {
    const next = left.find((t) => {
      if (t.count === 0 || t.way.from !== at) return false;
      t.count -= 1;
      const goesOn = screwsTogether(left, { from: t.way.to, to: ends.to });
      t.count += 1;
      return goesOn;
    });
    if (!next) throw new RangeError('these pieces do not screw together');
    next.count -= 1;
    order.push(next.way.piece.id);
    at = next.way.to;
  }
  return order;
}

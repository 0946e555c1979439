/** The one piece that would close the gap exactly, between what screws on the corrector and what screws on the camera. */
import { mateOf, openEnd, standsOffMm, wayOf, type BoxPiece, type JointEnd, type Way } from './joints.ts';

export type PurchaseInput = {
  neededMm: number;
  correctorRear: JointEnd;
  cameraFront: JointEnd;
  box: readonly BoxPiece[];
  leastMm: number;
  mostSteps: number;
};

export type Purchase = {
  lengthMm: number;
  front: JointEnd;
  rear: JointEnd;
  before: readonly string[];
  after: readonly string[];
};

type Chain = { ids: string[]; open: JointEnd; lengthMm: number };
type Left = Map<string, number>;

/** A chain with its last piece still to come. */
type Grow = { ways: readonly Way[]; budgetMm: number; steps: { left: number } };

/** All chains of exactly so many pieces from an open end on. */
function chains(grow: Grow, open: JointEnd, count: number, left: Left, visit: (chain: Chain) => void): void {
  const go = (chain: Chain, more: number): void => {
    if (grow.steps.left <= 0) return;
    grow.steps.left -= 1;
    if (more === 0) {
      visit(chain);
      return;
    }
    for (const { piece, from } of grow.ways) {
      const lengthMm = chain.lengthMm + piece.lengthMm + standsOffMm(chain.open, piece.front);
      const have = left.get(piece.id) ?? 0;
      if (have === 0 || from !== openEnd(chain.open) || lengthMm > grow.budgetMm) continue;
      left.set(piece.id, have - 1);
      go({ ids: [...chain.ids, piece.id], open: piece.rear, lengthMm }, more - 1);
      left.set(piece.id, have);
    }
  };
  go({ ids: [], open, lengthMm: 0 }, count);
}

/** The camera's side is built from the camera on: the box turned end for end. */
const turned = (ways: readonly Way[]): Way[] =>
  ways.map(({ piece }) => wayOf({ ...piece, front: piece.rear, rear: piece.front }));

function isBefore(a: Purchase, b: Purchase): boolean {
  if (Math.abs(a.lengthMm - b.lengthMm) > 1e-9) return a.lengthMm < b.lengthMm;
  const word = ({ before, after }: Purchase): string => [...before, '+', ...after].join('\n');
  return word(a) < word(b);
}

/** Fewest pieces of the box in the finished stack, then the shortest purchase, then the ids. Null when none closes the gap. */
export function onePurchase(input: PurchaseInput): Purchase | null {
  const { neededMm, correctorRear, cameraFront, box, leastMm } = input;
  const ways = box.filter((p) => p.count > 0).map(wayOf);
  const backwards = turned(ways);
  const steps = { left: input.mostSteps };
  const budgetMm = neededMm - leastMm + 1e-9;
  const required = box.filter((p) => p.required === true).map((p) => p.id);
  const copies = box.reduce((sum, p) => sum + p.count, 0);
  for (let pieces = required.length; pieces <= copies && budgetMm >= 0; pieces += 1) {
    const found: Purchase[] = [];
    const left: Left = new Map(box.map((p) => [p.id, p.count]));
    const note = (head: Chain, tail: Chain): void => {
      const ids = new Set([...head.ids, ...tail.ids]);
      if (!required.every((id) => ids.has(id))) return;
      found.push({
        lengthMm: neededMm - head.lengthMm - tail.lengthMm,
        front: mateOf(head.open),
        rear: mateOf(tail.open),
        before: head.ids,
        after: [...tail.ids].reverse(),
      });
    };
    for (let ahead = 0; ahead <= pieces; ahead += 1)
      chains({ ways, budgetMm, steps }, correctorRear, ahead, left, (head) => {
        const behind = { ways: backwards, budgetMm: budgetMm - head.lengthMm, steps };
        chains(behind, cameraFront, pieces - ahead, left, (tail) => note(head, tail));
      });
    const [first, ...others] = found;
    if (first) return others.reduce((best, one) => (isBefore(one, best) ? one : best), first);
    if (steps.left <= 0) return null;
  }
  return null;
}

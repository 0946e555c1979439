/** Changing the pieces of a train by hand: their order, one more, one less, one turned round. */
import type { Part, PartKind } from '../records/part.ts';

/** The parts of a rig's light path in order, and those that stand in it turned round. */
export type TrainOrder = { train: readonly string[]; turned: readonly string[] };

/** Kinds that can stand in the light, camera last. */
const IN_THE_LIGHT: readonly PartKind[] = [
  'corrector',
  'spacer',
  'wheel',
  'guider',
  'rotator',
  'tiltPlate',
  'filter',
  'shim',
  'camera',
];

/** How long a piece is along the light, or how thick; null for what has no length of its own. */
export function lengthMmOf(part: Part): number | null {
  if ('lengthMm' in part) return part.lengthMm;
  if ('thicknessMm' in part) return part.thicknessMm;
  return part.kind === 'camera' ? part.depthMm : null;
}

/** What may be put in: everything of the box that is not away. */
export const forTheTrain = (parts: readonly Part[]): Part[] =>
  parts.filter((p) => IN_THE_LIGHT.includes(p.kind) && p.deletedAtUtc === null && !p.archived);

/** A piece taken out at one place and put in at another; out of range = as it was. */
export function movedTo(order: TrainOrder, from: number, to: number): TrainOrder {
  const train = [...order.train];
  const [piece] = train.splice(from, 1);
  if (piece === undefined || to < 0 || to > train.length) return order;
  train.splice(to, 0, piece);
  return { ...order, train };
}

/** One more: before the camera, which stands last. */
export function putIn(order: TrainOrder, parts: readonly Part[], id: string): TrainOrder {
  const { train } = order;
  const isCamera = (one: string | undefined): boolean => parts.find((p) => p.id === one)?.kind === 'camera';
  const at = isCamera(train.at(-1)) && !isCamera(id) ? train.length - 1 : train.length;
  return { ...order, train: [...train.slice(0, at), id, ...train.slice(at)] };
}

/** One less; what is not in the train any more is not turned round either. */
export function takenOut({ train, turned }: TrainOrder, at: number): TrainOrder {
  const left = train.filter((_, i) => i !== at);
  return { train: left, turned: turned.filter((id) => left.includes(id)) };
}

/** All copies of a part turn together. */
export function turnedRound({ train, turned }: TrainOrder, id: string): TrainOrder {
  return { train, turned: turned.includes(id) ? turned.filter((one) => one !== id) : [...turned, id] };
}

/** Places in the train of the pieces that the distance is made of: behind the last corrector, filters and camera left out. */
export function piecePlaces(train: readonly string[], parts: readonly Part[]): number[] {
  const kindOf = (id: string): PartKind | undefined => parts.find((p) => p.id === id)?.kind;
  const corrector = train.findLastIndex((id) => kindOf(id) === 'corrector');
  return train.flatMap((id, i) => {
    const kind = kindOf(id);
    return i > corrector && kind !== undefined && kind !== 'filter' && kind !== 'camera' ? [i] : [];
  });
}

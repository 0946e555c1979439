import { piecePlaces, movedTo, type TrainOrder } from '../../../core/rig/trainEdit.ts';
import { updateHead } from '../../../storage/heads.ts';
import { useNight } from '../../../session/session.ts';
import { useWrite } from '../../../session/useWrite.ts';
import { TRAIN } from '../../../text/trainWords.ts';

type TrainHere = {
  order: TrainOrder;
  /** Writes another order, in one step that can be undone. */
  change: (order: TrainOrder) => void;
  /** Index in the train of the first piece behind the corrector. */
  firstPlace: number;
  /** What a piece is called in the drawing; empty for filters, which have no length of their own. */
  numberOf: (index: number) => string;
  /** Moves a piece of the drawn section. */
  movePiece: (from: number, to: number) => void;
};

/** The train of the shown rig and the way to change it. */
export function useTrain(): TrainHere {
  const { rig, parts } = useNight().records;
  const write = useWrite();
  const order: TrainOrder = { train: rig.train, turned: rig.turned ?? [] };
  const change = ({ train, turned }: TrainOrder): void => {
    const fresh = { train: [...train], turned: [...turned] };
    void write(
      ['train', rig.id, rig.rev, fresh],
      (w) => updateHead(w, 'rigs', rig.id, fresh, { baseRev: rig.rev }),
      TRAIN.written,
    );
  };
  const places = piecePlaces(rig.train, parts);
  const movePiece = (from: number, to: number): void => {
    const [at, goal] = [places[from], places[to]];
    if (at !== undefined && goal !== undefined) change(movedTo(order, at, goal));
  };
  const corrector = rig.train.findLastIndex((id) => parts.find((p) => p.id === id)?.kind === 'corrector');
  const numberOf = (index: number): string => {
    const at = places.indexOf(index);
    if (at !== -1) return String(at + 1);
    return parts.find((p) => p.id === rig.train[index])?.kind === 'camera' ? String(places.length + 1) : '';
  };
  return { order, change, firstPlace: corrector + 1, numberOf, movePiece };
}

/** The pieces of a light path in order, to be moved, turned round, taken out and put in by buttons. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Part } from '../../core/records/part.ts';
import {
  forTheTrain,
  lengthMmOf,
  movedTo,
  putIn,
  takenOut,
  turnedRound,
  type TrainOrder,
} from '../../core/rig/trainEdit.ts';
import type { Format } from '../../text/format.ts';
import { endsWords } from '../../text/trainWords.ts';

type Props = {
  order: TrainOrder;
  parts: readonly Part[];
  format: Format;
  change: (order: TrainOrder) => void;
  /** Rows before this one belong to another drawing and are not listed. */
  from?: number;
  /** What a row is called in the drawing above; empty for what has no number there. */
  numberOf?: (index: number) => string;
};

type RowProps = { part: Part | undefined; index: number; isFirst: boolean; number: string | undefined } & Pick<
  Props,
  'order' | 'format' | 'change'
>;

function Row({ part, index, isFirst, number, order, format, change }: RowProps) {
  const { train, turned } = order;
  const id = train[index] ?? '';
  const name = part?.name ?? id;
  const length = part ? lengthMmOf(part) : null;
  const isTurned = turned.includes(id);
  const canTurn = part !== undefined && 'front' in part && 'rear' in part;
  return (
    <li>
      <span>
        {number !== undefined && <strong className="figures piece-number">{number}</strong>}
        {name} <span className="soft">{part ? endsWords(part, isTurned) : ''}</span>
      </span>
      <span className="figures soft">{length === null ? '' : format.quantity(length, 'opticsMm')}</span>
      <span className="train-buttons">
        <Button
          variant="outline"
          disabled={isFirst}
          aria-label={`Move ${name} toward the tube`}
          onClick={() => change(movedTo(order, index, index - 1))}
        >
          ↑
        </Button>
        <Button
          variant="outline"
          disabled={index === train.length - 1}
          aria-label={`Move ${name} toward the camera`}
          onClick={() => change(movedTo(order, index, index + 1))}
        >
          ↓
        </Button>
        {canTurn && (
          <Button
            variant="outline"
            aria-pressed={isTurned}
            aria-label={`Turn ${name} round`}
            onClick={() => change(turnedRound(order, id))}
          >
            Turn
          </Button>
        )}
        <Button
          variant="outline"
          aria-label={`Take ${name} out of the light path`}
          onClick={() => change(takenOut(order, index))}
        >
          Take out
        </Button>
      </span>
    </li>
  );
}

export function TrainList({ order, parts, format, change, from = 0, numberOf }: Props) {
  const [chosen, setChosen] = useState('');
  const add = (): void => {
    if (chosen === '') return;
    change(putIn(order, parts, chosen));
    setChosen('');
  };
  return (
    <>
      <ol className="train-list">
        {order.train.map((id, index) =>
          index < from ? null : (
            <Row
              key={`${id}-${index}`}
              part={parts.find((p) => p.id === id)}
              index={index}
              isFirst={index === from}
              number={numberOf?.(index)}
              order={order}
              format={format}
              change={change}
            />
          ),
        )}
      </ol>
      <div className="d-flex gap-2 short-field">
        <Form.Select aria-label="Piece to put in" value={chosen} onChange={(event) => setChosen(event.target.value)}>
          <option value="">choose a piece…</option>
          {forTheTrain(parts).map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </Form.Select>
        <Button variant="outline" className="text-nowrap" onClick={add}>
          Put in
        </Button>
      </div>
    </>
  );
}

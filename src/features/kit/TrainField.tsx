import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useController, useFormContext } from 'react-hook-form';
import type { Part, PartKind } from '../../core/records/part.ts';
import { useShared } from '../../session/session.ts';

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

function lengthOf(part: Part): number | null {
  if ('lengthMm' in part) return part.lengthMm;
  if ('thicknessMm' in part) return part.thicknessMm;
  return part.kind === 'camera' ? part.depthMm : null;
}

function moved(train: readonly string[], from: number, by: -1 | 1): string[] {
  const next = [...train];
  const [piece] = next.splice(from, 1);
  if (piece !== undefined) next.splice(from + by, 0, piece);
  return next;
}

type RowProps = {
  part: Part | undefined;
  id: string;
  index: number;
  count: number;
  change: (train: string[]) => void;
  train: readonly string[];
};

function Row({ part, id, index, count, train, change }: RowProps) {
  const { format } = useShared();
  const name = part?.name ?? id;
  const length = part ? lengthOf(part) : null;
  return (
    <li>
      <span>{name}</span>
      <span className="figures soft">{length === null ? '' : format.quantity(length, 'opticsMm')}</span>
      <span className="train-buttons">
        <Button
          variant="outline"
          disabled={index === 0}
          aria-label={`Move ${name} toward the tube`}
          onClick={() => change(moved(train, index, -1))}
        >
          ↑
        </Button>
        <Button
          variant="outline"
          disabled={index === count - 1}
          aria-label={`Move ${name} toward the camera`}
          onClick={() => change(moved(train, index, 1))}
        >
          ↓
        </Button>
        <Button
          variant="outline"
          aria-label={`Take ${name} out of the light path`}
          onClick={() => change(train.filter((_, i) => i !== index))}
        >
          Take out
        </Button>
      </span>
    </li>
  );
}

/** The pieces of the light path in order, from the corrector to the camera. */
export function TrainField({ parts }: { parts: readonly Part[] }) {
  const { control } = useFormContext<{ train: string[] }>();
  const { field } = useController({ control, name: 'train' });
  const [chosen, setChosen] = useState('');
  const train = field.value;
  const choices = parts.filter((p) => IN_THE_LIGHT.includes(p.kind) && p.deletedAtUtc === null && !p.archived);
  const add = (): void => {
    if (chosen === '') return;
    const isCamera = (id: string | undefined): boolean => parts.find((p) => p.id === id)?.kind === 'camera';
    // A piece is added before the camera, which stands last.
    const at = isCamera(train.at(-1)) && !isCamera(chosen) ? train.length - 1 : train.length;
    field.onChange([...train.slice(0, at), chosen, ...train.slice(at)]);
    setChosen('');
  };
  return (
    <fieldset className="group">
      <legend>Light path, from the corrector to the camera</legend>
      <ol className="train-list">
        {train.map((id, index) => (
          <Row
            key={`${id}-${index}`}
            part={parts.find((p) => p.id === id)}
            id={id}
            index={index}
            count={train.length}
            train={train}
            change={field.onChange}
          />
        ))}
      </ol>
      <div className="d-flex gap-2 short-field">
        <Form.Select aria-label="Piece to put in" value={chosen} onChange={(event) => setChosen(event.target.value)}>
          <option value="">choose a piece…</option>
          {choices.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </Form.Select>
        <Button variant="outline" className="text-nowrap" onClick={add}>
          Put in
        </Button>
      </div>
    </fieldset>
  );
}

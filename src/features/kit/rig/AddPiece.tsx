import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Part } from '../../../core/records/part.ts';
import type { Rig } from '../../../core/records/rig.ts';
import { usualPlace } from '../../../core/rig/dressing/usualPlace.ts';
import type { RigNumbers } from '../../../core/rig/rigNumbers.ts';
import { useSession } from '../../../session/session.ts';
import { useBusy, useWrite } from '../../../session/useWrite.ts';
import { writeTogether } from '../../../storage/writeTogether.ts';
import { hungWords, RIG } from '../../../text/rigWords.ts';
import { HANGS } from './hangs.ts';
import { startersAmong, starterParts } from '../starter.ts';

type Props = { rig: Rig; numbers: RigNumbers; offered: readonly Part[]; hung: (placedId: string) => void };

/** Another piece from the box, or a usual one of its class; it hangs where such pieces usually do. */
export function AddPiece({ rig, numbers, offered, hung }: Props) {
  const { writer } = useSession();
  const write = useWrite();
  const busy = useBusy();
  const [chosen, setChosen] = useState('');
  const times = (id: string): number => rig.placed.filter((p) => p.partId === id).length;
  const box = offered.filter((p) => HANGS.has(p.kind) && times(p.id) < p.count);
  const usual = starterParts().filter((p) => HANGS.has(p.kind) && !offered.some((own) => own.id === p.id));
  const part = [...box, ...usual].find((p) => p.id === chosen);
  const add = async (): Promise<void> => {
    if (!part) return;
    const placedId = writer.newId();
    const placed = [...rig.placed, { placedId, partId: part.id, ...usualPlace(part, numbers) }];
    const written = await write(
      ['hang', rig.id, rig.rev, part.id],
      (w) =>
        writeTogether(w, rig.name, [
          ...startersAmong([part.id], offered),
          { table: 'rigs', id: rig.id, patch: { placed }, baseRev: rig.rev },
        ]),
      hungWords(part.name),
    );
    if (!written.ok) return;
    setChosen('');
    hung(placedId);
  };
  const group = (label: string, parts: readonly Part[]) =>
    parts.length > 0 && (
      <optgroup label={label}>
        {parts.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </optgroup>
    );
  return (
    <div className="section">
      <h2>{RIG.add}</h2>
      <div className="actions">
        <Form.Select
          className="short-field"
          aria-label={RIG.what}
          value={part ? chosen : ''}
          onChange={(event) => setChosen(event.target.value)}
        >
          <option value="">{RIG.choose}</option>
          {group(RIG.fromBox, box)}
          {group(RIG.usual, usual)}
        </Form.Select>
        <Button variant="outline" disabled={!part} aria-disabled={busy} onClick={() => void add()}>
          {RIG.hang}
        </Button>
      </div>
    </div>
  );
}

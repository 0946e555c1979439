import { useState } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { useShared } from '../../session/session.ts';
import { useWrite } from '../../session/useWrite.ts';
import { addParts, type NewPart } from '../../storage/addParts.ts';
import { STARTER_GROUPS } from './starter.ts';

const idOf = (part: NewPart): string => part.id ?? part.body.name;
const ALL = STARTER_GROUPS.flatMap((group) => group.parts);

/** Neutral classes to begin from: choose, add, correct. */
export function StarterDialog({ show, close }: { show: boolean; close: () => void }) {
  const write = useWrite();
  const { notify, format } = useShared();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const toggle = (id: string): void =>
    setChosen((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const add = async (): Promise<void> => {
    const parts = ALL.filter((part) => chosen.has(idOf(part)));
    const written = await write(['starters', [...chosen].sort()], (w) => addParts(w, parts));
    if (!written.ok) return;
    notify(written.value === 0 ? 'They are in your box already.' : `${written.value} starter parts added.`, {
      undo: written.value > 0,
    });
    setChosen(new Set());
    close();
  };
  return (
    <Modal show={show} onHide={close} scrollable aria-labelledby="starter-title">
      <Modal.Header closeButton>
        <Modal.Title id="starter-title" as="h2">
          Starter parts
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>Usual figures of each class, marked as a guess. Weigh yours and correct them.</p>
        {STARTER_GROUPS.map((group) => (
          <fieldset key={group.title} className="group">
            <legend>{group.title}</legend>
            {group.parts.map((part) => (
              <Form.Check
                key={idOf(part)}
                id={idOf(part)}
                type="checkbox"
                label={
                  part.body.massKg
                    ? `${part.body.name}, ${format.quantity(part.body.massKg, 'mass', 1)}`
                    : part.body.name
                }
                checked={chosen.has(idOf(part))}
                onChange={() => toggle(idOf(part))}
              />
            ))}
          </fieldset>
        ))}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline" onClick={close}>
          Cancel
        </Button>
        <Button variant="primary" disabled={chosen.size === 0} onClick={() => void add()}>
          Add {chosen.size} {chosen.size === 1 ? 'part' : 'parts'}
        </Button>
      </Modal.Footer>
    </Modal>
  );
}

import { useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { isHere, readPartsCsv, type PartsCsv } from '../../formats/partsCsv.ts';
import type { Part } from '../../core/records/part.ts';
import { useShared } from '../../session/session.ts';
import { useWrite } from '../../session/useWrite.ts';
import { addParts } from '../../storage/addParts.ts';
import type { Body } from '../../storage/heads.ts';
import { partsCsvPreview, partsCsvWords } from '../../text/partsCsvWords.ts';
import { Problem } from '../../ui/Problem.tsx';

type State = { code: 'nothing' } | { code: 'refused'; words: string } | { code: 'read'; file: PartsCsv };

/** Parts from a spreadsheet: read, shown, and only then added. */
export function PartsCsvDialog({ show, close }: { show: boolean; close: () => void }) {
  const write = useWrite();
  const { stored } = useShared();
  const [state, setState] = useState<State>({ code: 'nothing' });
  const fresh = state.code === 'read' ? state.file.parts.filter((row) => !isHere(row, stored.parts)) : [];
  const leave = (): void => {
    setState({ code: 'nothing' });
    close();
  };
  const choose = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const read = readPartsCsv(await file.text());
    setState(
      read.ok ? { code: 'read', file: read.value } : { code: 'refused', words: partsCsvWords(read.code, read.figures) },
    );
  };
  const add = async (): Promise<void> => {
    const parts = fresh.map(({ body }) => ({
      id: null,
      origin: 'import' as const,
      body: body as unknown as Body<Part>,
    }));
    const written = await write(
      ['parts', fresh],
      (w) => addParts(w, parts),
      (count) => `${count} parts added.`,
    );
    if (written.ok) leave();
  };
  return (
    <Modal show={show} onHide={leave} scrollable aria-labelledby="csv-title">
      <Modal.Header closeButton>
        <Modal.Title id="csv-title" as="h2">
          Parts from a spreadsheet
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>
          A CSV file with the columns that “Save as CSV” writes: at least name and kind. Masses may be in kg, g, lb or
          oz, lengths in m, cm, mm, in or ft: name the unit in the column, as in “mass (lb)”.
        </p>
        <input
          type="file"
          className="form-control"
          accept=".csv,text/csv"
          aria-label="CSV file"
          onChange={(event) => {
            void choose(event.target.files?.[0]);
            // The same file may be chosen again after it was corrected.
            event.target.value = '';
          }}
        />
        {state.code === 'refused' && <Problem>{state.words}</Problem>}
        {state.code === 'read' && (
          <>
            <p className="mt-3">
              {partsCsvPreview(fresh.length, state.file.parts.length - fresh.length, state.file.foreign)}
            </p>
            <ul>
              {fresh.slice(0, 12).map((row, i) => (
                <li key={i}>{row.body.name}</li>
              ))}
              {fresh.length > 12 && <li>and {fresh.length - 12} more</li>}
            </ul>
          </>
        )}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="outline" onClick={leave}>
          Cancel
        </Button>
        <Button variant="primary" disabled={fresh.length === 0} onClick={() => void add()}>
          Add {fresh.length} {fresh.length === 1 ? 'part' : 'parts'}
        </Button>
      </Modal.Footer>
    </Modal>
  );
}

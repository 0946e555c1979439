import { useRef } from 'react';
import { Form } from 'react-bootstrap';
import { Problem } from '../../ui/Problem.tsx';
import { ImportPreview } from './ImportPreview.tsx';
import type { Importing } from './useImport.ts';
import { WorkGoing } from '../../session/WorkGoing.tsx';

export function ImportFile({ importing }: { importing: Importing }) {
  const { state, going, read, show, watch, reset } = importing;
  const input = useRef<HTMLInputElement>(null);
  return (
    <section className="section" aria-labelledby="bring-in">
      <h2 id="bring-in">Bring in a file</h2>
      <p>
        A file that “Save everything” wrote, here or on another device. You see what would change before anything does.
      </p>
      <Form.Group controlId="backup-file" className="short-field">
        <Form.Label>Backup file</Form.Label>
        <Form.Control
          ref={input}
          type="file"
          accept=".json,.gz,application/json"
          disabled={going !== null}
          // The same file chosen again, after it was mended, must be read again.
          onClick={(event) => {
            (event.target as HTMLInputElement).value = '';
          }}
          onChange={(event) => {
            const file = (event.target as HTMLInputElement).files?.[0];
            if (file) void read(file);
          }}
        />
      </Form.Group>
      {going && <WorkGoing going={going} />}
      {state.step === 'refused' && (
        <div role="alert">
          <Problem>{state.words}</Problem>
        </div>
      )}
      {state.step === 'preview' && (
        <ImportPreview
          key={state.shown.print}
          fileName={state.fileName}
          file={state.file}
          shown={state.shown}
          watch={watch}
          again={() => void show(state.fileName, state.file)}
          done={() => {
            if (input.current) input.current.value = '';
            reset();
          }}
        />
      )}
    </section>
  );
}

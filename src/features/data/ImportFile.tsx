import { useRef } from 'react';
import { Button, Form, ProgressBar } from 'react-bootstrap';
import { JOB_WORDS } from '../../text/dataWords.ts';
import { Problem } from '../../ui/Problem.tsx';
import type { Progress } from '../../workers/client.ts';
import { ImportPreview } from './ImportPreview.tsx';
import type { Importing } from './useImport.ts';

function Reading({ progress, cancel }: { progress: Progress; cancel: () => void }) {
  const words = JOB_WORDS[progress.doing] ?? progress.doing;
  const percent = Math.round(progress.share * 100);
  return (
    <div className="short-field" role="status">
      <p className="mb-1">{words}…</p>
      <ProgressBar>
        <ProgressBar isChild now={percent} aria-label={words} />
      </ProgressBar>
      <Button variant="outline" className="mt-2" onClick={cancel}>
        Cancel
      </Button>
    </div>
  );
}

export function ImportFile({ importing }: { importing: Importing }) {
  const { state, read, show, reset } = importing;
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
          disabled={state.step === 'reading'}
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
      {state.step === 'reading' && <Reading progress={state.progress} cancel={state.cancel} />}
      {state.step === 'refused' && (
        <div role="alert">
          <Problem>{state.words}</Problem>
        </div>
      )}
      {state.step === 'preview' && (
        <ImportPreview
          key={state.preview.print}
          fileName={state.fileName}
          file={state.file}
          preview={state.preview}
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

import { useRef, useState } from 'react';
import { Button, Form, ProgressBar } from 'react-bootstrap';
import type { Backup } from '../../formats/backup.ts';
import { collect } from '../../storage/backup.ts';
import { planMerge, type MergePlan } from '../../storage/merge.ts';
import { useSession, useShared } from '../../session/session.ts';
import { backupWords, JOB_WORDS, WORKER_DIED } from '../../text/dataWords.ts';
import { Problem } from '../../ui/Problem.tsx';
import { JobCancelled, type Progress } from '../../workers/client.ts';
import { readBackupFile } from '../../workers/readBackup.ts';
import { ImportPreview } from './ImportPreview.tsx';

type State =
  | { step: 'idle' }
  | { step: 'reading'; progress: Progress; cancel: () => void }
  | { step: 'refused'; words: string }
  | { step: 'preview'; fileName: string; file: Backup; plan: MergePlan };

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

/** Reads a file away from the page, shows what it would change, and writes only when told to. */
function useImport() {
  const { writer } = useSession();
  const { notify } = useShared();
  const [state, setState] = useState<State>({ step: 'idle' });
  const read = async (file: File): Promise<void> => {
    const stop = new AbortController();
    const show = (progress: Progress): void => setState({ step: 'reading', progress, cancel: () => stop.abort() });
    show({ doing: 'reading', share: 0 });
    try {
      const found = await readBackupFile(file, { onProgress: show, signal: stop.signal });
      if (!found.ok) {
        setState({ step: 'refused', words: backupWords(found.code, found.figures) });
        return;
      }
      const { backup } = await collect(writer);
      setState({ step: 'preview', fileName: file.name, file: found.value, plan: planMerge(backup, found.value) });
    } catch (error) {
      if (error instanceof JobCancelled) {
        notify('Cancelled. Nothing was imported.');
        setState({ step: 'idle' });
      } else setState({ step: 'refused', words: WORKER_DIED });
    }
  };
  return { state, read, reset: () => setState({ step: 'idle' }) };
}

export function ImportFile() {
  const { state, read, reset } = useImport();
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
          accept=".json,application/json"
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
          fileName={state.fileName}
          file={state.file}
          plan={state.plan}
          done={() => {
            if (input.current) input.current.value = '';
            reset();
          }}
        />
      )}
    </section>
  );
}

/** Reads a file away from the page, shows what it would change, and writes only when told to. */
import { useState } from 'react';
import type { Backup } from '../../formats/backup.ts';
import { previewImport, type Preview } from '../../storage/backup.ts';
import { useSession, useShared } from '../../session/session.ts';
import { backupWords, WORKER_DIED } from '../../text/dataWords.ts';
import { writeWords } from '../../text/errorWords.ts';
import { JobCancelled, type Progress } from '../../workers/client.ts';
import { readBackupFile } from '../../workers/readBackup.ts';

export type ImportState =
  | { step: 'idle' }
  | { step: 'reading'; progress: Progress; cancel: () => void }
  | { step: 'refused'; words: string }
  | { step: 'preview'; fileName: string; file: Backup; preview: Preview };

export function useImport() {
  const { writer } = useSession();
  const { notify } = useShared();
  const [state, setState] = useState<ImportState>({ step: 'idle' });
  const show = async (fileName: string, file: Backup): Promise<void> => {
    const preview = await previewImport(writer, file);
    setState(
      preview.ok
        ? { step: 'preview', fileName, file, preview: preview.value }
        : { step: 'refused', words: writeWords(preview.code, preview.figures) },
    );
  };
  const read = async (file: File): Promise<void> => {
    const stop = new AbortController();
    const report = (progress: Progress): void => setState({ step: 'reading', progress, cancel: () => stop.abort() });
    report({ doing: 'reading', share: 0 });
    try {
      const found = await readBackupFile(file, { onProgress: report, signal: stop.signal });
      if (found.ok) await show(file.name, found.value);
      else setState({ step: 'refused', words: backupWords(found.code, found.figures) });
    } catch (error) {
      if (error instanceof JobCancelled) {
        notify('Cancelled. Nothing was imported.');
        setState({ step: 'idle' });
      } else setState({ step: 'refused', words: WORKER_DIED });
    }
  };
  return { state, read, show, reset: () => setState({ step: 'idle' }) };
}

export type Importing = ReturnType<typeof useImport>;

/** Reads a file away from the page, shows what it would change, and writes only when told to. */
import { useCallback, useEffect, useRef, useState } from 'react';
import { Cancelled } from '../../core/work.ts';
import { seedOf } from '../../session/recordWork.ts';
import { useSession, useShared } from '../../session/session.ts';
import type { ChosenFile, Shown } from '../../storage/recordJobs.ts';
import { fileWords, WORKER_DIED } from '../../text/dataWords.ts';
import { useWatched, type Watched } from '../../session/useWatched.ts';

export type ImportState =
  | { step: 'idle' }
  | { step: 'refused'; words: string }
  | { step: 'preview'; fileName: string; file: ChosenFile; shown: Shown };

/** What the worker keeps of a chosen file goes with the page, or when it is done with it. */
function useChosen() {
  const { writer, records } = useSession();
  const chosen = useRef<string | null>(null);
  const letGo = useCallback((): void => {
    const key = chosen.current;
    chosen.current = null;
    // Whether it is let go now or when the worker ends: nobody waits for it.
    if (key !== null) records('letGo', { key }).catch(() => undefined);
  }, [records]);
  useEffect(() => letGo, [letGo]);
  /** No two choices share a key, also when the page was left and opened again: a file of the same name is another file. */
  const choose = (blob: File): ChosenFile => {
    chosen.current = writer.newId();
    return { key: chosen.current, blob };
  };
  return { choose, letGo };
}

export function useImport() {
  const { writer, records } = useSession();
  const { notify } = useShared();
  const [state, setState] = useState<ImportState>({ step: 'idle' });
  const { going, watch } = useWatched();
  const { choose, letGo } = useChosen();
  const look = async (fileName: string, file: ChosenFile, options: Watched): Promise<void> => {
    const found = await records('preview', { file, seed: seedOf(writer) }, options);
    setState(
      found.ok
        ? { step: 'preview', fileName, file, shown: found.value }
        : { step: 'refused', words: fileWords(found.code, found.figures) },
    );
  };
  const show = async (fileName: string, file: ChosenFile): Promise<void> => {
    try {
      await watch((options) => look(fileName, file, options));
    } catch (error) {
      if (error instanceof Cancelled) {
        notify('Cancelled. Nothing was imported.');
        setState({ step: 'idle' });
      } else setState({ step: 'refused', words: WORKER_DIED });
    }
  };
  const read = async (file: File): Promise<void> => {
    setState({ step: 'idle' });
    await show(file.name, choose(file));
  };
  const reset = (): void => {
    letGo();
    setState({ step: 'idle' });
  };
  return { state, going, read, show, watch, reset };
}

export type Importing = ReturnType<typeof useImport>;

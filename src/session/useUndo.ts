/** Taking back this tab's last change, with the notice that follows; and a change of another tab that removed something. */
import { useCallback } from 'react';
import type { StoredChange } from '../storage/changes.ts';
import { undoChange, undoLast } from '../storage/undo.ts';
import type { Written } from '../storage/transact.ts';
import type { Writer } from '../storage/writer.ts';
import { writeWords } from '../text/errorWords.ts';
import { changeWords } from '../text/changeWords.ts';
import { useSession, useShared } from './session.ts';
import { rememberNow } from './useWholeWrite.ts';

function useTakingBack(): (undoing: (w: Writer) => Written<StoredChange>) => Promise<void> {
  const { writer } = useSession();
  const { notify } = useShared();
  return useCallback(
    async (undoing) => {
      const undone = await undoing(writer);
      if (undone.ok) {
        notify(changeWords(undone.value.label, undone.value.name));
        if (undone.value.label === 'whole') await rememberNow(writer);
      } else notify(writeWords(undone.code, undone.figures), { tone: 'problem' });
    },
    [writer, notify],
  );
}

/** Each press takes back one change more. */
export function useUndo(): () => Promise<void> {
  const takeBack = useTakingBack();
  return useCallback(() => takeBack(undoLast), [takeBack]);
}

export function useUndoChange(): (id: string) => Promise<void> {
  const takeBack = useTakingBack();
  return useCallback((id) => takeBack((w) => undoChange(w, id)), [takeBack]);
}

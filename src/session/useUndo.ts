/** Taking back this tab's last change, with the notice that follows; and a change of another tab that removed something. */
import { useCallback } from 'react';
import { refuse } from '../core/result.ts';
import type { StoredChange } from '../storage/changes.ts';
import { lastChange, undoChange } from '../storage/undo.ts';
import { writeWords } from '../text/errorWords.ts';
import { changeWords } from '../text/changeWords.ts';
import { seedOf } from './recordWork.ts';
import { useSession, useShared } from './session.ts';
import { rememberNow } from './useWholeWrite.ts';

function useTakingBack(): (find: () => Promise<StoredChange | undefined>) => Promise<void> {
  const { writer, records } = useSession();
  const { notify } = useShared();
  return useCallback(
    async (find) => {
      const change = await find();
      const undone = await (change === undefined
        ? refuse('nothingToUndo')
        : change.label === 'whole'
          ? records('undo', { seed: seedOf(writer), changeId: change.id })
          : undoChange(writer, change.id));
      if (undone.ok) {
        notify(changeWords(undone.value.label, undone.value.name));
        if (undone.value.label === 'whole') await rememberNow(writer);
      } else notify(writeWords(undone.code, undone.figures), { tone: 'problem' });
    },
    [writer, records, notify],
  );
}

/** Each press takes back one change more. */
export function useUndo(): () => Promise<void> {
  const takeBack = useTakingBack();
  const { db, tab } = useSession();
  return useCallback(() => takeBack(() => lastChange(db, tab.id())), [takeBack, db, tab]);
}

export function useUndoChange(): (id: string) => Promise<void> {
  const takeBack = useTakingBack();
  const { db } = useSession();
  return useCallback((id) => takeBack(() => db.changes.get(id)), [takeBack, db]);
}

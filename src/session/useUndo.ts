/** Taking back this tab's last change, with the notice that follows. */
import { useCallback } from 'react';
import { undoLast } from '../storage/commands.ts';
import { writeWords } from '../text/errorWords.ts';
import { changeWords } from '../text/changeWords.ts';
import { useSession, useShared } from './session.ts';

export function useUndo(): () => Promise<void> {
  const { writer } = useSession();
  const { notify } = useShared();
  return useCallback(async () => {
    const undone = await undoLast(writer);
    if (undone.ok) notify(changeWords(undone.value.label, undone.value.name));
    else notify(writeWords(undone.code, undone.figures), { tone: 'problem' });
  }, [writer, notify]);
}

/** Taking back this tab's last change, with the notice that follows; and a change of another tab that removed something. */
import { useCallback, useSyncExternalStore } from 'react';
import { MissingPart, partOf } from '../core/missingPart.ts';
import { ok } from '../core/result.ts';
import type { StoredChange } from '../storage/changes.ts';
import { caught, type Written } from '../storage/transact.ts';
import type { Writer } from '../storage/writer.ts';
import { lastChange } from '../storage/knownChanges.ts';
import { useLastChange } from '../storage/useStored.ts';
import { MISSING_PART, writeWords } from '../text/errorWords.ts';
import { changeWords } from '../text/changeWords.ts';
import { seedOf } from './recordWork.ts';
import { useSession, useShared, type Session } from './session.ts';
import { notDone } from './useWrite.ts';

type Undoing = (w: Writer, how: typeof import('../storage/undo.ts')) => Written<StoredChange>;

/** What takes changes back is fetched when something is; a change of many rows is taken back away from the page.
 *  @param change the one that is meant, as it was found. */
async function takenBack(
  change: StoredChange | undefined,
  undoing: Undoing,
  { writer, records, presses }: Session,
): Written<StoredChange> {
  if (change?.label !== 'whole') return undoing(writer, await partOf(() => import('../storage/undo.ts')));
  // It takes a while: pressed again meanwhile, it is the same press.
  return presses.run(['undo', change.id], (w) =>
    records('undo', { seed: seedOf(w), changeId: change.id }).catch(notDone),
  );
}

/** @throws whatever else went wrong. */
function missingPart(error: unknown): null {
  if (error instanceof MissingPart) return null;
  throw error;
}

function useTakingBack(): (find: () => Promise<StoredChange | undefined>, undoing: Undoing) => Promise<void> {
  const session = useSession();
  const { notify } = useShared();
  return useCallback(
    async (find, undoing) => {
      const found = await caught(async () => ok(await find()));
      const undone = found.ok ? await takenBack(found.value, undoing, session).catch(missingPart) : found;
      if (undone === null) {
        notify(MISSING_PART.kept, { tone: 'problem' });
        return;
      }
      if (undone.ok) {
        notify(changeWords(undone.value.label, undone.value.name));
        if (undone.value.label !== 'whole') return;
        const { rememberNow } = await partOf(() => import('./useWholeWrite.ts'));
        await rememberNow(session.writer);
      } else notify(writeWords(undone.code, undone.figures), { tone: 'problem' });
    },
    [session, notify],
  );
}

/** Each press takes back one change more. */
export function useUndo(): () => Promise<void> {
  const takeBack = useTakingBack();
  const { db, tab } = useSession();
  return useCallback(
    () =>
      takeBack(
        () => lastChange(db, tab.id()),
        (w, { undoLast }) => undoLast(w),
      ),
    [takeBack, db, tab],
  );
}

export function useUndoChange(): (id: string) => Promise<void> {
  const takeBack = useTakingBack();
  const { db } = useSession();
  return useCallback(
    (id) =>
      takeBack(
        () => db.changes.get(id),
        (w, { undoChange }) => undoChange(w, id),
      ),
    [takeBack, db],
  );
}

/** The last change of this tab, which may be taken back; nothing while it is read, and where there is none. */
export function useUndoable(): StoredChange | null | undefined {
  const { db, tab } = useSession();
  const tabId = useSyncExternalStore(tab.subscribe, tab.id, tab.id);
  return useLastChange(db, tabId);
}

import { Button } from 'react-bootstrap';
import { useRemoval } from '../storage/useStored.ts';
import { fromUtcText } from '../core/time/utc.ts';
import { goneWords } from '../text/storedWords.ts';
import { useSession, useShared } from './session.ts';
import { useUndoChange } from './useUndo.ts';

type Props = { table: 'parts' | 'rigs' | 'sites' | 'targets' | 'nights'; id: string };

/** What this page showed is not there any more: since when, and the way back while it is known. */
export function Gone({ table, id }: Props) {
  const { db, writer } = useSession();
  const { format } = useShared();
  const undo = useUndoChange();
  const removal = useRemoval(db, table, id);
  const words = goneWords(
    table,
    removal && { at: format.clock(fromUtcText(removal.atUtc)), here: removal.tabId === writer.tabId },
  );
  return (
    <>
      <p role="alert">{words}</p>
      {removal && (
        <Button variant="primary" onClick={() => void undo(removal.id)}>
          Bring it back
        </Button>
      )}
    </>
  );
}

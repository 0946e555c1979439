/** Copying and archiving a record, with the notice that follows. */
import type { HeadRecord } from '../core/records/heads.ts';
import { copyHead, updateHead, type Written } from '../storage/commands.ts';
import { writeWords } from '../text/errorWords.ts';
import { useSession, useShared } from './session.ts';

type Named = 'parts' | 'rigs';

export function useHeadActions<T extends Named>(table: T) {
  const { writer } = useSession();
  const { notify } = useShared();
  const said = async <R>(written: Written<R>, words: string): Promise<R | null> => {
    const result = await written;
    if (result.ok) notify(words, { undo: true });
    else notify(writeWords(result.code, result.figures), { tone: 'problem' });
    return result.ok ? result.value : null;
  };
  const copy = (record: HeadRecord<T>): Promise<HeadRecord<T> | null> =>
    said(copyHead(writer, table, record.id, `${record.name}, copy`), `${record.name} copied.`);
  const toggleArchived = ({ id, name, archived }: HeadRecord<T>): void => {
    // Archiving touches the head only, whatever the table.
    const written =
      table === 'parts'
        ? updateHead(writer, 'parts', id, { archived: !archived })
        : updateHead(writer, 'rigs', id, { archived: !archived });
    void said<unknown>(written, archived ? `${name} is back.` : `${name} archived; what uses it keeps it.`);
  };
  return { copy, toggleArchived };
}

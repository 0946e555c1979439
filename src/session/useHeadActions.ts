/** Copying and archiving a record, with the notice that follows. */
import type { HeadRecord } from '../core/records/heads.ts';
import { copyHead, updateHead } from '../storage/heads.ts';
import { useWrite } from './useWrite.ts';

type Named = 'parts' | 'rigs';

export function useHeadActions<T extends Named>(table: T) {
  const write = useWrite();
  const copy = async ({ id, name, rev }: HeadRecord<T>): Promise<HeadRecord<T> | null> => {
    const what = ['copy', table, id, rev];
    const written = await write(what, (w) => copyHead(w, table, id, `${name}, copy`), `${name} copied.`);
    return written.ok ? written.value : null;
  };
  const toggleArchived = ({ id, name, archived }: HeadRecord<T>): void => {
    const said = archived ? `${name} is back.` : `${name} archived; what uses it keeps it.`;
    // Archiving touches the head only, whatever the table.
    const patch = { archived: !archived } as Partial<HeadRecord<T>>;
    void write(['archive', table, id, !archived], (w) => updateHead(w, table, id, patch), said);
  };
  return { copy, toggleArchived };
}

/** Saving and deleting a record from its form, with the notice that follows. */
import { useNavigate } from 'react-router';
import { createHead, deleteHead, updateHead, type Body } from '../storage/commands.ts';
import type { HeadRecord, HeadTable } from '../core/records/heads.ts';
import { useSession, useShared } from './session.ts';
import { writeWords } from '../text/errorWords.ts';

type Editable = Exclude<HeadTable, 'settings'>;

/** `record` null = create. After creating, the page of the new record opens; after deleting, the list. */
export function useHeadForm<T extends Editable>(table: T, record: HeadRecord<T> | null, listPath: string) {
  const { writer } = useSession();
  const { notify } = useShared();
  const navigate = useNavigate();
  const save = async (body: Body<HeadRecord<T>>): Promise<void> => {
    const written = record
      ? await updateHead(writer, table, record.id, body, { baseRev: record.rev })
      : await createHead(writer, table, body);
    if (!written.ok) {
      notify(writeWords(written.code, written.figures), { tone: 'problem' });
      return;
    }
    notify(record ? 'Saved.' : 'Created.', { undo: true });
    if (!record) void navigate(`${listPath}/${written.value.id}`);
  };
  const remove = async (): Promise<void> => {
    if (!record) return;
    const written = await deleteHead(writer, table, record.id);
    if (!written.ok) {
      notify(writeWords(written.code, written.figures), { tone: 'problem' });
      return;
    }
    notify('Deleted.', { undo: true });
    void navigate(listPath);
  };
  return { save, remove: () => void remove() };
}

/** Saving and deleting a record from its form, with the notice that follows. */
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { useNavigate } from 'react-router';
import type { HeadRecord, HeadTable } from '../core/records/heads.ts';
import { createHead, deleteHead, updateHead, type Body } from '../storage/heads.ts';
import { useEdited } from './useEdited.ts';
import { useBusy, useWrite } from './useWrite.ts';

type Editable = Exclude<HeadTable, 'settings'>;

type Options<T extends Editable, F extends FieldValues, Out extends FieldValues | undefined> = {
  table: T;
  /** Null = create. */
  record: HeadRecord<T> | null;
  /** After creating, the page of the new record opens; after deleting, the list. */
  listPath: string;
  form: UseFormReturn<F, unknown, Out>;
  toFields: (record: HeadRecord<T>) => F;
};

export function useHeadForm<T extends Editable, F extends FieldValues, Out extends FieldValues | undefined>({
  table,
  record,
  listPath,
  form,
  toFields,
}: Options<T, F, Out>) {
  const write = useWrite();
  const busy = useBusy();
  const navigate = useNavigate();
  const edited = useEdited(form, record && { rev: record.rev, fields: toFields(record) });
  const save = async (body: Body<HeadRecord<T>>): Promise<void> => {
    if (!edited.mayReplace()) return;
    const what = ['save', table, record?.id ?? 'new', body];
    const written = record
      ? await write(what, (w) => updateHead(w, table, record.id, body, { baseRev: record.rev }), 'Saved.')
      : await write(what, (w) => createHead(w, table, body), 'Created.');
    if (!written.ok) return;
    edited.kept({ rev: written.value.rev, fields: toFields(written.value) });
    if (!record) void navigate(`${listPath}/${written.value.id}`);
  };
  const remove = async (): Promise<void> => {
    if (!record) return;
    const { id } = record;
    const written = await write(['delete', table, id], (w) => deleteHead(w, table, id), 'Deleted.');
    if (written.ok) void navigate(listPath);
  };
  return { save, remove: () => void remove(), edited: { ...edited, busy } };
}

/** Saving and deleting a record from its form, with the notice that follows. */
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { useNavigate } from 'react-router';
import type { HeadRecord, HeadTable } from '../core/records/heads.ts';
import type { Written } from '../storage/transact.ts';
import type { Writer } from '../storage/writer.ts';
import { ok, refuse } from '../core/result.ts';
import { createHead, deleteHead, nameOf, updateHead, type Body } from '../storage/heads.ts';
import { writeTogether, type NewRecord } from '../storage/writeTogether.ts';
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
  /** Parts that the record names and that are not in the box yet: they come with it. */
  partsWith?: (body: Body<HeadRecord<T>>) => readonly NewRecord[];
};

/** The record with parts that come along: all or none, one step to undo. */
async function keepWith<T extends Editable>(
  w: Writer,
  { table, record }: { table: T; record: HeadRecord<T> | null },
  body: Body<HeadRecord<T>>,
  parts: readonly NewRecord[],
): Written<HeadRecord<T>> {
  const id = record?.id ?? w.newId();
  const own = record ? { table, id, patch: body, baseRev: record.rev } : { table, id, body };
  const written = await writeTogether(w, nameOf(body), [...parts, own]);
  if (!written.ok) return written;
  const kept = await w.db.heads(table).get(id);
  return kept ? ok(kept) : refuse('missingRecord', { id });
}

export function useHeadForm<T extends Editable, F extends FieldValues, Out extends FieldValues | undefined>({
  table,
  record,
  listPath,
  form,
  toFields,
  partsWith = () => [],
}: Options<T, F, Out>) {
  const write = useWrite();
  const busy = useBusy();
  const navigate = useNavigate();
  const edited = useEdited(form, record && { rev: record.rev, fields: toFields(record) });
  const save = async (body: Body<HeadRecord<T>>): Promise<void> => {
    if (!edited.mayReplace()) return;
    const what = ['save', table, record?.id ?? 'new', body];
    const keep = (w: Writer): Written<HeadRecord<T>> => {
      const parts = partsWith(body);
      if (parts.length > 0) return keepWith(w, { table, record }, body, parts);
      return record ? updateHead(w, table, record.id, body, { baseRev: record.rev }) : createHead(w, table, body);
    };
    const written = await write(what, keep, record ? 'Saved.' : 'Created.');
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

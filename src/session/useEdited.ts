/** A form over a stored record that may change elsewhere while it is being typed in: an untouched form follows, one that
 *  was typed in keeps what was typed, and the difference is decided field by field before it can be saved. */
import { useEffect, useState } from 'react';
import type { FieldValues, Path, PathValue, UseFormReturn } from 'react-hook-form';
import { canonicalJson } from '../formats/canonicalJson.ts';

export type Difference = { field: string; mine: unknown; theirs: unknown };
type Present<F> = { rev: number; fields: F };

/** An empty field is one that holds nothing. */
const given = (value: unknown): unknown => (value === undefined || value === '' ? null : value);

/** Fields in which what is typed differs from what is stored now. */
export function differences(typed: FieldValues, stored: FieldValues): Difference[] {
  return [...new Set([...Object.keys(typed), ...Object.keys(stored)])].sort().flatMap((field): Difference[] => {
    const [mine, theirs] = [given(typed[field]), given(stored[field])];
    return canonicalJson(mine) === canonicalJson(theirs) ? [] : [{ field, mine, theirs }];
  });
}

export type Edited = {
  /** The revision that a save replaces; null for a new record. */
  baseRev: number | null;
  /** What has to be decided first; empty = nothing. */
  conflict: readonly Difference[];
  choose: (field: string, side: 'mine' | 'theirs') => void;
  chosen: Readonly<Record<string, 'mine' | 'theirs'>>;
  /** Before a save: true when it may go on, false when the conflict is shown now. */
  mayReplace: () => boolean;
  /** After a save: the form stands on what was kept. */
  kept: (present: Present<FieldValues>) => void;
};

/** What was not typed in here follows the other side, what the other side left alone stays as typed; what both changed
 *  remains. */
function followed<F extends FieldValues, Out extends FieldValues | undefined>(
  form: UseFormReturn<F, unknown, Out>,
  before: F,
  stored: F,
): Difference[] {
  const typed = form.formState.dirtyFields as Partial<Record<string, unknown>>;
  const theirsChanged = new Set(differences(before, stored).map((d) => d.field));
  return differences(form.getValues(), stored).filter(({ field, theirs }) => {
    if (typed[field] !== undefined) return theirsChanged.has(field);
    form.setValue(field as Path<F>, theirs as PathValue<F, Path<F>>);
    return false;
  });
}

export function useEdited<F extends FieldValues, Out extends FieldValues | undefined>(
  form: UseFormReturn<F, unknown, Out>,
  present: Present<F> | null,
): Edited {
  const [base, setBase] = useState(present);
  const [conflict, setConflict] = useState<readonly Difference[]>([]);
  const [chosen, setChosen] = useState<Record<string, 'mine' | 'theirs'>>({});
  const { isDirty } = form.formState;
  const moved = present !== null && present.rev !== base?.rev;
  useEffect(() => {
    if (!moved || isDirty) return;
    form.reset(present.fields);
    // oxlint-disable-next-line react/set-state-in-effect -- the form is outside React's state and was just set
    setBase(present);
  }, [moved, isDirty, form, present]);
  const mayReplace = (): boolean => {
    if (!moved) return true;
    const open = followed(form, base?.fields ?? present.fields, present.fields);
    const decided = open.every(({ field }) => conflict.some((d) => d.field === field) && chosen[field] !== undefined);
    setConflict(open);
    return decided;
  };
  const choose = (field: string, side: 'mine' | 'theirs'): void => {
    const difference = conflict.find((d) => d.field === field);
    if (!difference) return;
    const value = (side === 'mine' ? difference.mine : difference.theirs) as PathValue<F, Path<F>>;
    form.setValue(field as Path<F>, value, { shouldDirty: true });
    setChosen((before) => ({ ...before, [field]: side }));
  };
  const kept = (now: Present<FieldValues>): void => {
    form.reset(now.fields as F);
    setBase(now as Present<F>);
    setConflict([]);
    setChosen({});
  };
  return { baseRev: present?.rev ?? null, conflict, choose, chosen, mayReplace, kept };
}

/** Changes as values with an inverse: what undo needs, kept per tab and surviving a reload. */
import type { Reading } from '../core/records/reading.ts';
import type { HeadRecord, HeadTable } from '../core/records/heads.ts';

/** One row of a change of many. */
export type RowChange = {
  table: string;
  key: string;
  before: Record<string, unknown> | null;
  /** Of the content that the change left; null = the row went. */
  afterPrint: string | null;
  /** Of readings: which were there after it. */
  afterIds: string[];
};
/** The rows stand in a table of their own: nothing but undo takes them out. */
export type RowsChange = { type: 'rows' };
export type ChangedRow = RowChange & { changeId: string; n: number };

export type HeadChange = {
  [T in HeadTable]: { type: 'head'; table: T; before: HeadRecord<T> | null; after: HeadRecord<T> };
}[HeadTable];
export type ReadingChange = { type: 'reading'; reading: Reading };
export type Change = HeadChange | ReadingChange | RowsChange;

export type ChangeLabel = 'created' | 'edited' | 'deleted' | 'recorded' | 'retracted' | 'setting' | 'whole';
export type StoredChange = {
  id: string;
  /** Counts up with every change of the database: the order of undo, whatever the clock does. */
  seq: number;
  tabId: string;
  /** The press that made it: the same press never makes another. */
  press: string;
  atUtc: string;
  label: ChangeLabel;
  /** Name of what was changed, for the undo button's words. */
  name: string;
  changes: Change[];
  /** Could not be undone, because the record was changed elsewhere since; older changes still can. */
  refused: boolean;
};

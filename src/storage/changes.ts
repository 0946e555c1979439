/** Changes as values with an inverse: what undo needs, kept per tab and surviving a reload. */
import type { Reading } from '../core/records/reading.ts';
import type { HeadRecord, HeadTable } from '../core/records/heads.ts';

export type HeadChange = {
  [T in HeadTable]: { type: 'head'; table: T; before: HeadRecord<T> | null; after: HeadRecord<T> };
}[HeadTable];
export type ReadingChange = { type: 'reading'; reading: Reading };
/** All rows of all tables. */
export type Dump = Record<string, unknown[]>;
/** A change of many records at once: the state before, and a print of the state after it. */
export type WholeChange = { type: 'whole'; before: Dump; afterPrint: string };
export type Change = HeadChange | ReadingChange | WholeChange;

export type ChangeLabel = 'created' | 'edited' | 'deleted' | 'recorded' | 'retracted' | 'setting' | 'whole';
export type StoredChange = {
  id: string;
  tabId: string;
  atUtc: string;
  label: ChangeLabel;
  /** Name of what was changed, for the undo button's words. */
  name: string;
  changes: Change[];
};

/** Kept per tab. */
export const CHANGES_KEPT = 200;

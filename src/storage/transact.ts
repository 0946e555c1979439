/** The one way to write: a command is one read-modify-write transaction, the same press writes once, and a write that the
 *  browser did not keep is a refusal with a code, never silence. */
import { refuse, type Result } from '../core/result.ts';
import { HEAD_TABLES } from '../core/records/heads.ts';
import type { StoredChange } from './changes.ts';
import type { Writer } from './writer.ts';

export type WriteCode =
  | 'invalidRecord'
  | 'changedElsewhere'
  | 'changedSince'
  | 'missingRecord'
  | 'nothingToUndo'
  | 'stillUsed'
  | 'undecided'
  /** Work away from the page: it was cancelled, or could not be done to its end. Nothing was written. */
  | 'cancelled'
  | 'workerDied'
  | FailureCode;
/** The browser did not keep it: no room, the database closed under the app, another tab's newer one, anything else. */
export type FailureCode = 'diskFull' | 'databaseClosed' | 'newerDatabase' | 'writeFailed';
export type Written<T> = Promise<Result<T, WriteCode>>;

export const ALL_TABLES = [
  ...HEAD_TABLES,
  'snapshots',
  'nightReadings',
  'blobs',
  'changes',
  'changedRows',
  'meta',
  'lineage',
  'nightDigests',
  'snapshotDigests',
];

const CODES: Record<string, FailureCode> = {
  QuotaExceededError: 'diskFull',
  DatabaseClosedError: 'databaseClosed',
  InvalidStateError: 'databaseClosed',
  OpenFailedError: 'databaseClosed',
  MissingAPIError: 'databaseClosed',
  VersionError: 'newerDatabase',
};
/** Names by which a browser's database fails; any other error is a fault of ours and is not swallowed. */
const DATABASE_ERRORS = new Set([
  ...Object.keys(CODES),
  'AbortError',
  'BulkError',
  'ConstraintError',
  'DataCloneError',
  'DataError',
  'ModifyError',
  'NotFoundError',
  'PrematureCommitError',
  'ReadOnlyError',
  'TimeoutError',
  'TransactionInactiveError',
  'UnknownError',
]);

type Named = { name?: unknown; message?: unknown; inner?: unknown; failures?: unknown };
const isNamed = (value: unknown): value is Named => typeof value === 'object' && value !== null;

/** The error and what it was caused by: an aborted transaction hides a full disk. */
function causes(error: unknown): Named[] {
  if (!isNamed(error)) return [];
  const failures: unknown[] = Array.isArray(error.failures) ? error.failures : [];
  return [error, ...[error.inner, ...failures].flatMap((one) => (one === error ? [] : causes(one)))];
}

/** What the database said, as a code; null for an error that is not its own. */
export function failureOf(error: unknown): FailureCode | null {
  const names = causes(error).map(({ name }) => String(name));
  const known = names.find((name) => Object.hasOwn(CODES, name));
  if (known !== undefined) return CODES[known] ?? null;
  return names.some((name) => DATABASE_ERRORS.has(name)) ? 'writeFailed' : null;
}

/** Runs what touches the database; its failures become refusals. */
export async function caught<T>(work: () => PromiseLike<Result<T, WriteCode>>): Written<T> {
  try {
    return await work();
  } catch (error) {
    const code = failureOf(error);
    if (code === null) throw error;
    return refuse(code, { what: error instanceof Error ? error.name : '' });
  }
}

/** @param again what a press that was carried out before answers. */
export function transact<T>(
  w: Writer,
  again: (earlier: StoredChange) => Result<T, WriteCode>,
  body: () => Promise<Result<T, WriteCode>>,
): Written<T> {
  return caught(() =>
    w.db.transaction('rw', ALL_TABLES, async () => {
      const earlier = w.press === undefined ? undefined : await w.db.changes.where('press').equals(w.press).first();
      return earlier ? again(earlier) : body();
    }),
  );
}

/** Keeping copies of everything: after a quiet minute and when the page hides, in the browser's own file storage and in the
 *  file that the user chose. Outside React; one copy at a time over all tabs. */
import type { Copy } from '../storage/copies.ts';
import { clearOldLeftovers, listCopies } from '../storage/copyFiles.ts';
import { chosenCopyFile } from '../storage/device.ts';
import type { Writer } from '../storage/writer.ts';
import { createListeners } from '../core/listeners.ts';
import { seedOf, type RecordWork } from './recordWork.ts';

export type CopyState = {
  /** Null = this browser keeps none. */
  copies: readonly Copy[] | null;
  /** The last copy could not be written: why. */
  problem: string | null;
};
export type Copies = {
  state: () => CopyState;
  subscribe: (listener: () => void) => () => void;
  /** Something was written: copy after a quiet minute. */
  changed: () => void;
  /** Copy now what was not copied yet. */
  now: () => Promise<void>;
  refresh: () => Promise<void>;
};

const QUIET_MS = 60_000;
const LOCK = 'tidy-owl-copy';

type Askable = FileSystemFileHandle & { queryPermission?: (options: object) => Promise<string> };

/** The file, while the browser lets this page write to it. */
async function allowed(handle: Askable | null): Promise<FileSystemFileHandle | null> {
  if (!handle?.queryPermission) return handle;
  return (await handle.queryPermission({ mode: 'readwrite' })) === 'granted' ? handle : null;
}

async function makeCopy(writer: Writer, records: RecordWork, existing: readonly Copy[] | null): Promise<void> {
  const place = { existing, chosenFile: await allowed(await chosenCopyFile()) };
  await records('copy', { seed: seedOf(writer), place });
}

/** A state that tells who listens when it changes. */
function observable<T>(first: T) {
  let current = first;
  const { subscribe, tell } = createListeners();
  return {
    get: () => current,
    set: (next: T): void => {
      current = next;
      tell();
    },
    subscribe,
  };
}

export function createCopies(writer: Writer, records: RecordWork, locks: LockManager | undefined): Copies {
  const shown = observable<CopyState>({ copies: [], problem: null });
  let timer: ReturnType<typeof setTimeout> | null = null;
  let pending = false;
  const refresh = async (problem: string | null): Promise<void> => shown.set({ copies: await listCopies(), problem });
  const copy = async (): Promise<void> => {
    try {
      await makeCopy(writer, records, await listCopies());
      await refresh(null);
    } catch (error) {
      pending = true;
      await refresh(error instanceof Error ? error.name : 'unknown');
    }
  };
  const now = async (): Promise<void> => {
    if (timer !== null) clearTimeout(timer);
    timer = null;
    if (!pending) return;
    pending = false;
    await (locks ? locks.request(LOCK, copy) : copy());
  };
  const changed = (): void => {
    pending = true;
    if (timer !== null) clearTimeout(timer);
    timer = setTimeout(() => void now(), QUIET_MS);
  };
  const clear = (): Promise<void> => clearOldLeftovers().catch(() => undefined);
  void (locks ? locks.request(LOCK, clear) : clear());
  const { get: state, subscribe } = shown;
  return { state, subscribe, changed, now, refresh: () => refresh(state().problem) };
}

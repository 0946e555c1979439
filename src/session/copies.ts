/** Keeping copies of everything: after a quiet minute and when the page hides, in the browser's own file storage and in the
 *  file that the user chose. Outside React; one copy at a time over all tabs. */
import { collect, listsPrint } from '../storage/backup.ts';
import { copiesToRemove, COPIES_FOLDER, copyName, type Copy } from '../storage/copies.ts';
import { listCopies } from '../storage/copyFiles.ts';
import { chosenCopyFile } from '../storage/device.ts';
import { heldIn } from '../storage/held.ts';
import type { Writer } from '../storage/writer.ts';
import { createListeners } from '../core/listeners.ts';

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

/** Null when there is nothing of the user's to copy, or it is copied already. */
async function makeCopy(writer: Writer, existing: readonly Copy[] | null): Promise<void> {
  const { backup } = await collect(writer);
  const held = heldIn(backup.lists);
  const print = listsPrint(backup.lists);
  if (held.records + held.readings === 0 || existing?.[0]?.print === print) return;
  const chosenFile = await allowed(await chosenCopyFile());
  if (existing === null && !chosenFile) return;
  const fileName = existing === null ? null : copyName(writer.nowMs(), held, print);
  const names = [...(existing ?? []).map((c) => c.fileName), ...(fileName === null ? [] : [fileName])];
  const { keepCopy } = await import('../workers/keepCopy.ts');
  await keepCopy({ backup, folder: COPIES_FOLDER, fileName, removeNames: copiesToRemove(names), chosenFile });
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

export function createCopies(writer: Writer, locks: LockManager | undefined): Copies {
  const shown = observable<CopyState>({ copies: [], problem: null });
  let timer: ReturnType<typeof setTimeout> | null = null;
  let pending = false;
  const refresh = async (problem: string | null): Promise<void> => shown.set({ copies: await listCopies(), problem });
  const copy = async (): Promise<void> => {
    try {
      await makeCopy(writer, await listCopies());
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
  const { get: state, subscribe } = shown;
  return { state, subscribe, changed, now, refresh: () => refresh(state().problem) };
}

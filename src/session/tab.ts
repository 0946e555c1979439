/** Which tab this is: its own list of changes hangs on it. A reload keeps it; a tab that was duplicated, which the browser
 *  hands the same memory, becomes another one. */
import { createListeners } from '../core/listeners.ts';

const KEY = 'tidy-owl-tab';
const lockName = (id: string): string => `${KEY}-${id}`;

export type Tab = {
  id: () => string;
  subscribe: (listener: () => void) => () => void;
  openTabs: () => Promise<Set<string>>;
};

/** After a reload the page before lets go of its name within this. */
const LET_GO_MS = 1500;

type Locks = Pick<LockManager, 'request' | 'query'>;

/** Holds a name until the tab closes; false when another tab holds it. */
async function holds(locks: Locks, id: string): Promise<boolean> {
  return new Promise((resolve) => {
    locks
      .request(lockName(id), { signal: AbortSignal.timeout(LET_GO_MS) }, () => {
        resolve(true);
        return new Promise(() => undefined);
      })
      .catch(() => resolve(false));
  });
}

/** @param locks missing on pages without https: then tabs cannot be told apart, and a duplicate shares its list. */
export function createTab(
  storage: Pick<Storage, 'getItem' | 'setItem'>,
  newId: () => string,
  locks: Locks | undefined,
): Tab {
  let id = storage.getItem(KEY) ?? newId();
  storage.setItem(KEY, id);
  const { subscribe, tell } = createListeners();
  const claim = async (): Promise<void> => {
    if (!locks || (await holds(locks, id))) return;
    id = newId();
    storage.setItem(KEY, id);
    tell();
    await holds(locks, id);
  };
  void claim();
  return {
    id: () => id,
    subscribe,
    openTabs: async () => {
      const held = (await locks?.query())?.held ?? [];
      const names = held.flatMap(({ name }) => (name?.startsWith(`${KEY}-`) ? [name.slice(KEY.length + 1)] : []));
      return new Set([id, ...names]);
    },
  };
}

/** Who is told when something outside React changes. */
export type Listeners = { subscribe: (listener: () => void) => () => void; tell: () => void };

export function createListeners(): Listeners {
  const listeners = new Set<() => void>();
  return {
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    tell: () => {
      for (const listener of listeners) listener();
    },
  };
}

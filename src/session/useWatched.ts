/** Long work with what it reports and a way to stop it, for the place where it was begun. */
import { useState } from 'react';
import type { Progress } from '../workers/protocol.ts';

export type Watched = { onProgress: (progress: Progress) => void; signal: AbortSignal };
export type Going = { progress: Progress; cancel: () => void };

/** @returns what goes on now, and how to begin. */
export function useWatched(): {
  going: Going | null;
  watch: <T>(work: (options: Watched) => Promise<T>) => Promise<T>;
} {
  const [going, setGoing] = useState<Going | null>(null);
  const watch = async <T>(work: (options: Watched) => Promise<T>): Promise<T> => {
    const stop = new AbortController();
    const cancel = (): void => stop.abort();
    const onProgress = (progress: Progress): void => setGoing({ progress, cancel });
    onProgress({ doing: 'beginning', share: 0 });
    try {
      return await work({ onProgress, signal: stop.signal });
    } finally {
      setGoing(null);
    }
  };
  return { going, watch };
}

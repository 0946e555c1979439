/** Keeps the screen awake while a page is shown; the system lets go of it whenever the page is hidden. */
import { useEffect, useState } from 'react';

export type Awake = 'awake' | 'maySleep' | 'asking';

export function useWakeLock(): Awake {
  const [state, setState] = useState<Awake>('wakeLock' in navigator ? 'asking' : 'maySleep');
  useEffect(() => {
    if (!('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const ask = async (): Promise<void> => {
      if (document.visibilityState !== 'visible') return;
      try {
        const got = await navigator.wakeLock.request('screen');
        if (left) {
          await got.release();
          return;
        }
        lock = got;
        setState('awake');
      } catch {
        // Refused by the battery saver or the user: the watch still works, and says that the screen may sleep.
        setState('maySleep');
      }
    };
    const onVisible = (): void => void ask();
    void ask();
    document.addEventListener('visibilitychange', onVisible);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', onVisible);
      void lock?.release();
    };
  }, []);
  return state;
}

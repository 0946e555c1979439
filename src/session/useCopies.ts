/** Keeps copies while the app is open, remembers how much the device holds, and asks the browser to keep the database once
 *  there is something of the user's own in it. */
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { NOTHING_HELD, heldBefore, heldIn, larger, nightsWithoutFile, rememberHeld } from '../storage/held.ts';
import type { Stored } from '../storage/useStored.ts';
import { saveReminderWords } from '../text/storedWords.ts';
import { useSession, useShared } from './session.ts';
import type { CopyState } from './copies.ts';

export function useCopyState(): CopyState {
  const { copies } = useSession();
  return useSyncExternalStore(copies.subscribe, copies.state, copies.state);
}

const PERSIST_ASKED = 'tidy-owl-persist-asked';

function askToPersist(): void {
  if (localStorage.getItem(PERSIST_ASKED) !== null) return;
  localStorage.setItem(PERSIST_ASKED, 'asked');
  const storage = navigator.storage as StorageManager | undefined;
  void storage?.persist();
}

/** @param keeps false while less was found than is remembered: then a copy of less must not push out one of more. */
export function useKeepingCopies(stored: Stored, keeps: boolean): void {
  const { copies } = useSession();
  useEffect(() => {
    if (!keeps) return;
    const held = heldIn(stored);
    // Less than before is remembered only where the user took it away: storage does that itself.
    rememberHeld(larger(held, heldBefore(localStorage) ?? NOTHING_HELD), localStorage);
    if (held.records + held.readings === 0) return;
    askToPersist();
    copies.changed();
  }, [stored, keeps, copies]);
  useEffect(() => {
    const onHide = (): void => {
      if (document.visibilityState === 'hidden') void copies.now();
    };
    document.addEventListener('visibilitychange', onHide);
    return () => document.removeEventListener('visibilitychange', onHide);
  }, [copies]);
}

/** A quiet word when many nights were never saved to a file; null while there is no need. */
export function useSaveReminder(): string | null {
  const { stored } = useShared();
  const nights = useMemo(() => nightsWithoutFile(heldIn(stored), localStorage), [stored]);
  return nights === null ? null : saveReminderWords(nights);
}

/** The demo's records in lists: hidden beside one's own, until they are asked for. A setting of this device. */
import { useSyncExternalStore } from 'react';
import { createListeners } from '../core/listeners.ts';
import { useShared } from './session.ts';

type Listed = { id: string; origin: string; deletedAtUtc: string | null };

const KEY = 'tidy-owl-demo';
const SHOWN = 'shown';
const listeners = createListeners();
const isShown = (): boolean => localStorage.getItem(KEY) === SHOWN;

function setShown(shown: boolean): void {
  if (shown) localStorage.setItem(KEY, SHOWN);
  else localStorage.removeItem(KEY);
  listeners.tell();
}

/** Made or brought in; a shipped record that was corrected still belongs to the demo's company. */
const isOwn = (r: Listed): boolean => r.deletedAtUtc === null && r.origin !== 'starter' && !r.id.startsWith('demo-');
const isDemo = (r: Listed): boolean => r.origin === 'demo' && r.deletedAtUtc === null;

/** True when a list holds both, and somebody has a night of their own: who only looks around loses nothing. */
export const isMixed = (records: readonly Listed[], nights: readonly Listed[]): boolean =>
  nights.some(isOwn) && records.some(isOwn) && records.some(isDemo);

/** Without the demo's beside one's own. */
export function besideOwn<R extends Listed>(records: readonly R[], nights: readonly Listed[]): readonly R[] {
  return isMixed(records, nights) ? records.filter((r) => r.origin !== 'demo') : records;
}

export function useDemo(): { shown: boolean; setShown: (shown: boolean) => void } {
  return { shown: useSyncExternalStore(listeners.subscribe, isShown, isShown), setShown };
}

/** What lists show. */
export function useListing(): <R extends Listed>(records: readonly R[]) => readonly R[] {
  const { nights } = useShared().stored;
  const { shown } = useDemo();
  return (records) => (shown ? records : besideOwn(records, nights));
}
